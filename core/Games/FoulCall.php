<?php

declare(strict_types=1);

namespace ZigLane\Core\Games;

use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Finding;
use ZigLane\Core\ListOf;

/**
 * A foul, and what makes it one.
 */
final readonly class FoulCall implements Finding
{
    /**
     * @param Pocket|null $pocket that a scratch drops in; null when the cue ball left the table
     * @param int|null    $ball   that was struck first and should not have been, or that left the table
     * @param list<int>   $due    balls that might have been
     */
    public function __construct(
        public Foul $foul,
        public ?Pocket $pocket = null,
        public ?int $ball = null,
        #[ListOf('int')]
        public array $due = [],
    ) {}
}
