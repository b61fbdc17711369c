<?php

declare(strict_types=1);

namespace ZigLane\Core\Physics;

use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Geometry\Point;

/**
 * Something that happened during a shot. Contacts with a nose tip or a facing are both "ball-facing".
 */
final readonly class Event
{
    /**
     * @param float     $time  s after the stroke
     * @param list<int> $balls ball numbers concerned
     * @param Point     $at    centre of the first of them
     */
    public function __construct(
        public float $time,
        public EventType $type,
        public array $balls,
        public Point $at,
        public ?Pocket $pocket = null,
    ) {}

    /** Whether a ball takes part in it. */
    public function concerns(int $ball): bool
    {
        return \in_array($ball, $this->balls, true);
    }
}
