<?php

declare(strict_types=1);

namespace ZigLane\Core\Rack;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Settings\Defaults;

/**
 * Balls put where a camera or a picture says that they lie. A measurement errs by millimetres: what is read a little into a rail or into
 * another ball touches it.
 */
final class MeasuredPlaces
{
    /** Gap that balls are put apart by which are read to lie in each other, m. */
    private const HAIR = 1e-6;

    private function __construct() {}

    /**
     * A rack with these balls on its table and no others.
     *
     * @param array<int, Point> $balls
     *
     * @throws InvalidInput without a cue ball, with a ball that is not of the game, or when they cannot lie so
     */
    public static function laid(Rack $rack, array $balls): Rack
    {
        if (!isset($balls[BallId::CUE])) {
            throw new InvalidInput('', 'the cue ball is not among them');
        }
        $strangers = array_diff(array_keys($balls), [BallId::CUE, ...$rack->rules()->rack()]);
        if ([] !== $strangers) {
            throw new InvalidInput('', \sprintf('the %d is no ball of %s', array_values($strangers)[0], $rack->game->value));
        }
        // One by one, so that each has a place among those before it.
        $geometry = $rack->simulator()->geometry;
        $layout = new Layout([]);
        foreach ($balls as $ball => $place) {
            $layout = $layout->with($ball, self::apart($layout, $geometry->canRest($place) ? $place : $geometry->onBed($place)));
        }
        Playable::assert($layout, $rack->table);

        return $rack->withLayout($layout)->withBallInHand(false);
    }

    /** A place a hair outside the balls that it is read to lie in. */
    private static function apart(Layout $layout, Point $place): Point
    {
        $width = 2 * Defaults::BALL_RADIUS;
        foreach ($layout->balls as $other) {
            $far = $place->distanceTo($other);
            if ($far < $width && $far > 0.0) {
                $place = $other->toward($other->angleTo($place), $width + self::HAIR);
            }
        }

        return $place;
    }
}
