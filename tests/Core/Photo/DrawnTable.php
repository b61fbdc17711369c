<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Photo;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\PocketShape;
use ZigLane\Core\Equipment\TableGeometry;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Photo\PhotoCamera;
use ZigLane\Core\Photo\Picture;
use ZigLane\Core\Photo\Space;
use ZigLane\Core\Photo\TapModel;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Settings\Defaults;

/**
 * A picture of a known table from a known place, drawn by following the ray of each pixel: cloth, rails with their overhanging noses, pockets,
 * shaded balls with plates, bands, highlights and soft shadows. Pixels are worked out when they are asked for, each from several rays, with noise.
 */
final class DrawnTable implements Picture
{
    private const RAYS = 3;
    private const RAIL = 0.14;
    private const COLOURS = [
        1 => [243, 194, 43], [42, 98, 216], [217, 58, 48], [109, 59, 176], [238, 122, 28], [31, 138, 77], [138, 36, 50], [24, 28, 34],
    ];

    /** @var array<int, int> */
    private array $drawn = [];

    /** @var array<int, array{array{float, float, float}, array{float, float, float}}> axes of the band and of the plate, by ball */
    private array $turned = [];

    private readonly float $nose;

    /** @param array{int, int, int} $cloth */
    public function __construct(
        public readonly PhotoCamera $camera,
        private readonly TableGeometry $geometry,
        private readonly Layout $layout,
        private readonly Generator $random,
        private readonly array $cloth = [36, 120, 92],
        private readonly float $noise = 3.0,
        private readonly int $rays = self::RAYS,
    ) {
        $this->nose = TapModel::nose($geometry);
        foreach (array_keys($layout->balls) as $ball) {
            $this->turned[$ball] = [self::anyWay($random), self::anyWay($random)];
        }
    }

    public function width(): int
    {
        return $this->camera->width;
    }

    public function height(): int
    {
        return $this->camera->height;
    }

    public function at(int $x, int $y): array
    {
        $key = $y * $this->camera->width + $x;
        if (isset($this->drawn[$key])) {
            $pixel = $this->drawn[$key];

            return [$pixel >> 16, $pixel >> 8 & 255, $pixel & 255];
        }
        $sum = [0.0, 0.0, 0.0];
        for ($i = 0; $i < $this->rays; ++$i) {
            for ($k = 0; $k < $this->rays; ++$k) {
                $seen = $this->along($this->camera->ray($x + ($i + 0.5) / $this->rays, $y + ($k + 0.5) / $this->rays));
                foreach ($seen as $c => $value) {
                    $sum[$c] += $value;
                }
            }
        }
        $pixel = [];
        foreach ($sum as $value) {
            $pixel[] = (int) round(max(0.0, min(255.0, $value / $this->rays ** 2 + $this->noise * $this->random->normal())));
        }

        $this->drawn[$key] = $pixel[0] << 16 | $pixel[1] << 8 | $pixel[2];

        return [$pixel[0], $pixel[1], $pixel[2]];
    }

    /**
     * @param array{float, float, float} $ray
     *
     * @return array{float, float, float}
     */
    private function along(array $ray): array
    {
        [$px, $py, $pz] = $this->camera->position;
        [$dx, $dy, $dz] = Space::unit($ray);
        $nearest = \INF;
        $hit = null;
        $r = Defaults::BALL_RADIUS;
        foreach ($this->layout->balls as $ball => $place) {
            $ox = $px - $place->x;
            $oy = $py + $place->y;
            $oz = $pz - $r;
            $b = $ox * $dx + $oy * $dy + $oz * $dz;
            $under = $b * $b - ($ox * $ox + $oy * $oy + $oz * $oz - $r * $r);
            if ($under > 0.0 && -$b - sqrt($under) > 0.0 && -$b - sqrt($under) < $nearest) {
                $nearest = -$b - sqrt($under);
                $hit = [$ball, [($ox + $nearest * $dx) / $r, ($oy + $nearest * $dy) / $r, ($oz + $nearest * $dz) / $r]];
            }
        }
        if ($dz < -1e-6) {
            $t = ($this->nose - $pz) / $dz;
            $rail = new Point($px + $t * $dx, -($py + $t * $dy));
            if ($t < $nearest && null !== $colour = $this->rail($rail)) {
                return $colour;
            }
        }
        if (null !== $hit) {
            return $this->ball($hit[0], $hit[1], [$dx, $dy, $dz]);
        }
        if ($dz > -1e-6) {
            return [96.0, 92.0, 90.0];
        }
        $t = -$pz / $dz;

        return $this->below(new Point($px + $t * $dx, -($py + $t * $dy)));
    }

