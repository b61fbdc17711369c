<?php

declare(strict_types=1);

namespace ZigLane\Core\Measuring;

use ZigLane\Core\Equipment\Cloth;
use ZigLane\Core\Equipment\CueSpec;
use ZigLane\Core\Equipment\Cushion;
use ZigLane\Core\Equipment\Table;

/**
 * A table and a cue with certain values of what can be measured.
 */
final readonly class Guess
{
    public Table $table;
    public CueSpec $cue;

    /**
     * @param array<string, float> $values by Parameter value; the house's where one is missing
     * @param Table                $on     all else about the table
     */
    public function __construct(array $values, Table $on = new Table(), CueSpec $with = new CueSpec())
    {
        $of = static fn(Parameter $p): float => $values[$p->value] ?? $p->house();
        $this->table = new Table(
            $on->size,
            $on->cornerMouth,
            $on->sideMouth,
            new Cloth($of(Parameter::Slide), $of(Parameter::Roll), $on->cloth->spinDecay),
            new Cushion(
                $of(Parameter::Restitution),
                $of(Parameter::Friction),
                $on->cushion->clothFriction,
                $on->cushion->noseHeight,
                $on->cushion->facingRestitution,
                $on->cushion->facingFriction,
            ),
        );
        $this->cue = new CueSpec($with->mass, $with->tipRestitution, $of(Parameter::EndMass));
    }
}
