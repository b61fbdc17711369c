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
    /** Sides of a cell: y low, x high, y high, x low. Each pair of a case keeps what is inside on its left hand. */
    private const PAIRS = [
        1 => [[0, 3]], 2 => [[1, 0]], 3 => [[1, 3]], 4 => [[2, 1]], 5 => [[0, 3], [2, 1]], 6 => [[2, 0]], 7 => [[2, 3]], 8 => [[3, 2]],
        9 => [[0, 2]], 10 => [[1, 0], [3, 2]], 11 => [[1, 2]], 12 => [[3, 1]], 13 => [[0, 1]], 14 => [[3, 0]],
    ];

    /** A saddle whose middle is inside joins the other way. */
    private const JOINED = [5 => [[0, 1], [2, 3]], 10 => [[3, 0], [1, 2]]];

    /** Width of the border of nothing that closes every ring, m. */
    private const HAIR = 1e-4;

    /** @var array<string, Point> by side of a cell */
    private array $points = [];

    /** @var array<string, string> the side that follows on a ring */
    private array $next = [];

    /**
     * @param list<float>       $xs   m
     * @param list<float>       $ys   m
     * @param list<list<float>> $grid by x, then y
     */
    private function __construct(
        private readonly array $xs,
        private readonly array $ys,
        private readonly array $grid,
        private readonly float $level,
    ) {}

    /**
     * @param list<float>       $xs     m, ascending
     * @param list<float>       $ys     m, ascending
     * @param list<list<float>> $values by x, then y; nothing lies outside the grid
     *
     * @return list<list<Point>> outer rings and holes, closed without repeating the first point
     */
    public static function rings(array $xs, array $ys, array $values, float $level): array
    {
        $xs = [$xs[0] - self::HAIR, ...$xs, $xs[\count($xs) - 1] + self::HAIR];
        $ys = [$ys[0] - self::HAIR, ...$ys, $ys[\count($ys) - 1] + self::HAIR];
        $none = array_fill(0, \count($ys), -1.0);
        $columns = array_map(static fn(array $column): array => [-1.0, ...$column, -1.0], $values);
        $contour = new self($xs, $ys, [$none, ...$columns, $none], $level);
        for ($i = 0; $i < \count($xs) - 1; ++$i) {
            for ($j = 0; $j < \count($ys) - 1; ++$j) {
                $contour->cell($i, $j);
            }
        }

        return $contour->joined();
    }

    private function cell(int $i, int $j): void
    {
        $v = [$this->grid[$i][$j], $this->grid[$i + 1][$j], $this->grid[$i + 1][$j + 1], $this->grid[$i][$j + 1]];
        $case = 0;
        foreach ($v as $corner => $value) {
            $case |= $value >= $this->level ? 1 << $corner : 0;
        }
        $middle = array_sum($v) / 4 >= $this->level;
        foreach (($middle ? self::JOINED[$case] ?? null : null) ?? self::PAIRS[$case] ?? [] as [$from, $to]) {
            $side = $this->side($from, $i, $j, $v);
            $this->next[$side] = $this->side($to, $i, $j, $v);
        }
    }

    /**
     * Where the level cuts a side of a cell; its point is kept by the name that is returned.
     *
     * @param array{float, float, float, float} $v values at the corners
     */
    private function side(int $side, int $i, int $j, array $v): string
    {
        $along = 1 !== $side % 2;
        [$a, $b] = match ($side) {
            0 => [0, 1],
            1 => [1, 2],
            2 => [3, 2],
            default => [0, 3],
        };
        [$i, $j] = [$i + (1 === $side ? 1 : 0), $j + (2 === $side ? 1 : 0)];
        $share = ($this->level - $v[$a]) / ($v[$b] - $v[$a]);
        $name = ($along ? 'h' : 'v') . " $i $j";
        $x = $this->xs[$i];
        $y = $this->ys[$j];
        $this->points[$name] = new Point(
            $x + $share * ($along ? $this->xs[$i + 1] - $x : 0.0),
            $y + $share * ($along ? 0.0 : $this->ys[$j + 1] - $y),
        );

        return $name;
    }

    /**
     * @return list<list<Point>>
     */
    private function joined(): array
    {
        $rings = [];
        while ([] !== $this->next) {
            $ring = [];
            for ($key = array_key_first($this->next); isset($this->next[$key]);) {
                $ring[] = $this->points[$key];
                $then = $this->next[$key];
                unset($this->next[$key]);
                $key = $then;
            }
            if (\count($ring) > 2) {
                $rings[] = $ring;
            }
        }

        return $rings;
    }
}
