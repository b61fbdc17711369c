<?php

declare(strict_types=1);

namespace ZigLane\App\View;

use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Equipment\TableGeometry;
use ZigLane\Core\Geometry\Point;

/**
 * The table to scale, in mm: bed, cushions with their facings, pockets, diamonds.
 */
final readonly class TableDrawing
{
    /** Drawn depth of a cushion and of the rail behind it, m. */
    private const CUSHION = 0.045;
    private const RAIL = 0.095;

    public float $length;
    public float $width;
    public float $margin;

    /** Distance of a frozen ball's centre from the nose, mm. */
    public float $reach;

    /** @var list<string> SVG polygon points of the six cushions */
    public array $cushions;

    /** @var list<array{name: string, spoken: string, key: int, x: float, y: float, r: float, mx: float, my: float, half: float}> */
    public array $pockets;

    /** @var list<array{x: float, y: float, label: string}> */
    public array $diamonds;

    public function __construct(Table $table)
    {
        $g = new TableGeometry($table);
        $this->length = $g->length * 1000;
        $this->width = $g->width * 1000;
        $this->margin = (self::CUSHION + self::RAIL) * 1000;
        $this->reach = $g->reach * 1000;
        $this->cushions = self::cushions($g);
        $pockets = [];
        foreach ($g->pockets as $index => $p) {
            $middle = $p->mouthMiddle();
            $pockets[] = [
                'name' => $p->pocket->value,
                'spoken' => $p->pocket->spoken(),
                'key' => $index + 1,
                'x' => round($p->dropCentre->x * 1000, 1),
                'y' => round($p->dropCentre->y * 1000, 1),
                'r' => round($p->dropRadius * 1000, 1),
                'mx' => round($middle->x * 1000, 1),
                'my' => round($middle->y * 1000, 1),
                'half' => round($p->tipA->distanceTo($p->tipB) * 500, 1),
            ];
        }
        $this->pockets = $pockets;
        $this->diamonds = self::diamonds($g);
    }

    /**
     * @return list<string>
     */
    private static function cushions(TableGeometry $g): array
    {
        $polygons = [];
        $ends = [
            [Pocket::HeadLeft, 'A', Pocket::SideLeft, 'A'],
            [Pocket::SideLeft, 'B', Pocket::FootLeft, 'A'],
            [Pocket::FootLeft, 'B', Pocket::FootRight, 'B'],
            [Pocket::FootRight, 'A', Pocket::SideRight, 'B'],
            [Pocket::SideRight, 'A', Pocket::HeadRight, 'A'],
            [Pocket::HeadRight, 'B', Pocket::HeadLeft, 'B'],
        ];
        foreach ($ends as [$from, $one, $to, $two]) {
            $a = self::end($g, $from, $one);
            $b = self::end($g, $to, $two);
            $polygons[] = implode(
                ' ',
                array_map(static fn(Point $p): string => Svg::mm($p->x) . ',' . Svg::mm($p->y), [$a[0], $b[0], $b[1], $a[1]]),
            );
        }

        return $polygons;
    }

    /**
     * @return array{Point, Point} the nose tip, and where its facing reaches the rail
     */
    private static function end(TableGeometry $g, Pocket $pocket, string $which): array
    {
        $shape = $g->pocket($pocket);
        [$tip, $way] = 'A' === $which ? [$shape->tipA, $shape->facingA] : [$shape->tipB, $shape->facingB];
        // The long rails lie across y, the short ones across x.
        $onLong = $tip->y <= 0.0 || $tip->y >= $g->width;
        $depth = self::CUSHION / max(abs($onLong ? $way[1] : $way[0]), 0.1);

        return [$tip, new Point($tip->x + $way[0] * $depth, $tip->y + $way[1] * $depth)];
    }

    /**
     * @return list<array{x: float, y: float, label: string}>
     */
    private static function diamonds(TableGeometry $g): array
    {
        $step = $g->length / 8;
        $out = (self::CUSHION + self::RAIL / 2) * 1000;
        $marks = [];
        for ($i = 1; $i < 8; ++$i) {
            if (4 === $i) {
                continue; // the side pocket
            }
            foreach ([-$out, $g->width * 1000 + $out] as $y) {
                $marks[] = ['x' => round($i * $step * 1000, 1), 'y' => $y, 'label' => "$i along"];
            }
        }
        for ($i = 1; $i < 4; ++$i) {
            foreach ([-$out, $g->length * 1000 + $out] as $x) {
                $marks[] = ['x' => $x, 'y' => round($i * $step * 1000, 1), 'label' => "$i across"];
            }
        }

        return $marks;
    }
}
