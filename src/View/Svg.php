<?php

declare(strict_types=1);

namespace ZigLane\App\View;

use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\PathPiece;

/**
 * Places and paths as SVG writes them: mm, one decimal, in the table's own frame.
 */
final class Svg
{
    private function __construct() {}

    /** @param float $metres m */
    public static function mm(float $metres, int $decimals = 1): string
    {
        $text = \sprintf("%.{$decimals}f", $metres * 1000);

        return 0.0 === (float) $text ? ltrim($text, '-') : $text;
    }

    public static function point(Point $p, int $decimals = 1): string
    {
        return self::mm($p->x, $decimals) . ' ' . self::mm($p->y, $decimals);
    }

    /** @return array{x: float, y: float} for a template, mm */
    public static function place(Point $p): array
    {
        return ['x' => round(1000 * $p->x, 1), 'y' => round(1000 * $p->y, 1)];
    }

    /**
     * The pieces as one path: parabolas are quadratic Bézier curves exactly, lines are lines.
     *
     * @param iterable<PathPiece> $pieces
     * @param int                 $decimals of a millimetre
     */
    public static function path(iterable $pieces, int $decimals = 1): string
    {
        $path = '';
        $last = '';
        foreach ($pieces as $piece) {
            $start = self::point($piece->start, $decimals);
            $end = self::point($piece->end(), $decimals);
            if ($start !== $last) {
                $path .= "M$start";
            }
            if ($start !== $end) {
                $path .= $piece->rolling || $piece->inAir() ? "L$end" : 'Q' . self::point($piece->control(), $decimals) . " $end";
            }
            $last = $end;
        }

        return $path;
    }
}
