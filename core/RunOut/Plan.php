<?php

declare(strict_types=1);

namespace ZigLane\Core\RunOut;

use ZigLane\Core\Rack\Rack;

/**
 * A run-out from the first shot to the last, as far as it can be planned.
 */
final readonly class Plan
{
    /**
     * @param Rack              $rack    as it begins: the cue ball put down, the group taken
     * @param list<PlannedShot> $shots
     * @param float             $runOut  chance to run out, 0–1
     * @param string|null       $stopped why it does not go to the end; null when it does
     * @param list<string>      $says    what it turns on and how it compares, whole sentences
     * @param int|null          $hinge   number of the shot that most is lost on, from 1
     * @param bool              $settled nothing more will be found
     */
    public function __construct(public Rack $rack, public array $shots, public float $runOut, public ?string $stopped, public array $says = [], public ?int $hinge = null, public bool $settled = false) {}

    /** The rack with the plan's shots as its legs. */
    public function line(): Rack
    {
        return $this->rack->withLegs(array_map(static fn(PlannedShot $s) => $s->spec, $this->shots));
    }

    /** What of the chance is kept by a shot: 1 where nothing is lost. */
    public function kept(int $number): float
    {
        $here = $this->shots[$number - 1]->runOut;
        $next = $this->shots[$number]->runOut ?? 1.0;

        return $next <= 0.0 ? 1.0 : min(1.0, $here / $next);
    }
}
