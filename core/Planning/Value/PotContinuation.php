<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

/**
 * What the arrivals at one pot leave: the values of the states in which the cue ball stops, with the player's error of speed averaged
 * in.
 *
 * @internal
 */
final readonly class PotContinuation
{
    /** Share of each neighbouring cut that is mixed in: the ball is not always hit where it should be. */
    public const ASIDE = 0.2;

    /**
     * @param list<float> $mix  weights of neighbouring speeds, the speed itself in the middle
     * @param int<1, 2>   $skip looks at every speed, or every second
     */
    public function __construct(
        private ValueFunction $values,
        private PotOption $pot,
        private RemainingBalls $after,
        private array $mix,
        private int $skip,
    ) {}

    /**
     * What one kind of arrival leaves at some cuts and every speed, with the cuts beside each mixed in.
     *
     * @param list<int> $cuts places on the ladder of cuts
     * @param int<1, 2> $step looks at every cut, or every second: then none is mixed in
     *
     * @return array<int, array<int, float>> by cut and speed
     */
    public function byCutAndSpeed(ArrivalIndex $index, array $cuts, int $step): array
    {
        $plain = [];
        $aside = [];
        foreach ($cuts as $c) {
            $mixed = $this->at($plain, $index, $c);
            if (null === $mixed) {
                continue;
            }
            $less = (1 === $step ? $this->at($plain, $index, $c - 1) : null) ?? $mixed;
            $more = (1 === $step ? $this->at($plain, $index, $c + 1) : null) ?? $mixed;
            $slowest = $this->pot->transitions->slowest[$c];
            foreach ($mixed as $k => $value) {
                $aside[$c][$k] = $k < $slowest ? 0.0 : (1 - 2 * self::ASIDE) * $value + self::ASIDE * ($less[$k] + $more[$k]);
            }
        }

        return $aside;
    }

    /**
     * What it leaves at one cut.
     *
     * @param array<int, array<int, float>|null> $plain by cut, as far as known; added to
     *
     * @return array<int, float>|null by speed; null where the ball cannot be cut so
     */
    private function at(array &$plain, ArrivalIndex $index, int $cut): ?array
    {
        if (!\array_key_exists($cut, $plain)) {
            $slowest = $this->pot->transitions->slowest[$cut] ?? ArrivalSteps::SPEEDS;
            $plain[$cut] = $slowest < ArrivalSteps::SPEEDS ? $this->mixed($this->left($index, $cut), $slowest) : null;
        }

        return $plain[$cut];
    }

    /**
     * The values of the states that the speeds leave.
     *
     * @return list<float>|null null when none can be played
     */
    private function left(ArrivalIndex $index, int $cut): ?array
    {
        $base = $index->first();
        $slowest = $this->pot->transitions->slowest[$cut];
        $transitions = $this->pot->transitions->at($cut, $index->side);
        $touched = $this->pot->touched($cut, $index->side);
        $values = $this->values->values($this->after);
        $after = $this->after->bits;
        $node = $transitions->node;
        $ss = $transitions->s;
        $ts = $transitions->t;
        $over = [] === $values;
        $row = CueBallGrid::ACROSS + 1;
        $left = [];
        $some = false;
        for ($k = 0; $k < ArrivalSteps::SPEEDS; $k += $this->skip) {
            $entry = $base + $k;
            $n = $node[$entry];
            if ($k < $slowest || $n < 0) {
                $left[] = 0.0;
                continue;
            }
            $met = $touched[$entry] & $after;
            if ($over) {
                $left[] = 1.0;
            } elseif (0 !== $met) {
                $left[] = $this->values->disturbed($this->after, $met);
            } else {
                $s = $ss[$entry];
                $t = $ts[$entry];
                $left[] = (1 - $s) * ((1 - $t) * $values[$n] + $t * $values[$n + 1])
                    + $s * ((1 - $t) * $values[$n + $row] + $t * $values[$n + $row + 1]);
            }
            $some = true;
        }

        return $some ? $left : null;
    }

    /**
     * As the hand mixes neighbouring speeds.
     *
     * @param list<float>|null $left    by speed; null for nothing at all
     * @param int              $slowest speed that brings the ball to the pocket
     *
     * @return array<int, float> by speed
     */
    private function mixed(?array $left, int $slowest): array
    {
        $mix = $this->mix;
        $reach = \count($mix) >> 1;
        $last = intdiv(ArrivalSteps::SPEEDS - 1, $this->skip);
        $mixed = [];
        for ($at = 0, $k = 0; $at <= $last; ++$at, $k += $this->skip) {
            $sum = 0.0;
            if (null !== $left && $k >= $slowest) {
                foreach ($mix as $i => $weight) {
                    $from = $at + $i - $reach;
                    // Harder than the grid knows is as at its end.
                    $sum += $weight * ($from < 0 ? 0.0 : $left[$from < $last ? $from : $last]);
                }
            }
            $mixed[$k] = $sum;
        }

        return $mixed;
    }
}
