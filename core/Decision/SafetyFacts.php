<?php

declare(strict_types=1);

namespace ZigLane\Core\Decision;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Equipment\Rail;
use ZigLane\Core\Geometry\Angle;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\ShotResult;
use ZigLane\Core\Rack\Rack;

/**
 * What a stroke does when nothing goes wrong, as a player would tell it.
 */
final readonly class SafetyFacts
{
    /** Balls that lie further apart than this are far apart, as a share of the table's length. */
    private const FAR = 0.6;

    /**
     * @param int|null            $first    ball that is hit first
     * @param float               $aside    how it is hit: 0 full, −1 thin on its left, 1 thin on its right, as the player sees it
     * @param list<Rail>          $rails    that the cue ball takes after it
     * @param array<int, Pocket> $pocketed by ball
     * @param int|null            $behind   ball that the cue ball ends up hidden behind
     * @param Rail|null           $atRail   rail that it ends up at
     * @param bool                $far      whether it ends up far from the ball that comes next
     */
    private function __construct(
        public ?int $first,
        public float $aside,
        public array $rails,
        public array $pocketed,
        public ShotWay $way,
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
            $result->aside($rack->layout) ?? 0.0,
            ShotWay::railsAfter($rack, $result, BallId::CUE),
            $pocketed,
            ShotWay::of($rack, $result, $ball),
            null === $next ? null : self::hiding($rack, $result, $next),
            null === $cue ? null : ShotWay::railAt($rack, $cue),
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
