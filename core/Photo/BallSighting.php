<?php

declare(strict_types=1);

namespace ZigLane\Core\Photo;

use ZigLane\Core\Equipment\Rail;
use ZigLane\Core\Equipment\TableGeometry;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Settings\Defaults;

/**
 * A ball that was pointed at in a picture: where it lies, and how far off that may be.
 */
final readonly class BallSighting
{
    /** A middle pointed at by hand is so far off, in the ball's radii. */
    private const BY_HAND = 0.12;

    /**
     * @param array{float, float}       $seen    its middle in the picture, px
     * @param list<array{float, float}> $outline px
     * @param float                     $circle  m; 95 of 100 lie nearer
     * @param bool                      $found   whether its outline was found near the tap; else the tap itself is taken
     * @param int|null                  $guess   which ball it looks like
     * @param list<Rail>                $rails   that it may be frozen to: offered, never assumed
     */
    private function __construct(
        public array $seen,
        public array $outline,
        public Point $place,
        public float $circle,
        public bool $found,
        public ?int $guess,
        public array $rails,
    ) {}

    /** @throws InvalidInput when no ball can lie where the tap points */
    public static function at(Picture $picture, CameraFit $fit, TableGeometry $geometry, float $u, float $v): self
    {
        if (!($u >= 0 && $u <= $picture->width() && $v >= 0 && $v <= $picture->height())) {
            throw new InvalidInput('at', 'This is outside the picture');
        }
        $found = BallOutline::find($picture, $fit->camera, $u, $v);
        $seen = $found ?? [$u, $v];
        $place = $fit->camera->onHeight($seen[0], $seen[1], Defaults::BALL_RADIUS);
        if (null === $place || $place->distanceTo($geometry->onBed($place)) > 0.1) {
            throw new InvalidInput('at', 'This is not on the table');
        }
        $outline = $fit->camera->outline($place, Defaults::BALL_RADIUS, 32);
        $size = 0.0;
        foreach ($outline as [$x, $y]) {
            $size += hypot($x - $seen[0], $y - $seen[1]) / \count($outline);
        }
        $error = null === $found ? max($fit->tapError, self::BY_HAND * $size) : BallOutline::ERROR;
        $circle = $fit->uncertainty($seen[0], $seen[1], $error);

        return new self(
            $seen,
            $outline,
            $place,
            $circle,
            null !== $found,
            [] === $outline ? null : BallColour::guess($picture, $seen[0], $seen[1], $outline),
            self::near($place, $circle, $geometry),
        );
    }

    /**
     * Rails that its circle reaches.
     *
     * @return list<Rail>
     */
    private static function near(Point $place, float $circle, TableGeometry $geometry): array
    {
        $gaps = [
            [Rail::Head, $place->x - $geometry->reach],
            [Rail::Foot, $geometry->length - $geometry->reach - $place->x],
            [Rail::Left, $place->y - $geometry->reach],
            [Rail::Right, $geometry->width - $geometry->reach - $place->y],
        ];

        return array_values(array_map(
            static fn(array $gap): Rail => $gap[0],
            array_filter($gaps, static fn(array $gap): bool => $gap[1] < $circle),
        ));
    }
}
