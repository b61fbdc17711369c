<?php

declare(strict_types=1);

namespace ZigLane\App\View;

/**
 * What the table page shows of the chosen leg beside its drawing.
 */
final readonly class ChosenLeg
{
    /** Speed scale of the inspector, table lengths. */
    public const FASTEST = 8.0;

    /**
     * @param list<array{label: string, path: string, rest: array{x: string, y: string}|null, words: string}> $ghosts
     *                                                       a tenth softer and harder
     * @param array<string, mixed>|null $motion               what playback needs, or null
     * @param array<string, string>     $facts                the aim in words
     * @param float|null                $mps                  speed of the cue, m/s
     * @param float|null                $lengths              the same, table lengths
     * @param float|null                $leastElevationDeg    of the cue
     */
    public function __construct(
        public array $ghosts = [],
        public ?array $motion = null,
        public array $facts = [],
        public ?float $mps = null,
        public ?float $lengths = null,
        public ?float $leastElevationDeg = null,
    ) {}

    /** Upper end of the speed scale, table lengths. */
    public function mostLengths(): float
    {
        return self::FASTEST;
    }
}
