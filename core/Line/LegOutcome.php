<?php

declare(strict_types=1);

namespace ZigLane\Core\Line;

use ZigLane\Core\Aiming\AimSolution;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Games\Verdict;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\ShotResult;
use ZigLane\Core\Rack\ShotSpec;

/**
 * One leg of a line, played.
 */
final readonly class LegOutcome
{
    /**
     * @param int              $number 1 for the first leg
     * @param Layout|null      $before where the balls lie when it begins; null when it cannot be reached
     * @param list<LegFault>   $faults why it breaks, waits or is spent
     * @param list<LegNote>    $notes  what else happens that nobody asked for
     * @param Shot|null        $shot   the stroke as played; null when there is none
     * @param AimSolution|null $aim    how the aim came about; null when a direction was given or there is no shot
     */
    public function __construct(
        public int $number,
        public ShotSpec $spec,
        public LegState $state,
        public ?Layout $before,
        public array $faults = [],
        public array $notes = [],
        public ?Shot $shot = null,
        public ?AimSolution $aim = null,
        public ?ShotResult $result = null,
        public ?Verdict $verdict = null,
    ) {}

    /** What it pots: what it says, or, where it gives a direction, what drops first; null for nothing. */
    public function pot(): ?Pot
    {
        if (null !== $this->spec->ball && null !== $this->spec->pocket) {
            return new Pot($this->spec->ball, $this->spec->pocket);
        }
        foreach ($this->result->pocketed ?? [] as $ball => $pocket) {
            if (BallId::CUE !== $ball) {
                return new Pot($ball, $pocket);
            }
        }

        return null;
    }

    /** The same, breaking for one more reason. */
    public function breaking(LegFault $fault): self
    {
        return new self(
            $this->number,
            $this->spec,
            LegState::Breaks,
            $this->before,
            [$fault, ...$this->faults],
            $this->notes,
            $this->shot,
            $this->aim,
            $this->result,
            $this->verdict,
        );
    }

    /** Where the balls lie when it is over; null when it was not played or the cue ball is gone. */
    public function after(): ?Layout
    {
        return $this->result?->final;
    }
}
