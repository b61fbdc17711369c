<?php

declare(strict_types=1);

namespace ZigLane\Core\Geometry;

/**
 * A part of the bed: rings of places, some of them holes. Inside is what an odd number of rings goes round.
 */
final readonly class Region
{
    /** Points nearer to a straight line than this are left out, m. */
    private const STRAIGHT = 0.002;

    /** @var list<list<Point>> */
    public array $rings;

    /**
     * @param list<list<Point>> $rings closed without repeating the first point
     */
    public function __construct(array $rings)
    {
        $this->rings = array_values(array_filter(array_map(self::simpler(...), $rings), static fn(array $r): bool => \count($r) > 2));
    }

    /** Whether there is no place in it. */
    public function isEmpty(): bool
    {
        return [] === $this->rings;
    }

    /** Whether a place (m) lies in it. */
    public function contains(float $x, float $y): bool
    {
        $in = false;
        foreach ($this->rings as $ring) {
            $last = $ring[\count($ring) - 1];
            foreach ($ring as $p) {
                if (($p->y > $y) !== ($last->y > $y) && $x < ($last->x - $p->x) * ($y - $p->y) / ($last->y - $p->y) + $p->x) {
                    $in = !$in;
                }
                $last = $p;
            }
        }

        return $in;
    }

    /**
     * The ring that a place lies in, or else the largest; [] for an empty region.
     *
     * @return list<Point>
     */
    public function ringAround(Point $place): array
    {
        $chosen = [];
        $largest = 0.0;
        foreach ($this->rings as $ring) {
            $one = new self([$ring]);
            $area = $one->contains($place->x, $place->y) ? INF : $one->area();
            if ($area > $largest) {
                [$largest, $chosen] = [$area, $ring];
            }
        }

        return $chosen;
    }

    /** m², holes taken off. */
    public function area(): float
    {
        $sum = 0.0;
        foreach ($this->rings as $ring) {
            $sum += self::signed($ring);
        }

        return abs($sum);
    }

    /**
     * @param list<Point> $ring
     */
    private static function signed(array $ring): float
    {
        $sum = 0.0;
        $last = $ring[\count($ring) - 1];
        foreach ($ring as $p) {
            $sum += ($last->x * $p->y - $p->x * $last->y) / 2;
            $last = $p;
        }

        return $sum;
    }

    /**
     * D. H. Douglas and T. K. Peucker, "Algorithms for the reduction of the number of points required to represent a
     * digitized line or its caricature", Cartographica 10, 1973.
     *
     * @param list<Point> $ring
     *
     * @return list<Point>
     */
    private static function simpler(array $ring): array
    {
        $n = \count($ring);
        if ($n < 5) {
            return $ring;
        }
        $half = intdiv($n, 2);
        $keep = [0 => true, $half => true];
        $stack = [[0, $half], [$half, $n]];
        while (null !== ($span = array_pop($stack))) {
            [$from, $to] = $span;
            $a = $ring[$from];
            $b = $ring[$to % $n];
            $length = max($a->distanceTo($b), 1e-9);
            $far = 0.0;
            $at = null;
            for ($i = $from + 1; $i < $to; ++$i) {
                $off = abs(($ring[$i]->x - $a->x) * ($b->y - $a->y) - ($ring[$i]->y - $a->y) * ($b->x - $a->x)) / $length;
                if ($off > $far) {
                    [$far, $at] = [$off, $i];
                }
            }
            if (null !== $at && $far > self::STRAIGHT) {
                $keep[$at] = true;
                array_push($stack, [$from, $at], [$at, $to]);
            }
        }
        ksort($keep);

        return array_map(static fn(int $i): Point => $ring[$i], array_keys($keep));
    }
}
