<?php

declare(strict_types=1);

namespace ZigLane\Core\Decision;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Equipment\Rail;
use ZigLane\Core\Geometry\Angle;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\EventType;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\ShotResult;
use ZigLane\Core\Rack\Rack;

/**
 * What a stroke does when nothing goes wrong, as a player would tell it.
 */
final readonly class SafetyFacts
{
    /** A ball nearer to the nose than this lies at the rail, m. */
    private const AT_RAIL = 0.03;

    /** Balls that lie further apart than this are far apart, as a share of the table's length. */
    private const FAR = 0.6;

    /**
     * @param int|null            $first    ball that is hit first
     * @param float               $aside    how it is hit: 0 full, −1 thin on its left, 1 thin on its right, as the player sees it
     * @param list<Rail>          $rails    that the cue ball takes after it
     * @param list<Rail>          $before   and before it
     * @param array<int, Pocket> $pocketed by ball
     * @param list<Rail>         $banked   rails that the first of those takes
     * @param bool                $carom    whether the cue ball goes off the first ball into what is pocketed
     * @param int|null            $behind   ball that the cue ball ends up hidden behind
     * @param Rail|null           $atRail   rail that it ends up at
     * @param bool                $far      whether it ends up far from the ball that comes next
     */
    private function __construct(
        public ?int $first,
        public float $aside,
        public array $rails,
        public array $before,
        public array $pocketed,
        public array $banked,
        public bool $carom,
        public ?int $behind,
        public ?Rail $atRail,
        public bool $far,
    ) {}

    /** @param Rack $rack as it is played from */
    public static function of(Rack $rack, Tried $tried): self
    {
        $simulator = $rack->simulator();
        $result = $simulator->play($rack->layout, Shot::of($tried->stroke));
        $pocketed = array_diff_key($result->pocketed, [BallId::CUE => true]);
        $cue = $result->scratched() ? null : $result->final->ball(BallId::CUE);
        $next = null === $cue ? null : self::next($rack, $result);
        $ball = array_key_first($pocketed);

        return new self(
            $result->firstHit,
            self::hit($rack, $result),
            self::rails($rack, $result, BallId::CUE, after: true),
            self::rails($rack, $result, BallId::CUE, after: false),
            $pocketed,
            null === $ball ? [] : self::rails($rack, $result, $ball, after: true),
            self::isCarom($result, $ball),
            null === $next ? null : self::hiding($rack, $result, $next),
            null === $cue ? null : self::railAt($rack, $cue),
            null !== $cue && null !== $next
                && $cue->distanceTo($result->final->ball($next)) > self::FAR * $simulator->geometry->length,
        );
    }

    /** The ball that the other player comes to: of those that may be hit first the one that is seen best; null when there is none. */
    private static function next(Rack $rack, ShotResult $result): ?int
    {
        $rules = (null === $rack->group ? $rack : $rack->withGroup($rack->group->other()))->rules();
        $diameter = 2 * $rack->simulator()->ball->radius;
        $next = null;
        $most = -1.0;
        foreach ($rules->legalTargets($result->final) as $ball) {
            $seen = Sight::of($result->final, $ball, $diameter);
            if ($seen > $most) {
                [$next, $most] = [$ball, $seen];
            }
        }

        return $next;
    }

    /** How the first ball is hit, −1 … 1. */
    private static function hit(Rack $rack, ShotResult $result): float
    {
        foreach ($result->eventsOf(BallId::CUE, EventType::BallBall) as $event) {
            foreach (array_reverse($result->paths[BallId::CUE] ?? []) as $piece) {
                if ($piece->from < $event->time) {
                    $time = $event->time - $piece->from;
                    $way = atan2($piece->vy + $piece->ay * $time, $piece->vx + $piece->ax * $time);
                    $ball = $rack->layout->ball(array_sum($event->balls));
                    $aside = Angle::wrap($piece->at($event->time)->angleTo($ball) - $way);

                    return -sin($aside);
                }
            }
        }

        return 0.0;
    }

    /** Whether a ball that is not hit first is first touched by the cue ball. */
    private static function isCarom(ShotResult $result, ?int $ball): bool
    {
        $touched = null === $ball || $ball === $result->firstHit ? null : ($result->eventsOf($ball, EventType::BallBall)[0] ?? null);

        return null !== $touched && $touched->concerns(BallId::CUE);
    }

    /** The rail that a place lies at; null when it is none's. */
    private static function railAt(Rack $rack, Point $place): ?Rail
    {
        $geometry = $rack->simulator()->geometry;
        $gaps = [
            Rail::Head->value => $place->x,
            Rail::Foot->value => $geometry->length - $place->x,
            Rail::Left->value => $place->y,
            Rail::Right->value => $geometry->width - $place->y,
        ];
        asort($gaps);
        $nearest = (string) array_key_first($gaps);

        return $gaps[$nearest] < $geometry->reach + self::AT_RAIL ? Rail::from($nearest) : null;
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
        foreach ($result->eventsOf($ball, EventType::BallBall, EventType::BallCushion) as $event) {
            if (EventType::BallBall === $event->type) {
                $hit = true;
            } elseif ($after === $hit) {
                $rails[] = self::railAt($rack, $event->at) ?? Rail::Head;
            }
        }

        return $rails;
    }

    /** The ball that stands on the straight line to the next one, where that cannot be hit. */
    private static function hiding(Rack $rack, ShotResult $result, int $next): ?int
    {
        $diameter = 2 * $rack->simulator()->ball->radius;
        if (Sight::of($result->final, $next, $diameter) > 0.0) {
            return null;
        }
        $cue = $result->final->ball(BallId::CUE);
        $nearest = null;
        foreach ($result->final->objectBalls() as $ball) {
            $place = $result->final->ball($ball);
            $aside = abs(Angle::wrap($cue->angleTo($place) - $cue->angleTo($result->final->ball($next)))) * $cue->distanceTo($place);
            if ($ball !== $next && $aside < 2 * $diameter && (null === $nearest || $cue->distanceTo($place) < $nearest[1])) {
                $nearest = [$ball, $cue->distanceTo($place)];
            }
        }

        return $nearest[0] ?? null;
    }
}
