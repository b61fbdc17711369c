<?php

declare(strict_types=1);

namespace ZigLane\Core\Photo;

/**
 * A small square of a picture as plain numbers, for measuring between the pixels.
 */
final readonly class Patch
{
    /**
     * @param list<float> $red
     * @param list<float> $green
     * @param list<float> $blue
     */
    private function __construct(
        private int $left,
        private int $top,
        private int $size,
        private array $red,
        private array $green,
        private array $blue,
    ) {}

    /** What lies up to so many px from a point; beyond the picture's edge its last pixels go on. */
    public static function around(Picture $picture, float $u, float $v, int $reach): self
    {
        $left = (int) floor($u) - $reach;
        $top = (int) floor($v) - $reach;
        $size = 2 * $reach + 1;
        $right = $picture->width() - 1;
        $bottom = $picture->height() - 1;
        $red = $green = $blue = [];
        for ($y = 0; $y < $size; ++$y) {
            for ($x = 0; $x < $size; ++$x) {
                [$r, $g, $b] = $picture->at(max(0, min($right, $left + $x)), max(0, min($bottom, $top + $y)));
                $red[] = (float) $r;
                $green[] = (float) $g;
                $blue[] = (float) $b;
            }
        }

        return new self($left, $top, $size, $red, $green, $blue);
    }

    /**
     * How much the colour changes across a point: between what lies so far before and behind it in a direction, summed over red, green
     * and blue.
     *
     * Pixel (0, 0) of the picture covers 0–1 both ways, so its colour is that at (0.5, 0.5).
     */
    public function change(float $u, float $v, float $nx, float $ny, float $apart): float
    {
        $u -= $this->left + 0.5;
        $v -= $this->top + 0.5;
        $x = $u + $apart * $nx;
        $y = $v + $apart * $ny;
        $p = $u - $apart * $nx;
        $q = $v - $apart * $ny;
        $most = $this->size - 2;
        if ($x < 0 || $y < 0 || $p < 0 || $q < 0 || $x > $most || $y > $most || $p > $most || $q > $most) {
            return 0.0;
        }
        $k = (int) $y * $this->size + (int) $x;
        $x -= (int) $x;
        $y -= (int) $y;
        $a = (1 - $x) * (1 - $y);
        $b = $x * (1 - $y);
        $c = (1 - $x) * $y;
        $d = $x * $y;
        $n = (int) $q * $this->size + (int) $p;
        $p -= (int) $p;
        $q -= (int) $q;
        $e = (1 - $p) * (1 - $q);
        $f = $p * (1 - $q);
        $g = (1 - $p) * $q;
        $h = $p * $q;
        $i = $k + $this->size;
        $m = $n + $this->size;
        $sum = 0.0;
        foreach ([$this->red, $this->green, $this->blue] as $of) {
            $sum += abs(
                $a * $of[$k] + $b * $of[$k + 1] + $c * $of[$i] + $d * $of[$i + 1]
                - $e * $of[$n] - $f * $of[$n + 1] - $g * $of[$m] - $h * $of[$m + 1],
            );
        }

        return $sum;
    }
}
