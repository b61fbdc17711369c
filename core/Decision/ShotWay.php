<?php

declare(strict_types=1);

namespace ZigLane\Core\Decision;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Rail;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\EventType;
use ZigLane\Core\Physics\ShotResult;
use ZigLane\Core\Potting\Judgement;
use ZigLane\Core\Rack\Rack;

/**
 * By what way the cue ball comes to the first ball, and what drops to its pocket.
 */
final readonly class ShotWay
{
    /** A ball nearer to the nose than this lies at the rail, m. */
    private const AT_RAIL = 0.03;

    /** The straight line must be barred by so much, m, for a curve to be told. */
    private const CURVE = 0.003;

    /**
     * @param list<Rail> $before rails that the cue ball takes before the first ball
     * @param int|null   $over   ball that it flies over before that
     * @param int|null   $round  ball that it curves round
     * @param list<Rail> $banked rails that what drops takes
     * @param int|null   $kissed ball that it goes off
     * @param bool       $carom  whether the cue ball goes off the first ball into it
     * @param list<int>  $links  balls by which it is sent on its way, the one hit first at the beginning
     */
    private function __construct(
        public array $before,
        public ?int $over,
        public ?int $round,
        public array $banked,
        public ?int $kissed,
        public bool $carom,
        public array $links,
    ) {}

    /** @param int|null $ball what drops */
    public static function of(Rack $rack, ShotResult $result, ?int $ball): self
    {
        $over = self::over($rack, $result);

        return new self(
            self::rails($rack, $result, BallId::CUE, after: false),
            $over,
            null === $over ? self::round($rack, $result) : null,
            null === $ball ? [] : self::rails($rack, $result, $ball, after: true),
            self::kissed($rack, $result, $ball),
            self::isCarom($result, $ball),
            self::links($result, $ball),
        );
    }

    /**
     * Rails that a ball takes after it first meets another.
     *
     * @return list<Rail>
     */
    public static function railsAfter(Rack $rack, ShotResult $result, int $ball): array
    {
        return self::rails($rack, $result, $ball, after: true);
    }

    /** The rail that a place lies at; null when it is none's. */
    public static function railAt(Rack $rack, Point $place): ?Rail
    {
        $geometry = $rack->simulator()->geometry;
        [$rail, $gap] = $geometry->nearestRail($place);

        return $gap < $geometry->reach + self::AT_RAIL ? $rail : null;
    }

    /** The ball that the one hit first meets on its way to a pocket: at its mouth it only brushes past. */
    private static function kissed(Rack $rack, ShotResult $result, ?int $ball): ?int
    {
        if (null === $ball || $ball !== $result->firstHit) {
            return null;
        }
        $meets = $result->eventsOf($ball, EventType::BallBall);
        if (!isset($meets[1]) || $meets[1]->concerns(BallId::CUE)) {
            return null;
        }
        $mouth = self::mouth($rack, $result, $ball);
        $isAtPocket = null !== $mouth && $meets[1]->at->distanceTo($mouth) < Judgement::AT_THE_POCKET;

        return $isAtPocket ? null : array_sum($meets[1]->balls) - $ball;
    }

    /** Middle of the mouth of the pocket that a ball drops in; null where it stays on the table. */
    private static function mouth(Rack $rack, ShotResult $result, int $ball): ?Point
    {
        $pocket = $result->pocketed[$ball] ?? null;

        return null === $pocket ? null : $rack->simulator()->geometry->pocket($pocket)->mouthMiddle();
    }

    /** The ball that the cue ball flies over before it hits one. */
    private static function over(Rack $rack, ShotResult $result): ?int
    {
        $until = $result->eventsOf(BallId::CUE, EventType::BallBall)[0]->time ?? 0.0;
        $diameter = 2 * $rack->simulator()->ball->radius;
        foreach ($result->paths[BallId::CUE] ?? [] as $piece) {
            foreach ($piece->from < $until ? array_diff($rack->layout->objectBalls(), [$result->firstHit]) : [] as $ball) {
                if ($piece->fliesOver($rack->layout->ball($ball), $diameter)) {
                    return $ball;
                }
            }
        }

        return null;
    }

    /** The ball that stands on the straight line to where the cue ball hits one, when it comes off no rail. */
    private static function round(Rack $rack, ShotResult $result): ?int
    {
        $hit = $result->eventsOf(BallId::CUE, EventType::BallBall, EventType::BallCushion)[0] ?? null;
        if (null === $hit || EventType::BallBall !== $hit->type) {
            return null;
        }
        $cue = $rack->layout->ball(BallId::CUE);
        $diameter = 2 * $rack->simulator()->ball->radius;
        foreach (array_diff($rack->layout->objectBalls(), [$result->firstHit]) as $ball) {
            if ($rack->layout->ball($ball)->distanceToLine($cue, $hit->at) < $diameter - self::CURVE) {
                return $ball;
            }
        }

        return null;
    }

    /**
     * The balls between the cue ball and one that drops: who first touched it, and who that.
     *
     * @return list<int>
     */
    private static function links(ShotResult $result, ?int $ball): array
    {
        $links = [];
        while (null !== $ball && $ball !== $result->firstHit) {
            $touched = $result->eventsOf($ball, EventType::BallBall)[0] ?? null;
            $ball = null === $touched ? null : array_sum($touched->balls) - $ball;
            if (null === $ball || BallId::CUE === $ball || \in_array($ball, $links, true)) {
                break;
            }
            array_unshift($links, $ball);
        }

        return $links;
    }

    /** Whether a ball that is not hit first is first touched by the cue ball. */
    private static function isCarom(ShotResult $result, ?int $ball): bool
    {
        $touched = null === $ball || $ball === $result->firstHit ? null : ($result->eventsOf($ball, EventType::BallBall)[0] ?? null);

        return null !== $touched && $touched->concerns(BallId::CUE);
    }

    /**
     * Rails that a ball takes before or after it first meets another.
     *
     * @return list<Rail>
     */
    private static function rails(Rack $rack, ShotResult $result, int $ball, bool $after): array
    {
        $hit = false;
        $rails = [];
        $from = $rack->layout->ball($ball);
        $mouth = self::mouth($rack, $result, $ball);
        foreach ($result->eventsOf($ball, EventType::BallBall, EventType::BallCushion) as $event) {
            if (EventType::BallBall === $event->type) {
                $hit = true;
            } elseif ($after === $hit) {
                $rail = self::railAt($rack, $event->at) ?? Rail::Head;
                $isBank = BallId::CUE === $ball || Judgement::isBank(
                    $from,
                    $event->at,
                    \in_array($rail, [Rail::Left, Rail::Right], true),
                    $mouth,
                );
                // Along a rail a ball may touch it twice.
                if ($isBank && ([] === $rails || $rail !== $rails[array_key_last($rails)])) {
                    $rails[] = $rail;
                }
                $from = $event->at;
            }
        }

        return $rails;
    }
}
