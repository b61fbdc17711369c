<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Photo;

use ZigLane\Core\Equipment\TableGeometry;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Photo\NoseTip;
use ZigLane\Core\Photo\PhotoCamera;
use ZigLane\Core\Photo\Space;
use ZigLane\Core\Photo\TapModel;
use ZigLane\Core\Photo\Taps;

/**
 * Phones held over a table: from every side, turned a little, with lenses that bend a little.
 */
final class CameraPlaces
{
    public const WIDTH = 1600;
    public const HEIGHT = 1200;

    private function __construct() {}

    /** A phone that sees the whole table and looks down on its middle between the two angles (degrees). */
    public static function any(Generator $random, TableGeometry $geometry, float $lowest = 21.0, float $highest = 41.0): PhotoCamera
    {
        $middle = new Point($geometry->length / 2, $geometry->width / 2);
        for (;;) {
            $back = $random->between(0.3, 1.6);
            $across = $random->between(0.0, $geometry->width);
            $along = $random->between(0.4, $geometry->length - 0.4);
            $from = match ($random->integer(0, 3)) {
                0 => new Point(-$back, $across),
                1 => new Point($geometry->length + $back, $across),
                2 => new Point($along, -$back),
                default => new Point($along, $geometry->width + $back),
            };
            $camera = self::lookingAt(
                $from,
                $random->between(0.4, 1.6),
                $middle,
                self::WIDTH * $random->between(0.6, 0.9),
                self::WIDTH,
                self::HEIGHT,
                0.05 * $random->normal(),
                0.03 * $random->normal(),
            );
            $steep = rad2deg($camera->steepness($middle));
            if ($steep > $lowest && $steep < $highest && 12 === \count(self::taps($camera, $geometry, 12)->at)) {
                return $camera;
            }
        }
    }

    /** A camera at a place that looks at a point of the cloth, held level, then turned about the view by $roll (rad). */
    public static function lookingAt(Point $from, float $high, Point $at, float $focal, int $width, int $height, float $roll = 0.0, float $distortion = 0.0): PhotoCamera
    {
        $view = Space::unit([$at->x - $from->x, $from->y - $at->y, -$high]);
        $right = Space::unit([$view[1], -$view[0], 0.0]);
        $down = Space::cross($view, $right);
        $turned = static fn(float $c, float $s): array => Space::unit([
            $c * $right[0] + $s * $down[0], $c * $right[1] + $s * $down[1], $c * $right[2] + $s * $down[2],
        ]);

        return new PhotoCamera(
            [$from->x, -$from->y, $high],
            [$turned(cos($roll), sin($roll)), $turned(-sin($roll), cos($roll)), $view],
            $focal,
            $distortion,
            $width,
            $height,
        );
    }

    /** The first tips as the camera sees them, each pointed at with an error of so many px; those outside the picture are left out. */
    public static function taps(PhotoCamera $camera, TableGeometry $geometry, int $many, ?Generator $random = null, float $error = 0.0): Taps
    {
        $at = [];
        foreach (\array_slice(NoseTip::all(), 0, $many) as $tip) {
            $place = $tip->place($geometry);
            $seen = $camera->seen($place->x, $place->y, TapModel::nose($geometry));
            if (null === $seen) {
                continue;
            }
            $u = $seen[0] + (null === $random ? 0.0 : $error * $random->normal());
            $v = $seen[1] + (null === $random ? 0.0 : $error * $random->normal());
            if ($u > 40 && $v > 40 && $u < $camera->width - 40 && $v < $camera->height - 40) {
                $at[$tip->name()] = [$u, $v];
            }
        }

        return new Taps($camera->width, $camera->height, $at);
    }

    /** Balls that lie anywhere, none in another. */
    public static function place(Generator $random, TableGeometry $geometry): Point
    {
        return new Point(
            $random->between($geometry->reach, $geometry->length - $geometry->reach),
            $random->between($geometry->reach, $geometry->width - $geometry->reach),
        );
    }
}
