<?php

declare(strict_types=1);

namespace ZigLane\App\View;

use ZigLane\Core\Simulation\PathPiece;
use ZigLane\Core\Table\Point;

/**
 * Places and paths as SVG writes them: mm, one decimal, in the table's own frame.
 */
final class Svg
{
    private function __construct() {}

    /** @param float $metres m */
    public static function mm(float $metres): string
    {
        $text = \sprintf('%.1f', $metres * 1000);

        return '-0.0' === $text ? '0.0' : $text;
    }

    public static function point(Point $p): string
    {
        return self::mm($p->x) . ' ' . self::mm($p->y);
    }

    /**
     * The pieces as one path: parabolas are quadratic Bézier curves exactly, lines are lines.
     *
     * @param iterable<PathPiece> $pieces
     */
    public static function path(iterable $pieces): string
    {
        $path = '';
        $last = '';
        foreach ($pieces as $piece) {
            $start = self::point($piece->start);
            $end = self::point($piece->end());
            if ($start !== $last) {
                $path .= "M$start";
            }
            if ($start !== $end) {
                $path .= $piece->rolling ? "L$end" : 'Q' . self::point($piece->control()) . " $end";
            }
            $last = $end;
        }

        return $path;
    }
}
