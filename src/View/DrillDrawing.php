<?php

declare(strict_types=1);

namespace ZigLane\App\View;

use ZigLane\Core\Drills\Area\Area;
use ZigLane\Core\Drills\Condition\StopsIn;
use ZigLane\Core\Drills\Drill;
use ZigLane\Core\Drills\Station;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\TableGeometry;
use ZigLane\Core\Equipment\TableSize;

/**
 * A drill's station on the table: balls, and where they are to stop; mm.
 */
final readonly class DrillDrawing
{
    public TableDrawing $table;

    /** @var array<int, array{x: float, y: float}> by ball */
    public array $balls;

    /** @var list<array{path: string, points: int, cue: bool}> the widest first, so that the others are seen */
    public array $areas;

    /** From the ball that is meant to its pocket, where that is the straight way. */
    public ?string $pot;

    public function __construct(Drill $drill, Station $station)
    {
        $this->pot = self::potLine($drill, $station);
        $this->table = new TableDrawing($drill->table);
        $size = $drill->table->size;
        $balls = [];
        foreach ($station->balls as $ball => [$x, $y]) {
            $at = $size->pointAt($x, $y);
            $balls[$ball] = ['x' => round(1000 * $at->x, 1), 'y' => round(1000 * $at->y, 1)];
        }
        $this->balls = $balls;
        $areas = [];
        foreach ($station->rules as $rule) {
            foreach ($rule->needs as $need) {
                if ($need instanceof StopsIn) {
                    $areas[] = ['path' => self::path($need->area, $size), 'points' => $rule->points, 'cue' => BallId::CUE === $need->ball];
                }
            }
        }
        usort($areas, static fn(array $a, array $b): int => $a['points'] <=> $b['points']);
        $this->areas = $areas;
    }

    private static function potLine(Drill $drill, Station $station): ?string
    {
        $shot = $station->shot;
        if (null === $shot?->ball || null === $shot->pocket || !$shot->intent->isPlain() || !isset($station->balls[$shot->ball])) {
            return null;
        }
        $ball = $drill->table->size->pointAt(...$station->balls[$shot->ball]);
        $mouth = (new TableGeometry($drill->table))->pocket($shot->pocket)->entrance($ball);

        return \sprintf('M%s %sL%s %s', Svg::mm($ball->x), Svg::mm($ball->y), Svg::mm($mouth->x), Svg::mm($mouth->y));
    }

    private static function path(Area $area, TableSize $size): string
    {
        $points = [];
        foreach ($area->outline() as [$x, $y]) {
            $at = $size->pointAt(max(0.0, min(8.0, $x)), max(0.0, min(4.0, $y)));
            $points[] = Svg::mm($at->x) . ' ' . Svg::mm($at->y);
        }

        return 'M' . implode('L', $points) . 'Z';
    }
}
