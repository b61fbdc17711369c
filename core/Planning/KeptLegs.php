<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Geometry\Region;
use ZigLane\Core\Line\LegState;
use ZigLane\Core\Line\LinePlayer;
use ZigLane\Core\Line\RackAfter;
use ZigLane\Core\Planning\Finding\KeptLegBreaks;
use ZigLane\Core\Planning\Finding\KeptShot;
use ZigLane\Core\Rack\Rack;

/**
 * The player's own first legs, played as they stand: a plan begins after them.
 */
final readonly class KeptLegs
{
    /** @param KeptLegBreaks|null $breaks why one of them does not hold */
    private function __construct(public ShotLine $line, public ?KeptLegBreaks $breaks) {}

    /** The first so many legs of a rack. */
    public static function of(Rack $rack, int $number): self
    {
        $player = LinePlayer::for($rack);
        $legs = \array_slice($rack->legs, 0, $number);
        $rack = $rack->withLegs([]);
        $shots = [];
        foreach ($legs as $n => $spec) {
            $leg = $player->leg($n + 1, $spec, $rack->layout, $rack->rules());
            $after = $leg->after();
            $pot = $leg->pot();
            if (LegState::Holds !== $leg->state || null === $after || null === $pot || !$after->has(BallId::CUE)) {
                return new self(new ShotLine($shots, $rack), new KeptLegBreaks($n + 1, $leg->faults[0] ?? null));
            }
            $shots[] = new PlannedShot(
                $pot,
                $spec,
                $rack->layout,
                new ShotChances(1.0, 1.0, 1.0),
                new Region([]),
                new Region([]),
                $after->ball(BallId::CUE),
                null,
                [new KeptShot()],
                true,
            );
            $rack = RackAfter::legs($rack, [$leg]);
        }

        return new self(new ShotLine($shots, $rack), null);
    }
}
