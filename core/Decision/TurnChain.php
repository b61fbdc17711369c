<?php

declare(strict_types=1);

namespace ZigLane\Core\Decision;

/**
 * A rack as a chain of alternate turns, in each of which some of the balls are made (J. G. Kemeny and J. L. Snell, "Finite Markov Chains",
 * 1960): who wins it when the player comes to a table like most, and who wins it with so much of a run-out.
 *
 * V(k) is the mean chance to run out the last k balls. A turn that has the chance v to run out n balls makes at least j of them with the
 * chance v / (c V(n − j)), and never less than v: it comes to those that are left in a place c times as good as most, since it was played
 * for.
 */
final readonly class TurnChain
{
    /** How much better than most the places are that a run comes to: c (fitted, docs/decision.md). */
    private const BETTER = 1.5;

    /**
     * V(k) is at least so much of V(k − 1): however badly a ball lies, in a turn or two it will lie elsewhere (fitted, docs/decision.md).
     */
    private const LEAST = 0.5;

    /** No chance is less. */
    private const NEVER = 1e-6;

    /** A place counts for at most so many times a table like most where that had to be raised (our own choice). */
    private const PLACE = 3.0;

    /**
     * With the ball in hand the chance to run out is at least so much above the mean one: state values of tables where nothing goes see
     * no gain in it (our own choice).
     */
    private const GAINED_IN_HAND = 0.08;

    /**
     * @param non-empty-list<float> $means   V(1), V(2) and so on, to all balls that the player has left
     * @param float                 $raised  how much larger than it was the last of them had to be made
     * @param non-empty-list<float> $failing chance to win when the turn ends after no ball, after one, and so on, 0–1
     * @param float                 $coming  chance to win when the player comes to a table like most, 0–1
     * @param UsualRunOut|null      $usual   that what this table promises is drawn to
     */
    private function __construct(
        private array $means,
        private float $raised,
        private array $failing,
        public float $coming,
        private ?UsualRunOut $usual,
    ) {}

    /**
     * The chain as each of two players sees it.
     *
     * @param non-empty-list<float> $own   V(1), V(2) and so on of the first
     * @param non-empty-list<float> $other and of the second
     * @param array{UsualRunOut, UsualRunOut}|null $usual what the first and the second usually run out, where each plays balls of
     *                                                    their own; null where both play the same balls: then as many of both
     *
     * @return array{self, self}
     */
    public static function between(array $own, array $other, ?array $usual): array
    {
        $same = null === $usual;
        [$first, $second] = [self::floored($own), self::floored($other)];
        if (!$same) {
            [$first, $second] = [$usual[0]->drawnMeans($first), $usual[1]->drawnMeans($second)];
        }
        // Chance of each to win when coming to the table, by what the first and what the second has left.
        $ones = $twos = [];
        for ($n = 1; $n <= \count($own); ++$n) {
            for ($m = $same ? $n : 1; $m <= ($same ? $n : \count($other)); ++$m) {
                $one = self::turn($first, $n, $first[$n - 1]);
                $two = self::turn($second, $m, $second[$m - 1]);
                [$a, $b] = [$one[$n], $two[$m]];
                for ($j = 1; $j < $n; ++$j) {
                    $a += $one[$j] * (1 - $twos[$n - $j][$same ? $n - $j : $m]);
                }
                for ($j = 1; $j < $m; ++$j) {
                    $b += $two[$j] * (1 - $ones[$same ? $m - $j : $n][$m - $j]);
                }
                $ones[$n][$m] = self::meeting([$a, $one[0]], [$b, $two[0]]);
                $twos[$n][$m] = self::sum([$b, $two[0]], 1 - $ones[$n][$m]);
            }
        }
        [$n, $m] = [\count($own), \count($other)];
        $firsts = $seconds = [];
        for ($j = 0; $j < $n; ++$j) {
            $firsts[] = 1 - $twos[$n - $j][$same ? $n - $j : $m];
        }
        for ($j = 0; $j < $m; ++$j) {
            $seconds[] = 1 - $ones[$same ? $m - $j : $n][$m - $j];
        }

        return [
            new self($first, self::ratio($first, $own), $firsts, $ones[$n][$m], $usual[0] ?? null),
            new self($second, self::ratio($second, $other), $seconds, $twos[$n][$m], $usual[1] ?? null),
        ];
    }

    /** Chance to win when the turn ends without a ball, 0–1. */
    public function failing(): float
    {
        return $this->failing[0];
    }

    /**
     * Chance to win the rack for the player who goes for the run-out, 0–1.
     *
     * @param float      $runOut  chance to get there, 0–1
     * @param float|null $failing chance to win when the turn ends without a ball, where that is known better, 0–1
     */
    public function going(float $runOut, ?float $failing = null): float
    {
        return max($runOut, self::sum($this->turnWith($runOut), $failing ?? $this->failing()));
    }

    /** The same with the ball in hand, $highest being the chance to run out from the best place. */
    public function inHand(float $highest): float
    {
        return self::sum($this->turnInHand($highest), $this->failing());
    }

    /** @param array{float, float} $turn as turnWith() gives it */
    public static function sum(array $turn, float $failing): float
    {
        return $turn[0] + $turn[1] * $failing;
    }

    /**
     * Chance to win for the player who comes to the table, both turns being like these: one without a ball changes nothing.
     *
     * @param array{float, float} $one as turnWith() gives it
     * @param array{float, float} $two the other player's
     */
    public static function meeting(array $one, array $two): float
    {
        return self::sum($one, 1 - $two[0] - $two[1]) / max(1e-9, 1 - $one[1] * $two[1]);
    }

    /**
     * A turn in parts.
     *
     * @param float $runOut chance to run out from here, 0–1
     *
     * @return array{float, float} chance to win the rack after at least a ball, and the chance that none is made
     */
    private function turnWith(float $runOut): array
    {
        if ($runOut <= 0.0 || $runOut >= 1.0) {
            return $this->parts($runOut);
        }
        // By its odds: what is nearly sure stays below one.
        $times = min($this->raised, max(1.0, self::PLACE * $this->mean() / $runOut));
        $odds = $times * $runOut / (1 - $runOut);

        return $this->parts($this->told($odds / (1 + $odds), $this->mean()));
    }

    /**
     * The same with the ball in hand.
     *
     * @param float $highest chance to run out from the best place, 0–1
     *
     * @return array{float, float}
     */
    public function turnInHand(float $highest): array
    {
        $usual = $this->mean() + self::GAINED_IN_HAND;

        return $this->parts(min(1.0, $this->told(max($highest, $usual), $usual)));
    }

    /**
     * The same from a table like most.
     *
     * @return array{float, float}
     */
    public function turnLikeMost(): array
    {
        return $this->parts($this->mean());
    }

    /** A chance to run out from here as it counts, where the usual one is known. */
    private function told(float $runOut, float $usual): float
    {
        return $this->usual?->drawn($runOut, $usual, \count($this->means)) ?? $runOut;
    }

    private function mean(): float
    {
        return $this->means[array_key_last($this->means)];
    }

    /**
     * @return array{float, float}
     */
    private function parts(float $runOut): array
    {
        $n = \count($this->means);
        $turn = self::turn($this->means, $n, $runOut);
        $won = $turn[$n];
        for ($j = 1; $j < $n; ++$j) {
            $won += $turn[$j] * $this->failing[$j];
        }

        return [$won, $turn[0]];
    }

    /**
     * How many balls a turn makes.
     *
     * @param non-empty-list<float> $means
     * @param int                   $left   balls, at least one
     * @param float                 $runOut chance that all of them are made
     *
     * @return non-empty-list<float> chance of none, of one … of all
     */
    private static function turn(array $means, int $left, float $runOut): array
    {
        $turn = [];
        $atLeast = 1.0;
        for ($j = 1; $j <= $left; ++$j) {
            // Who runs out makes all of those before, too.
            $next = $j === $left ? $runOut : max($runOut, min($atLeast, $runOut / (self::BETTER * $means[$left - $j - 1])));
            $turn[] = $atLeast - $next;
            $atLeast = $next;
        }
        $turn[] = $atLeast;

        return $turn;
    }

    /**
     * @param non-empty-list<float> $means
     *
     * @return non-empty-list<float>
     */
    private static function floored(array $means): array
    {
        $rest = 0.0;
        $floored = [];
        foreach ($means as $mean) {
            $rest = max($mean, self::LEAST * $rest, self::NEVER);
            $floored[] = $rest;
        }

        return $floored;
    }

    /**
     * @param non-empty-list<float> $floored
     * @param non-empty-list<float> $means
     */
    private static function ratio(array $floored, array $means): float
    {
        $last = array_key_last($means);

        return $means[$last] > 0.0 ? $floored[$last] / $means[$last] : 1.0;
    }
}
