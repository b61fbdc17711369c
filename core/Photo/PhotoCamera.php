<?php

declare(strict_types=1);

namespace ZigLane\Core\Photo;

use ZigLane\Core\Geometry\Point;

/**
 * The camera that took a picture: where it was, how it was held, and its lens. A pinhole with one term of radial distortion.
 *
 * Places are those of the table, m, with the height above the cloth; pictures are measured in px from the upper left corner. Inside, y is
 * turned about so that the axes are right-handed.
 *
 * @phpstan-type Axes array{array{float, float, float}, array{float, float, float}, array{float, float, float}}
 */
final readonly class PhotoCamera
{
    /** Passes that undo the distortion; each brings the remaining error down by the distortion itself. */
    private const UNDOING = 12;

    /**
     * @param array{float, float, float} $position x, −y, height, m
     * @param Axes                       $axes     the picture's right, its downward and the view: unit vectors over x, −y, height
     * @param float                      $focal      px
     * @param float                      $distortion share by which a point at 45° from the middle is pushed outward
     * @param int                        $width      px
     * @param int                        $height     px
     */
    public function __construct(
        public array $position,
        public array $axes,
        public float $focal,
        public float $distortion,
        public int $width,
        public int $height,
    ) {}

    /**
     * Where a point is seen.
     *
     * @return array{float, float}|null px; null when it is behind the camera
     */
    public function seen(float $x, float $y, float $height): ?array
    {
        [$right, $down, $view] = $this->axes;
        $dx = $x - $this->position[0];
        $dy = -$y - $this->position[1];
        $dz = $height - $this->position[2];
        $far = $view[0] * $dx + $view[1] * $dy + $view[2] * $dz;
        if ($far < 1e-6) {
            return null;
        }
        $m = ($right[0] * $dx + $right[1] * $dy + $right[2] * $dz) / $far;
        $n = ($down[0] * $dx + $down[1] * $dy + $down[2] * $dz) / $far;
        $scale = $this->focal * (1.0 + $this->distortion * ($m * $m + $n * $n));

        return [$this->width / 2 + $scale * $m, $this->height / 2 + $scale * $n];
    }

    /**
     * The direction in which a point of the picture lies.
     *
     * @return array{float, float, float} over (x, −y, height), not of length 1
     */
    public function ray(float $u, float $v): array
    {
        $m = $um = ($u - $this->width / 2) / $this->focal;
        $n = $vn = ($v - $this->height / 2) / $this->focal;
        for ($pass = 0; $pass < self::UNDOING; ++$pass) {
            $scale = 1.0 / (1.0 + $this->distortion * ($m * $m + $n * $n));
            $m = $um * $scale;
            $n = $vn * $scale;
        }
        [$right, $down, $view] = $this->axes;

        return [
            $m * $right[0] + $n * $down[0] + $view[0],
            $m * $right[1] + $n * $down[1] + $view[1],
            $m * $right[2] + $n * $down[2] + $view[2],
        ];
    }

    /** What lies at that height under a point of the picture; null when nothing does. */
    public function onHeight(float $u, float $v, float $height): ?Point
    {
        $ray = $this->ray($u, $v);
        $down = $height - $this->position[2];
        if (abs($ray[2]) < 1e-9 || $down / $ray[2] <= 0.0) {
            return null;
        }
        $t = $down / $ray[2];

        return new Point($this->position[0] + $t * $ray[0], -($this->position[1] + $t * $ray[1]));
    }

    /** How steeply the camera looks down on a place on the cloth, rad below the horizontal. */
    public function steepness(Point $place): float
    {
        return atan2($this->position[2], hypot($place->x - $this->position[0], -$place->y - $this->position[1]));
    }

    /**
     * A ball's outline as it is seen: the circle in which the cone of sight touches it.
     *
     * @return list<array{float, float}> px; [] when it is not before the camera
     */
    public function outline(Point $place, float $radius, int $points): array
    {
        $to = [$this->position[0] - $place->x, $this->position[1] + $place->y, $this->position[2] - $radius];
        $far = sqrt($to[0] ** 2 + $to[1] ** 2 + $to[2] ** 2);
        if ($far <= 1.01 * $radius) {
            return [];
        }
        $to = Space::unit($to);
        $aside = Space::unit(abs($to[2]) > 0.999 ? [1.0, 0.0, 0.0] : [-$to[1], $to[0], 0.0]);
        $up = Space::cross($to, $aside);
        $nearer = $radius * $radius / $far;
        $wide = $radius * sqrt(1.0 - ($radius / $far) ** 2);
        $seen = [];
        for ($k = 0; $k < $points; ++$k) {
            $c = $wide * cos(2 * M_PI * $k / $points);
            $s = $wide * sin(2 * M_PI * $k / $points);
            $at = $this->seen(
                $place->x + $nearer * $to[0] + $c * $aside[0] + $s * $up[0],
                $place->y - $nearer * $to[1] - $c * $aside[1] - $s * $up[1],
                $radius + $nearer * $to[2] + $c * $aside[2] + $s * $up[2],
            );
            if (null === $at) {
                return [];
            }
            $seen[] = $at;
        }

        return $seen;
    }

    /**
     * Moved and turned a little: for a search.
     *
     * @param list<float> $change three of the place (m), three of the turn (rad, about the picture's right, its downward and the view),
     *                            of the focal length's logarithm, of the distortion
     */
    public function changed(array $change): self
    {
        [$px, $py, $pz, $a, $b, $c, $focal, $distortion] = $change;
        // Rodrigues' turn by the angle |(a, b, c)| about (a, b, c), in the picture's own axes.
        $angle = sqrt($a * $a + $b * $b + $c * $c);
        $sine = $angle > 1e-12 ? sin($angle) / $angle : 1.0;
        $rest = $angle > 1e-6 ? (1.0 - cos($angle)) / ($angle * $angle) : 0.5;
        $turn = [
            [1 - $rest * ($b * $b + $c * $c), $rest * $a * $b - $sine * $c, $rest * $a * $c + $sine * $b],
            [$rest * $a * $b + $sine * $c, 1 - $rest * ($a * $a + $c * $c), $rest * $b * $c - $sine * $a],
            [$rest * $a * $c - $sine * $b, $rest * $b * $c + $sine * $a, 1 - $rest * ($a * $a + $b * $b)],
        ];
        $axis = fn(int $n): array => [
            $turn[$n][0] * $this->axes[0][0] + $turn[$n][1] * $this->axes[1][0] + $turn[$n][2] * $this->axes[2][0],
            $turn[$n][0] * $this->axes[0][1] + $turn[$n][1] * $this->axes[1][1] + $turn[$n][2] * $this->axes[2][1],
            $turn[$n][0] * $this->axes[0][2] + $turn[$n][1] * $this->axes[1][2] + $turn[$n][2] * $this->axes[2][2],
        ];

        return new self(
            [$this->position[0] + $px, $this->position[1] + $py, $this->position[2] + $pz],
            [$axis(0), $axis(1), $axis(2)],
            $this->focal * exp($focal),
            $this->distortion + $distortion,
            $this->width,
            $this->height,
        );
    }
}
