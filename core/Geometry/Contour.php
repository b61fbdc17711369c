<?php

declare(strict_types=1);

namespace ZigLane\Core\Geometry;

/**
 * Closed lines around what is at least so high on a grid: marching squares, edges cut by linear interpolation.
 *
 * After W. E. Lorensen and H. E. Cline, "Marching cubes: a high resolution 3D surface construction algorithm", Computer
 * Graphics 21, 1987, in the plane; a saddle is settled by its middle.
 *
 * @internal
 */
final class Contour
{
    private function __construct() {}

    /**
     * @param list<float>       $xs     m, ascending
     * @param list<float>       $ys     m, ascending
     * @param list<list<float>> $values by x, then y; nothing lies outside the grid
     *
     * @return list<list<Point>> outer rings and holes, closed without repeating the first point
     */
    public static function rings(array $xs, array $ys, array $values, float $level): array
    {
        // A border of nothing closes every ring.
        $hair = 1e-4;
        $xs = [$xs[0] - $hair, ...$xs, $xs[\count($xs) - 1] + $hair];
        $ys = [$ys[0] - $hair, ...$ys, $ys[\count($ys) - 1] + $hair];
        $none = array_fill(0, \count($ys), -1.0);
        $grid = [$none];
        foreach ($values as $column) {
            $grid[] = [-1.0, ...$column, -1.0];
        }
        $grid[] = $none;
        $next = [];
        $points = [];
        $nx = \count($xs) - 1;
        $ny = \count($ys) - 1;
        for ($i = 0; $i < $nx; ++$i) {
            for ($j = 0; $j < $ny; ++$j) {
                $v = [$grid[$i][$j], $grid[$i + 1][$j], $grid[$i + 1][$j + 1], $grid[$i][$j + 1]];
                $case = ($v[0] >= $level ? 1 : 0) | ($v[1] >= $level ? 2 : 0) | ($v[2] >= $level ? 4 : 0) | ($v[3] >= $level ? 8 : 0);
                if (0 === $case || 15 === $case) {
                    continue;
                }
                $middle = array_sum($v) / 4 >= $level;
                // Sides: 0 below (y low), 1 right, 2 above, 3 left; each pair keeps what is inside on its left hand.
                $pairs = match ($case) {
                    1 => [[0, 3]], 2 => [[1, 0]], 3 => [[1, 3]], 4 => [[2, 1]],
                    5 => $middle ? [[0, 1], [2, 3]] : [[0, 3], [2, 1]],
                    6 => [[2, 0]], 7 => [[2, 3]], 8 => [[3, 2]], 9 => [[0, 2]],
                    10 => $middle ? [[3, 0], [1, 2]] : [[1, 0], [3, 2]],
                    11 => [[1, 2]], 12 => [[3, 1]], 13 => [[0, 1]], 14 => [[3, 0]],
                };
                foreach ($pairs as [$from, $to]) {
                    [$a, $at] = self::side($from, $i, $j, $xs, $ys, $v, $level);
                    [$b, $there] = self::side($to, $i, $j, $xs, $ys, $v, $level);
                    $points[$a] = $at;
                    $points[$b] = $there;
                    $next[$a] = $b;
                }
            }
        }
        $rings = [];
        while ([] !== $next) {
            $start = array_key_first($next);
            $ring = [];
            for ($key = $start; isset($next[$key]);) {
                $ring[] = $points[$key];
                $then = $next[$key];
                unset($next[$key]);
                $key = $then;
            }
            if (\count($ring) > 2) {
                $rings[] = $ring;
            }
        }

        return $rings;
    }

    /**
     * @param list<float>                       $xs
     * @param list<float>                       $ys
     * @param array{float, float, float, float} $v
     *
     * @return array{string, Point}
     */
    private static function side(int $side, int $i, int $j, array $xs, array $ys, array $v, float $level): array
    {
        [$key, $p, $q, $x0, $y0, $x1, $y1] = match ($side) {
            0 => ["h $i $j", $v[0], $v[1], $xs[$i], $ys[$j], $xs[$i + 1], $ys[$j]],
            1 => ['v ' . ($i + 1) . " $j", $v[1], $v[2], $xs[$i + 1], $ys[$j], $xs[$i + 1], $ys[$j + 1]],
            2 => ["h $i " . ($j + 1), $v[3], $v[2], $xs[$i], $ys[$j + 1], $xs[$i + 1], $ys[$j + 1]],
            default => ["v $i $j", $v[0], $v[3], $xs[$i], $ys[$j], $xs[$i], $ys[$j + 1]],
        };
        $share = ($level - $p) / ($q - $p);

        return [$key, new Point($x0 + $share * ($x1 - $x0), $y0 + $share * ($y1 - $y0))];
    }
}
