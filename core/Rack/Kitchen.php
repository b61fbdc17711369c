<?php

declare(strict_types=1);

namespace ZigLane\Core\Rack;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\EventType;
use ZigLane\Core\Physics\ShotResult;

/**
 * The kitchen, which lies between the head string and the head rail. With the ball in hand there, a ball beyond the head string must be
 * hit first; where every ball that may be hit lies in the kitchen, the nearest to the head string is spotted (WPA rules, from memory).
 */
final class Kitchen
{
    /** The head string crosses the table a quarter of its length from the head rail. */
    private const SHARE = 0.25;

    private function __construct() {}

    /** Whether the centre of a ball lies behind the head string. */
    public static function has(Table $table, Point $place): bool
    {
        return $place->x < self::SHARE * $table->length();
    }

    /** Whether a ball may not be hit first because it lies in the kitchen, from where the cue ball is played. */
    public static function guards(Rack $rack, int $ball): bool
    {
        return $rack->kitchen && self::has($rack->table, $rack->layout->ball($ball));
    }

    /**
     * @return list<int> balls that may be hit first, ascending
     */
    public static function targets(Rack $rack): array
    {
        $legal = $rack->rules()->legalTargets($rack->layout);

        return $rack->kitchen ? array_values(array_filter($legal, static fn(int $ball): bool => !self::guards($rack, $ball))) : $legal;
    }

    /** The rack with a ball spotted where every ball that may be hit first lies in the kitchen. */
    public static function opened(Rack $rack): Rack
    {
        if (!$rack->kitchen || [] !== self::targets($rack)) {
            return $rack;
        }
        $legal = $rack->rules()->legalTargets($rack->layout);
        usort($legal, static fn(int $a, int $b): int => $rack->layout->ball($b)->x <=> $rack->layout->ball($a)->x);
        if ([] === $legal) {
            return $rack;
        }

        return $rack->withLayout(Spotting::back($rack->simulator(), $rack->layout->without($legal[0]), [$legal[0]]));
    }

    /** Whether a shot from the kitchen hits a ball in it before the cue ball has been to the other rails. */
    public static function isLeftWrongly(Rack $rack, ShotResult $result): bool
    {
        if (null === $result->firstHit || !self::guards($rack, $result->firstHit)) {
            return false;
        }
        foreach ($result->events as $event) {
            if (EventType::BallBall === $event->type) {
                return true;
            }
            $isRail = \in_array(BallId::CUE, $event->balls, true) && EventType::BallCushion === $event->type;
            if ($isRail && !self::has($rack->table, $event->at)) {
                return false;
            }
        }

        return true;
    }
}
