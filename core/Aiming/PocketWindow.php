<?php

declare(strict_types=1);

namespace ZigLane\Core\Aiming;

use ZigLane\Core\Equipment\PocketShape;
use ZigLane\Core\Geometry\Angle;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Numerics\HoldingIntervals;
use ZigLane\Core\Physics\BallStates;
use ZigLane\Core\Physics\Motion;
use ZigLane\Core\Physics\Simulator;

/**
 * The usable mouth of a pocket for one ball at one speed: the directions in which it drops, found by sending it.
 *
 * Between the directions that clear both nose tips lies the open mouth; in it the ball either drops, or the jaws throw
 * it out. From the middle of the part that drops, both edges are bisected.
 */
final readonly class PocketWindow
{
    /** Directions tried for a first one that drops. */
    private const PROBES = [0.5, 0.35, 0.65, 0.2, 0.8, 0.08, 0.92, 0.02, 0.98];
    private const BISECTIONS = 7;
    private const MOST_RAILS = 8;

    /** Speeds of the object ball that are tried when it does not drop at its own, m/s. */
    private const LADDER = [0.3, 0.45, 0.65, 0.9, 1.2, 1.6, 2.2, 3.0, 4.0];

    /**
     * @param float $low  rad
     * @param float $high rad, above low
     */
    private function __construct(public float $low, public float $high) {}

    /**
     * @param Point $from   where the object ball lies
     * @param float $speed  with which it leaves, sliding without spin, m/s
     *
     * @throws AimRefused when no direction drops the ball
     */
    public static function of(Simulator $simulator, PocketShape $pocket, Point $from, float $speed): self
    {
        [$low, $high] = self::openMouth($pocket, $from, $simulator->geometry->reach);
        if ($high <= $low) {
            throw new AimRefused(RefusalReason::PocketClosed, \sprintf(
                'The %s pocket is closed from there: %.0f° off square. It would need a bank.',
                $pocket->pocket->spoken(),
                rad2deg($pocket->angleFromSquare($from->angleTo($pocket->entrance($from)))),
            ));
        }
        $drops = static fn(float $way): bool => self::drops($simulator, $pocket, $from, $way, $speed);
        $inside = null;
        foreach (self::PROBES as $share) {
            $way = $low + $share * ($high - $low);
            if ($drops($way)) {
                $inside = $way;
                break;
            }
        }
        if (null === $inside) {
            throw self::refusal(
                $pocket,
                static fn(float $other): bool => self::drops($simulator, $pocket, $from, ($low + $high) / 2, $other),
                $speed,
            );
        }

        return new self(self::edge($drops, $inside, $low), self::edge($drops, $inside, $high));
    }

    /** Width of the window, rad. */
    public function width(): float
    {
        return $this->high - $this->low;
    }

    /** Direction for an offset of −1 … 1; the outermost per cent at either edge is left alone. */
    public function direction(float $offset): float
    {
        return ($this->low + $this->high) / 2 + 0.98 * $offset * ($this->high - $this->low) / 2;
    }

    /**
     * Directions from a place that clear both nose tips.
     *
     * @return array{float, float} rad, ascending; empty when the first is not below the second
     */
    public static function openMouth(PocketShape $pocket, Point $from, float $reach): array
    {
        $middle = $from->angleTo($pocket->entrance($from));
        $edges = [];
        foreach ([$pocket->tipA, $pocket->tipB] as $tip) {
            $turn = Angle::wrap($from->angleTo($tip) - $middle);
            $half = asin(min(1.0, $reach / max($from->distanceTo($tip), 1e-9)));
            $edges[] = [$turn, $half];
        }
        usort($edges, static fn(array $a, array $b): int => $a[0] <=> $b[0]);

        return [$middle + $edges[0][0] + $edges[0][1], $middle + $edges[1][0] - $edges[1][1]];
    }

    private static function drops(Simulator $simulator, PocketShape $pocket, Point $from, float $way, float $speed): bool
    {
        $state = new BallStates();
        $state->add($from->x, $from->y, Motion::sliding($speed * cos($way), $speed * sin($way)));
        $simulator->run($state, mostRails: self::MOST_RAILS);

        return $state->pocket[0] === $pocket->pocket->index();
    }

    /**
     * @param callable(float): bool $drops
     */
    private static function edge(callable $drops, float $inside, float $outside): float
    {
        return $drops($outside) ? $outside : HoldingIntervals::edge($drops, $inside, $outside, self::BISECTIONS)[0];
    }

    /**
     * Neither does the ball drop at this speed: would it at another?
     *
     * @param callable(float): bool $dropsAt by speed, m/s, toward the middle
     */
    private static function refusal(PocketShape $pocket, callable $dropsAt, float $speed): AimRefused
    {
        $name = $pocket->pocket->spoken();
        foreach (self::LADDER as $other) {
            if ($other > $speed && $dropsAt($other)) {
                return new AimRefused(RefusalReason::TooSoft, "Too soft: the ball does not reach the $name pocket.");
            }
        }
        foreach (array_reverse(self::LADDER) as $other) {
            if ($other < $speed && $dropsAt($other)) {
                return new AimRefused(
                    RefusalReason::TooHard,
                    "At this speed and angle the $name pocket’s jaws throw the ball out; softer, it drops.",
                );
            }
        }

        return new AimRefused(
            RefusalReason::PocketClosed,
            "From there the jaws of the $name pocket do not take the ball. It would need a bank.",
        );
    }
}
