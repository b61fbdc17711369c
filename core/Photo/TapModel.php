<?php

declare(strict_types=1);

namespace ZigLane\Core\Photo;

use ZigLane\Core\Equipment\TableGeometry;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Numerics\LinearSystem;
use ZigLane\Core\Settings\Defaults;

/**
 * Tips with known places and where they were pointed at: what a camera would have to see, and a first camera that nearly does.
 */
final readonly class TapModel
{
    /** A tip under the magnifier is pointed at to so many px of a picture this wide; it grows with the picture. */
    private const TAP_ERROR = 1.2;
    private const TAP_ERROR_WIDTH = 1600.0;

    /** A phone's focal length in the picture's longer side, and how far its logarithm and the distortion are believed to be off. */
    private const FOCAL = 0.72;
    private const FOCAL_SPREAD = 0.35;
    private const DISTORTION_SPREAD = 0.04;

    /** Of one pointed-at tip, px, one standard deviation. */
    public float $error;

    /** Height of the noses above the cloth, m. */
    public float $nose;

    /** Longer side of the picture, px. */
    private int $size;

    /** @var array<string, Point> by name */
    public array $tips;

    /** @throws InvalidInput for a tip that there is not */
    public function __construct(public Taps $taps, private TableGeometry $geometry)
    {
        $this->size = max($taps->width, $taps->height);
        $this->error = self::TAP_ERROR * $this->size / self::TAP_ERROR_WIDTH;
        $this->nose = self::nose($geometry);
        $tips = [];
        foreach (array_keys($taps->at) as $name) {
            $tips[$name] = (NoseTip::named($name) ?? throw new InvalidInput("tips.$name", 'There is no such tip'))->place($geometry);
        }
        $this->tips = $tips;
    }

    /** Height of the noses above the cloth, m. */
    public static function nose(TableGeometry $geometry): float
    {
        return 2 * Defaults::BALL_RADIUS * $geometry->table->cushion->noseHeight;
    }

    /**
     * What a camera misses the taps by, and what is believed of lenses, each in its own standard deviations.
     *
     * @return list<float>
     */
    public function residuals(PhotoCamera $camera): array
    {
        $residuals = [];
        foreach ($this->tips as $name => $tip) {
            // What a camera cannot see is far outside the picture.
            $seen = $camera->seen($tip->x, $tip->y, $this->nose) ?? [1e5, 1e5];
            $residuals[] = ($seen[0] - $this->taps->at[$name][0]) / $this->error;
            $residuals[] = ($seen[1] - $this->taps->at[$name][1]) / $this->error;
        }
        $residuals[] = log($camera->focal / (self::FOCAL * $this->size)) / self::FOCAL_SPREAD;
        $residuals[] = $camera->distortion / self::DISTORTION_SPREAD;

        return $residuals;
    }

    /**
     * The mapping of the noses' plane (m from the table's middle, y turned about) to the picture (in its longer side, from its middle).
     *
     * @return list<float> eight of its nine numbers, the ninth is 1
     *
     * @throws \DomainException when the tips do not tell it
     */
    public function mapping(): array
    {
        $curve = array_fill(0, 8, array_fill(0, 8, 0.0));
        $slope = array_fill(0, 8, 0.0);
        foreach ($this->tips as $name => $tip) {
            $x = $tip->x - $this->geometry->length / 2;
            $y = $this->geometry->width / 2 - $tip->y;
            $u = ($this->taps->at[$name][0] - $this->taps->width / 2) / $this->size;
            $v = ($this->taps->at[$name][1] - $this->taps->height / 2) / $this->size;
            $rows = [[[$x, $y, 1.0, 0.0, 0.0, 0.0, -$u * $x, -$u * $y], $u], [[0.0, 0.0, 0.0, $x, $y, 1.0, -$v * $x, -$v * $y], $v]];
            foreach ($rows as [$row, $value]) {
                foreach ($row as $i => $a) {
                    foreach ($row as $k => $b) {
                        $curve[$i][$k] += $a * $b;
                    }
                    $slope[$i] += $a * $value;
                }
            }
        }

        return LinearSystem::solve($curve, $slope);
    }

    /**
     * The camera of a mapping, if its focal length were this (in the picture's longer side).
     *
     * @param list<float> $h mapping()
     *
     * @throws \DomainException when there is none
     */
    public function start(array $h, float $focal): PhotoCamera
    {
        $first = [$h[0] / $focal, $h[3] / $focal, $h[6]];
        $second = [$h[1] / $focal, $h[4] / $focal, $h[7]];
        $place = [$h[2] / $focal, $h[5] / $focal, 1.0];
        if (Space::length($first) < 1e-9 || Space::length($second) < 1e-9) {
            throw new \DomainException('The mapping has no size.');
        }
        $size = 2.0 / (Space::length($first) + Space::length($second));
        $a = Space::unit($first);
        $along = Space::dot($a, $second);
        $b = [$second[0] - $along * $a[0], $second[1] - $along * $a[1], $second[2] - $along * $a[2]];
        if (Space::length($b) < 1e-9) {
            throw new \DomainException('The mapping is flat.');
        }
        $b = Space::unit($b);
        $c = Space::cross($a, $b);

        return new PhotoCamera(
            [
                $this->geometry->length / 2 - $size * Space::dot($a, $place),
                -$this->geometry->width / 2 - $size * Space::dot($b, $place),
                $this->nose - $size * Space::dot($c, $place),
            ],
            [[$a[0], $b[0], $c[0]], [$a[1], $b[1], $c[1]], [$a[2], $b[2], $c[2]]],
            $focal * $this->size,
            0.0,
            $this->taps->width,
            $this->taps->height,
        );
    }
}
