<?php

declare(strict_types=1);

namespace ZigLane\Core\Routes;

use ZigLane\Core\Physics\Stroke;

/**
 * Improves a candidate by pattern search: a step in speed, tip and part of the pocket at a time, all under the same errors (R. Hooke
 * and T. A. Jeeves, "Direct search solution of numerical and statistical problems", J. ACM 8, 1961).
 *
 * @internal
 */
final readonly class PatternSearch
{
    /** Tries by which steps are judged. */
    public const FEW = 24;
    private const SOME = 48;

    /** Steps of the pattern: speed, tip side, tip height, part of the pocket. */
    private const STEPS = [
        [1, 0, 0, 0], [-1, 0, 0, 0], [0, 1, 0, 0], [0, -1, 0, 0], [0, 0, 1, 0], [0, 0, -1, 0], [0, 0, 0, 1], [0, 0, 0, -1],
        [1, 0, -1, 0], [-1, 0, 1, 0], [2, 0, 0, 0], [-2, 0, 0, 0],
        [2, 0, 0, 1], [2, 0, 0, -1], [-2, 0, 0, 1], [-2, 0, 0, -1],
    ];

    /** Where there is time for them too: side spin, and the part of the pocket that makes up for its throw. */
    private const DIAGONAL = [[0, 1, 0, 1], [0, 1, 0, -1], [0, -1, 0, 1], [0, -1, 0, -1]];

    /** Size of the first step: share of the speed, tip (radii), part of what drops; and of those that polish. */
    private const FIRST = [0.08, 0.1, 0.45];
    private const POLISH = [[0.1, 0.12, 0.3], [0.05, 0.06, 0.3], [0.025, 0.03, 0.15]];

    /** A difference of value that is none. */
    private const NOTHING = 0.005;

    /** What a step under few errors must bring, else it may be luck. */
    private const LUCK = 0.02;

    public function __construct(private StrokeTrials $trials) {}

    /** One step round a candidate under few errors: what it becomes. */
    public function stirred(Candidate $candidate): Candidate
    {
        $stirred = $this->around($candidate, self::FIRST, self::FEW);

        return $stirred->value > $candidate->value + self::LUCK ? $stirred : $candidate;
    }

    /**
     * Step by step as far as it goes.
     *
     * @param bool $finer every round finer than the last, and quick; else a step is kept while it brings something
     */
    public function refined(Candidate $candidate, int $rounds, bool $finer = false): Candidate
    {
        $best = $candidate->valued($this->trials->value($candidate, self::SOME));
        $size = self::FIRST;
        for ($round = 0; $round < $rounds; ++$round) {
            $before = $best->value;
            $best = $this->around($best, $size, self::SOME, $finer ? self::STEPS : [...self::STEPS, ...self::DIAGONAL]);
            if ($finer || $best->value <= $before + self::NOTHING) {
                $size = array_map(static fn(float $step): float => $step / 2, $size);
            }
        }

        return $this->plainer($best);
    }

    /** The last touch, in small steps under more errors. */
    public function polished(Candidate $candidate): Candidate
    {
        foreach (self::POLISH as $size) {
            $candidate = $this->around($candidate, $size, StrokeTrials::MORE);
        }

        return $candidate;
    }

    /** Side spin and parts of the pocket that bring nothing are left out. */
    private function plainer(Candidate $best): Candidate
    {
        $stroke = $best->aimed->stroke;
        $value = $best->value;
        foreach ([[0.0, $best->offset], [$stroke->side, 0.0], [0.0, 0.0]] as [$side, $offset]) {
            $plain = $this->trials->aimed(new Stroke($stroke->speed, $side, $stroke->height), $offset);
            if (null !== $plain && $this->trials->value($plain, self::SOME) >= $value - self::NOTHING) {
                $best = $plain->valued($value);
            }
        }

        return $best;
    }

    /**
     * The best of a candidate and those a step away from it.
     *
     * @param array{float, float, float}       $size  of the step, as FIRST
     * @param list<array{int, int, int, int}> $steps as STEPS
     */
    private function around(Candidate $from, array $size, int $tries, array $steps = self::STEPS): Candidate
    {
        [$dv, $da, $do] = $size;
        $stroke = $from->aimed->stroke;
        $best = $from;
        foreach ($steps as [$v, $a, $b, $o]) {
            $try = $this->trials->aimed(
                new Stroke($stroke->speed * (1 + $dv * $v), $stroke->side + $da * $a, $stroke->height + $da * $b),
                max(-1.0, min(1.0, $from->offset + $do * $o)),
            );
            $value = null === $try ? null : $this->trials->valueUnlessBehind($try, $tries, $best->value);
            if (null !== $try && null !== $value && $value > $best->value) {
                $best = $try->valued($value);
            }
        }

        return $best;
    }
}
