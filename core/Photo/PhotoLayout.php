<?php

declare(strict_types=1);

namespace ZigLane\Core\Photo;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Rack\MeasuredPlaces;
use ZigLane\Core\Rack\Placement;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Settings\Defaults;

/**
 * Puts the balls of a picture on a rack's table.
 */
final class PhotoLayout
{
    private function __construct() {}

    /**
     * A rack with these balls on its table and no others; what is said to touch, touches.
     *
     * @param list<ConfirmedBall> $balls
     *
     * @throws InvalidInput when a ball is there twice, none touches what is said, or they cannot lie so
     */
    public static function laid(Rack $rack, array $balls): Rack
    {
        $placement = new Placement($rack->table);
        $places = [];
        foreach ($balls as $ball) {
            if (isset($places[$ball->ball])) {
                throw new InvalidInput('', \sprintf('the %s lies in two places', BallId::spoken($ball->ball)));
            }
            $places[$ball->ball] = null === $ball->rail ? $ball->place : $placement->frozen($ball->place, $ball->rail);
        }
        foreach ($balls as $ball) {
            if (null !== $ball->touches) {
                $places[$ball->ball] = self::touching($places, $ball);
            }
        }
        ksort($places);

        return MeasuredPlaces::laid($rack, $places);
    }

    /**
     * @param array<int, Point> $places
     *
     * @throws InvalidInput
     */
    private static function touching(array $places, ConfirmedBall $ball): Point
    {
        $place = $places[$ball->ball];
        $touches = $ball->touches ?? BallId::CUE;
        $other = $places[$touches] ?? null;
        if (null === $other || $touches === $ball->ball || 0.0 === $other->distanceTo($place)) {
            throw new InvalidInput('', \sprintf('the %s cannot touch a ball that is not there', BallId::spoken($ball->ball)));
        }
        if (null === $ball->rail) {
            return $other->toward($other->angleTo($place), 2 * Defaults::BALL_RADIUS);
        }
        // Along the rail that it is frozen to.
        $along = \in_array($ball->rail->value, ['left', 'right'], true);
        $aside = $along ? $place->y - $other->y : $place->x - $other->x;
        $rest = 4 * Defaults::BALL_RADIUS ** 2 - $aside * $aside;
        if ($rest < 0.0) {
            $names = [BallId::spoken($ball->ball), BallId::spoken($touches)];

            throw new InvalidInput('', \sprintf('the %s cannot touch the rail and the %s', ...$names));
        }
        $far = sqrt($rest);

        return $along
            ? new Point($other->x + ($place->x < $other->x ? -$far : $far), $place->y)
            : new Point($place->x, $other->y + ($place->y < $other->y ? -$far : $far));
    }
}
