<?php

declare(strict_types=1);

namespace ZigLane\Core\Camera;

/**
 * The balls that a camera above the table saw at one moment.
 */
final readonly class Frame
{
    /** @param list<Detection> $detections */
    public function __construct(public \DateTimeImmutable $at, public array $detections) {}
}
