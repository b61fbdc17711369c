<?php

declare(strict_types=1);

namespace ZigLane\Core\Logbook\Fit;

use ZigLane\Core\Aiming\AimRefused;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Logbook\Attempt;
use ZigLane\Core\Logbook\SimulatedPlayer;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Player\Player;

/**
 * Whether the cue ball stops shorter or longer than meant, shot after shot: on a table that is slower, or faster, than it is set every
 * stop is likelier than on the one that is set (a ratio of likelihoods: J. Neyman and E. S. Pearson, "On the problem of the most efficient
 * tests of statistical hypotheses", Phil. Trans. R. Soc. A 231, 1933). A shot counts only so much, so that a stray one does not decide
 * (P. J. Huber, "A robust version of the probability ratio test", Ann. Math. Stat. 36, 1965). What the ratios are on a table that is as it
 * is set is found by shooting the same shots again.
 *
 * A player who strikes softer or harder than meant looks much the same; a ball that is rolled tells the two apart.
 */
final readonly class SpeedCheck
{
    /** The shots that are looked at, the latest ones; fewer than LEAST tell nothing. */
    public const SHOTS = 120;
    public const LEAST = 15;

    /** Times the rolling resistance that is set, of the tables that the stops are held against. */
    private const SLOWER = 1.15;
    private const FASTER = 1 / 1.15;

    /** A shot's ratio counts no more than this, in logarithms. */
    private const MOST = 0.5;

    /** Shots that are shot again, about; at least REFITS times all of them. */
    private const AGAIN = 400;
    private const REFITS = 3;

    /** Standard deviations above the usual at which it is told: of 100 tables that are as they are set about 5 are told of on each side. */
    private const TELLING = 1.7;

    /**
     * @param int   $shots looked at
     * @param float $slow  how far the ratio for a slower table is above the usual one, in standard deviations
     * @param float $fast  the same for a faster one
     */
    public function __construct(public int $shots, public float $slow, public float $fast) {}

    /**
     * @param list<Attempt> $attempts on one table, in order
     * @param Player        $player   whose errors are known
     */
    public static function of(array $attempts, Player $player, Generator $random): ?self
    {
        $shots = $shooters = [];
        foreach (\array_slice($attempts, -self::SHOTS) as $attempt) {
            try {
                $shooters[] = new SimulatedPlayer($attempt->rack->withPlayer($player), $attempt->meant);
                $shots[] = $attempt;
            } catch (AimRefused|InvalidInput) {
                continue;
            }
        }
        [$slow, $fast] = self::ratios($shots, $player);
        if (\count($slow) < self::LEAST) {
            return null;
        }
        $usual = [[], []];
        $times = max(self::REFITS, (int) ceil(self::AGAIN / \count($slow)));
        for ($n = 0; $n < $times; ++$n) {
            $again = [];
            foreach ($shooters as $k => $shooter) {
                $again[] = $shooter->shoot($random, $shots[$k]->at);
            }
            [$slower, $faster] = self::ratios($again, $player);
            array_push($usual[0], ...$slower);
            array_push($usual[1], ...$faster);
        }

        return new self(
            \count($slow),
            self::above($slow, $usual[0], $times),
            self::above($fast, $usual[1], $times),
        );
    }

    /** Whether it stops shorter than meant. */
    public function isShort(): bool
    {
        return $this->slow > self::TELLING && $this->slow > $this->fast;
    }

    /** Whether it stops longer than meant. */
    public function isLong(): bool
    {
        return $this->fast > self::TELLING && $this->fast > $this->slow;
    }

    /**
     * How much likelier each shot is on a slower table, and on a faster one.
     *
     * @param list<Attempt> $attempts
     *
     * @return array{list<float>, list<float>}
     */
    private static function ratios(array $attempts, Player $player): array
    {
        $fits = [];
        foreach ([1.0, self::SLOWER, self::FASTER] as $roll) {
            $fit = new PlayerFit($player);
            foreach ($attempts as $attempt) {
                $rack = $attempt->rack->onTable($attempt->rack->table->rolling($roll));
                $fit->add(new Attempt($attempt->at, $rack, $attempt->meant, $attempt->result));
            }
            $fits[] = $fit;
        }
        $set = $fits[0]->likelihoods();
        $against = static fn(PlayerFit $fit): array => array_map(
            static fn(int $n, float $likely): float => max(-self::MOST, min(self::MOST, $likely - ($set[$n] ?? $likely))),
            array_keys($fit->likelihoods()),
            array_values($fit->likelihoods()),
        );

        return [$against($fits[1]), $against($fits[2])];
    }

    /**
     * @param list<float> $ratios
     * @param list<float> $usual of the same shots on a table that is as it is set
     * @param int         $times that these were shot
     */
    private static function above(array $ratios, array $usual, int $times): float
    {
        $mean = array_sum($usual) / \count($usual);
        $square = array_sum(array_map(static fn(float $r): float => ($r - $mean) ** 2, $usual)) / \count($usual);
        $off = array_sum($ratios) - \count($ratios) * $mean;

        return $square > 0.0 ? $off / sqrt(\count($ratios) * $square * (1 + 1 / $times)) : 0.0;
    }
}
