<?php

declare(strict_types=1);

namespace ZigLane\Core\Drills;

use ZigLane\Core\Aiming\AimRefused;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Logbook\SimulatedPlayer;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\Speed;
use ZigLane\Core\Physics\TableLengths;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\ShotSpec;
use ZigLane\Core\Settings\Defaults;

/**
 * Finds the stroke with which a player gets the most points out of a station: strokes near the one that is meant are played without error;
 * those that do what is wanted are played with the player's errors, the better ones more often.
 */
final readonly class StrokeFinder
{
    /** Times the speed that is meant, and offsets of the tip from the one that is meant, in ball radii. */
    private const SPEEDS = [1.0, 0.85, 1.2, 0.7, 1.45, 0.55, 1.8, 0.42, 2.3];
    private const HEIGHTS = [0.0, 0.15, -0.15, 0.3, -0.3, 0.5, -0.5];
    private const SIDES = [0.0, 0.2, -0.2, 0.4, -0.4];

    /** Side that gains no more than this share of the points for a ball's radius of it is needless. */
    private const SIDE_COSTS = 0.08;

    /** Where a direction is meant, so far to either side of it, degrees. */
    private const AIMS = [0.0, 0.5, -0.5, 1.2, -1.2, 2.5, -2.5, 4.5, -4.5];

    /** Where nothing is meant: how full the ball is hit (share of its radius to either side), speeds in table lengths. */
    private const HITS = [0.0, 0.15, 0.3, 0.45, 0.6, 0.72, 0.82, 0.9, 0.96];
    private const LENGTHS = [0.6, 1.0, 1.5, 2.0, 2.7, 3.5, 4.5];

    /** How many candidates go into a round, and how often each is tried there. */
    private const ROUNDS = [[60, 12], [12, 48], [4, 160]];

    /** The same for a shot that is looked for anew each time. */
    private const QUICKLY = [[24, 8], [6, 32]];

    public function __construct(private Player $player) {}

    /**
     * The best stroke from how the balls lie; null when nothing gets a point.
     *
     * @param Station $station whose rules count; its balls need not lie as it says
     */
    public function best(Rack $rack, Station $station, Generator $random, bool $quickly = false): ?ShotSpec
    {
        $rack = $rack->withPlayer($this->player);
        $candidates = [];
        foreach (null === $station->shot ? self::anywhere($rack) : self::near($rack, $station->shot) as $spec) {
            $shooter = $this->shooter($rack, $spec);
            if (null === $shooter) {
                continue;
            }
            $points = $station->points($shooter->perfect());
            if ($points > 0) {
                $candidates[] = [$points - 1e-3 * \count($candidates), $spec, $shooter];
            }
        }
        foreach ($quickly ? self::QUICKLY : self::ROUNDS as [$many, $tries]) {
            usort($candidates, static fn(array $a, array $b): int => $b[0] <=> $a[0]);
            $candidates = \array_slice($candidates, 0, $many);
            foreach ($candidates as $n => [, $spec, $shooter]) {
                $mean = self::mean($shooter, $station, $tries, $random);
                $candidates[$n] = [$mean - $station->most() * self::SIDE_COSTS * abs($spec->tip->side), $spec, $shooter];
            }
        }
        usort($candidates, static fn(array $a, array $b): int => $b[0] <=> $a[0]);

        return $candidates[0][1] ?? null;
    }

    /** Mean of the points that a stroke gets. */
    private static function mean(SimulatedPlayer $shooter, Station $station, int $tries, Generator $random): float
    {
        $at = new \DateTimeImmutable('@0');
        $sum = 0;
        for ($n = 0; $n < $tries; ++$n) {
            $sum += $station->points($shooter->shoot($random, $at));
        }

        return $sum / $tries;
    }

    private function shooter(Rack $rack, ShotSpec $spec): ?SimulatedPlayer
    {
        try {
            return new SimulatedPlayer($rack, $spec);
        } catch (AimRefused|InvalidInput) {
            return null;
        }
    }

    /**
     * @return \Generator<int, ShotSpec>
     */
    private static function near(Rack $rack, ShotSpec $meant): \Generator
    {
        $speed = $meant->speed->on(new TableLengths($rack->simulator()));
        yield $meant;
        foreach (self::SPEEDS as $times) {
            if ($times * $speed > Defaults::MAX_CUE_SPEED) {
                continue;
            }
            // A shot that goes another way is aimed by playing it: only its speed is looked for.
            foreach ($meant->intent->isPlain() ? self::HEIGHTS : [0.0] as $up) {
                foreach ($meant->intent->isPlain() ? self::SIDES : [0.0] as $aside) {
                    $side = $meant->tip->side + $aside;
                    $height = $meant->tip->height + $up;
                    // What side and height do together is far from the meant stroke: only one of them at a time.
                    if (hypot($side, $height) > Defaults::MISCUE_LIMIT || (0.0 !== $up && 0.0 !== $aside && abs($up) > 0.2)) {
                        continue;
                    }
                    foreach (null === $meant->aimDeg ? [0.0] : self::AIMS as $turn) {
                        yield new ShotSpec(
                            null === $meant->aimDeg ? null : $meant->aimDeg + $turn,
                            $meant->ball,
                            $meant->pocket,
                            $meant->offset,
                            Speed::metresPerSecond($times * $speed),
                            new Tip($side, $height),
                            $meant->elevationDeg,
                            $meant->intent,
                        );
                    }
                }
            }
        }
    }

    /**
     * Every way of hitting the first ball.
     *
     * @return \Generator<int, ShotSpec>
     */
    private static function anywhere(Rack $rack): \Generator
    {
        $lengths = new TableLengths($rack->simulator());
        $cue = $rack->layout->ball(BallId::CUE);
        foreach ($rack->layout->objectBalls() as $ball) {
            $target = $rack->layout->ball($ball);
            $far = max($cue->distanceTo($target), 2 * Defaults::BALL_RADIUS);
            foreach (self::HITS as $hit) {
                foreach (0.0 === $hit ? [1] : [1, -1] as $sign) {
                    $aim = $cue->angleTo($target) + asin($sign * 2 * $hit * Defaults::BALL_RADIUS / $far);
                    foreach (self::LENGTHS as $speed) {
                        foreach ([-0.25, 0.0, 0.25] as $height) {
                            $mps = Speed::metresPerSecond(Speed::tableLengths($speed)->on($lengths));
                            yield new ShotSpec(rad2deg($aim), null, null, 0.0, $mps, new Tip(0.0, $height));
                        }
                    }
                }
            }
        }
    }
}
