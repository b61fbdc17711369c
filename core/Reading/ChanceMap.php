<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading;

use ZigLane\Core\Geometry\Contour;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Geometry\Region;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Potting\PotChance;

/**
 * The chance of one pot from every place of the cue ball, with the reading stroke: worked out on a coarse grid, and on one
 * twice as fine where it matters, along the lines that are asked for and the edges of what is blocked.
 */
final readonly class ChanceMap
{
    /** Cells of the coarse grid along and across. */
    private const LONG = 32;
    private const ACROSS = 16;

    /** Corners of a cell that differ by more than this call for a closer look, beside the levels themselves. */
    private const STEEP = 0.35;

    /**
     * @param list<float>       $xs     m
     * @param list<float>       $ys     m
     * @param list<list<float>> $values by x, then y
     * @param int               $asked  places worked out
     */
    private function __construct(public array $xs, public array $ys, public array $values, public int $asked) {}

    /**
     * @param non-empty-list<float> $levels lines that will be asked for
     */
    public static function of(Simulator $simulator, PotChance $pot, array $levels): self
    {
        $g = $simulator->geometry;
        $axis = static fn(float $length, int $cells): array => array_map(
            static fn(int $i): float => $g->reach + ($length - 2 * $g->reach) * $i / $cells,
            range(0, $cells),
        );
        $xs = $axis($g->length, 2 * self::LONG);
        $ys = $axis($g->width, 2 * self::ACROSS);
        $values = [];
        $asked = 0;
        $rough = 0.7 * min($levels);
        for ($i = 0; $i <= 2 * self::LONG; $i += 2) {
            for ($j = 0; $j <= 2 * self::ACROSS; $j += 2) {
                $values[$i][$j] = $pot->fromPlace($xs[$i], $ys[$j], $rough)->chance;
                ++$asked;
            }
        }
        $look = static function (int $i, int $j) use (&$values, &$asked, $pot, $xs, $ys, $rough): void {
            if (!isset($values[$i][$j])) {
                $values[$i][$j] = $pot->fromPlace($xs[$i], $ys[$j], $rough)->chance;
                ++$asked;
            }
        };
        for ($i = 0; $i < 2 * self::LONG; $i += 2) {
            for ($j = 0; $j < 2 * self::ACROSS; $j += 2) {
                if (self::matters([$values[$i][$j], $values[$i + 2][$j], $values[$i][$j + 2], $values[$i + 2][$j + 2]], $levels)) {
                    foreach ([[$i + 1, $j], [$i, $j + 1], [$i + 1, $j + 1], [$i + 2, $j + 1], [$i + 1, $j + 2]] as [$p, $q]) {
                        $look($p, $q);
                    }
                }
            }
        }

        return new self($xs, $ys, self::filled($values), $asked);
    }

    /** Between the places worked out. */
    public function at(float $x, float $y): float
    {
        $place = static function (array $axis, float $v): array {
            /** @var list<float> $axis */
            $n = \count($axis) - 1;
            $u = ($v - $axis[0]) / ($axis[$n] - $axis[0]) * $n;
            $i = (int) max(0, min($n - 1, floor($u)));

            return [$i, max(0.0, min(1.0, $u - $i))];
        };
        [$i, $s] = $place($this->xs, $x);
        [$j, $t] = $place($this->ys, $y);
        $v = $this->values;

        return (1 - $s) * ((1 - $t) * $v[$i][$j] + $t * $v[$i][$j + 1]) + $s * ((1 - $t) * $v[$i + 1][$j] + $t * $v[$i + 1][$j + 1]);
    }

    /** Where the chance is at least so much. */
    public function region(float $level): Region
    {
        return new Region(Contour::rings($this->xs, $this->ys, $this->values, $level));
    }

    /**
     * The same, nowhere above a limit that depends on the place (m).
     *
     * @param callable(float, float): float $limit
     */
    public function capped(callable $limit): self
    {
        $values = [];
        foreach ($this->values as $i => $column) {
            foreach ($column as $j => $value) {
                $values[$i][$j] = $value > 0.0 ? max(0.0, min($value, $limit($this->xs[$i], $this->ys[$j]))) : 0.0;
            }
        }

        return new self($this->xs, $this->ys, array_values(array_map(array_values(...), $values)), $this->asked);
    }

    /**
     * The place to play for: deep inside what is above a level, and likely.
     */
    public function best(float $level): ?Point
    {
        $out = [];
        foreach ($this->values as $i => $column) {
            foreach ($column as $j => $value) {
                if (
                    $value < $level
                    && (
                        $this->inside($i - 1, $j, $level)
                        || $this->inside($i + 1, $j, $level)
                        || $this->inside($i, $j - 1, $level)
                        || $this->inside($i, $j + 1, $level)
                    )
                ) {
                    $out[] = [$this->xs[$i], $this->ys[$j]];
                }
            }
        }
        $best = null;
        $most = -1.0;
        foreach ($this->values as $i => $column) {
            foreach ($column as $j => $value) {
                // Every other place will do to find the middle.
                if ($value < $level || 1 === ($i + $j) % 2) {
                    continue;
                }
                $x = $this->xs[$i];
                $y = $this->ys[$j];
                // A cue ball by the rail is no spot to play for.
                $near = min(
                    0.3,
                    1.5 * min(
                        $x - $this->xs[0],
                        $this->xs[\count($this->xs) - 1] - $x,
                        $y - $this->ys[0],
                        $this->ys[\count($this->ys) - 1] - $y,
                    ) + 0.02,
                );
                foreach ($out as [$px, $py]) {
                    $near = min($near, hypot($x - $px, $y - $py));
                }
                $merit = $near + 0.3 * $value;
                if ($merit > $most) {
                    $most = $merit;
                    $best = new Point($x, $y);
                }
            }
        }

        return $best;
    }

    private function inside(int $i, int $j, float $level): bool
    {
        return ($this->values[$i][$j] ?? 0.0) >= $level;
    }

    /**
     * @param array{float, float, float, float} $corners
     * @param list<float>                       $levels
     */
    private static function matters(array $corners, array $levels): bool
    {
        $low = min($corners);
        $high = max($corners);
        foreach ($levels as $level) {
            if ($low < $level && $high >= $level) {
                return true;
            }
        }

        return $high - $low > self::STEEP;
    }

    /**
     * Puts means where nothing was worked out.
     *
     * @param array<int, array<int, float>> $values
     *
     * @return list<list<float>>
     */
    private static function filled(array $values): array
    {
        $full = [];
        for ($i = 0; $i <= 2 * self::LONG; ++$i) {
            for ($j = 0; $j <= 2 * self::ACROSS; ++$j) {
                $full[$i][$j] = $values[$i][$j] ?? match (true) {
                    1 === $i % 2 && 1 === $j % 2
                        => ($values[$i - 1][$j - 1] + $values[$i + 1][$j - 1] + $values[$i - 1][$j + 1] + $values[$i + 1][$j + 1]) / 4,
                    1 === $i % 2 => ($values[$i - 1][$j] + $values[$i + 1][$j]) / 2,
                    default => ($values[$i][$j - 1] + $values[$i][$j + 1]) / 2,
                };
            }
        }

        return array_values(array_map(array_values(...), $full));
    }
}
