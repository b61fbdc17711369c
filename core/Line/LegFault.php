<?php

declare(strict_types=1);

namespace ZigLane\Core\Line;

use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Finding;
use ZigLane\Core\Games\FoulCall;

/**
 * Why a leg breaks, waits or is spent.
 */
final readonly class LegFault implements Finding
{
    /**
     * @param int|null    $number  the ball; the leg that breaks, for one that is not reached
     * @param Pocket|null $pocket  that the ball drops in instead
     * @param string      $message with which the aim solver or the cue refused the stroke
     */
    public function __construct(
        public LegFaultKind $kind,
        public ?int $number = null,
        public ?Pocket $pocket = null,
        public ?FoulCall $foul = null,
        public string $message = '',
    ) {}
}