    /** @return array{float, float, float}|null null where there is none */
    private function rail(Point $p): ?array
    {
        $g = $this->geometry;
        $out = max(-$p->x, $p->x - $g->length, -$p->y, $p->y - $g->width);
        if ($out < 0.0 || $out > self::RAIL) {
            return null;
        }
        foreach ($g->pockets as $pocket) {
            if ($p->distanceTo($pocket->mouthMiddle()) < 0.2 && self::opens($pocket, $p) && $p->distanceTo($pocket->dropCentre) < 0.085 + $pocket->dropRadius) {
                return null;
            }
        }

        return $out < 0.045 ? [0.8 * $this->cloth[0], 0.8 * $this->cloth[1], 0.8 * $this->cloth[2]] : [112.0, 74.0, 44.0];
    }

    private static function opens(PocketShape $pocket, Point $p): bool
    {
        $middle = $pocket->mouthMiddle();
        foreach ([[$pocket->tipA, $pocket->facingA], [$pocket->tipB, $pocket->facingB]] as [$tip, $facing]) {
            $side = static fn(Point $q): float => ($q->x - $tip->x) * $facing[1] - ($q->y - $tip->y) * $facing[0];
            if ($side($p) * $side($middle) < 0.0) {
                return false;
            }
        }

        return true;
    }

    /** @return array{float, float, float} */
    private function below(Point $p): array
    {
        $g = $this->geometry;
        foreach ($g->pockets as $pocket) {
            if ($p->distanceTo($pocket->dropCentre) < $pocket->dropRadius) {
                return [12.0, 12.0, 14.0];
            }
        }
        if ($p->x < -0.08 || $p->y < -0.08 || $p->x > $g->length + 0.08 || $p->y > $g->width + 0.08) {
            return [96.0, 92.0, 90.0];
        }
        $light = 1.0;
        foreach ($this->layout->balls as $place) {
            // A lamp a little to one side: the shadow is soft and not quite below.
            $far = hypot($p->x - $place->x - 0.006, $p->y - $place->y + 0.004) / Defaults::BALL_RADIUS;
            $light *= 1.0 - 0.55 * exp(-0.5 * ($far / 0.9) ** 2);
        }

        return [$light * $this->cloth[0], $light * $this->cloth[1], $light * $this->cloth[2]];
    }

    /**
     * @param array{float, float, float} $at  on the ball, from its middle, in radii
     * @param array{float, float, float} $way of the ray
     *
     * @return array{float, float, float}
     */
    private function ball(int $ball, array $at, array $way): array
    {
        [$band, $plate] = $this->turned[$ball];
        $white = [238.0, 234.0, 222.0];
        $colour = match (true) {
            BallId::CUE === $ball => $white,
            Space::dot($at, $plate) > 0.9 => $white,
            $ball <= 8 || abs(Space::dot($at, $band)) < 0.55 => self::COLOURS[($ball - 1) % 8 + 1],
            default => $white,
        };
        $lamp = [0.15, -0.1, 0.98];
        $light = 0.42 + 0.62 * max(0.0, Space::dot($at, $lamp));
        $bounce = 2 * Space::dot($at, $way);
        $mirror = [$way[0] - $bounce * $at[0], $way[1] - $bounce * $at[1], $way[2] - $bounce * $at[2]];
        $shine = 170.0 * max(0.0, Space::dot($mirror, $lamp)) ** 60;

        return [$light * $colour[0] + $shine, $light * $colour[1] + $shine, $light * $colour[2] + $shine];
    }

    /** @return array{float, float, float} */
    private static function anyWay(Generator $random): array
    {
        return Space::unit([$random->normal(), $random->normal(), $random->normal()]);
    }
}
