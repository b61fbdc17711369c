<?php

declare(strict_types=1);

namespace ZigLane\App\View;

use ZigLane\Core\Aiming\AimRefused;
use ZigLane\Core\Drills\Drill;
use ZigLane\Core\Drills\Rule;
use ZigLane\Core\Drills\Station;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\TableSize;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\ShotResult;
use ZigLane\Core\Physics\TableLengths;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\ShotSpec;
use ZigLane\Core\Rack\StatedShot;

/**
 * One layout on a printed sheet: the table with its ring spots, where each spot is, the stroke, the way that is wanted, lines for scores.
 */
final readonly class SheetFigure
{
    public TableDrawing $table;

    /** @var list<array{name: string, x: float, y: float, diamonds: string, rails: string}> mm on the drawing */
    public array $spots;

    public ?Tip $tip;
    public string $pace;

    /** The cue ball's way and stop when the stroke goes as meant, mm; '' and null where nothing is meant. */
    public string $way;

    /** @var array{x: float, y: float}|null */
    public ?array $stop;

    /** The ball's way to its pocket. */
    public string $pot;

    /**
     * @param string       $title  what it is
     * @param string       $does   what is to be done
     * @param list<string> $scores what is counted, a line each
     * @param int          $boxes  to write scores in
     * @param list<array{path: string, points: int, cue: bool}> $areas that count
     */
    private function __construct(
        public string $title,
        public string $does,
        Rack $rack,
        Layout $layout,
        ?ShotSpec $shot,
        Reader $reader,
        public array $scores,
        public int $boxes,
        public array $areas = [],
    ) {
        $this->table = new TableDrawing($rack->table);
        $size = $rack->table->size;
        $length = $reader->units->length(...);
        $spots = [];
        foreach ($layout->balls as $ball => $place) {
            [$x, $y] = $size->diamondsOf($place);
            [$far, $rails] = self::fromRails($place->x, $place->y, $size);
            $spots[] = [
                'name' => BallId::CUE === $ball ? 'cue' : (string) $ball,
                'x' => round(1000 * $place->x, 1),
                'y' => round(1000 * $place->y, 1),
                'diamonds' => self::plain($x) . ', ' . self::plain($y),
                'rails' => \sprintf('%s from %s, %s from %s', $length($far[0]), $rails[0], $length($far[1]), $rails[1]),
            ];
        }
        $this->spots = $spots;
        $this->tip = $shot?->tip;
        $result = null;
        $pace = '';
        if (null !== $shot) {
            $lengths = new TableLengths($rack->simulator());
            $far = $shot->speed->inLengths($lengths);
            $pace = \sprintf('%s, %.1f lengths', $reader->paces->name($far), $far);
            $result = self::played($rack, $layout, $shot);
        }
        $this->pace = $pace;
        $this->way = null === $result ? '' : Svg::path($result->paths[BallId::CUE] ?? []);
        $ball = $shot?->ball;
        $this->pot = null === $result || null === $ball ? '' : Svg::path($result->paths[$ball] ?? []);
        $stop = $result?->final->balls[BallId::CUE] ?? null;
        $this->stop = null === $stop ? null : ['x' => round(1000 * $stop->x, 1), 'y' => round(1000 * $stop->y, 1)];
    }

    /** A station of a drill. */
    public static function ofStation(Drill $drill, Station $station, Rack $rack, Reader $reader): self
    {
        return new self(
            $drill->name . ('' === $station->name ? '' : ": $station->name"),
            $drill->text->does,
            $rack,
            $rack->layout,
            $station->shot,
            $reader,
            array_map(static fn(Rule $rule): string => \sprintf('%d: %s', $rule->points, $rule->says), $station->rules),
            10,
            (new DrillDrawing($drill, $station))->areas,
        );
    }

    /** A rack, or one leg of its line. */
    public static function ofRack(Rack $rack, Layout $layout, ?ShotSpec $shot, string $title, Reader $reader): self
    {
        return new self($title, '', $rack, $layout, $shot, $reader, [], null === $shot ? 0 : 10);
    }

    private static function played(Rack $rack, Layout $layout, ShotSpec $shot): ?ShotResult
    {
        try {
            return StatedShot::play($rack->simulator(), $shot, $layout)->result;
        } catch (AimRefused|InvalidInput) {
            // The spots are worth printing without it.
            return null;
        }
    }

    /** @return array{array{float, float}, array{string, string}} m from the nearer short and the nearer long rail's nose, and which */
    private static function fromRails(float $x, float $y, TableSize $size): array
    {
        [$long, $wide] = [$size->length(), $size->width()];

        return [
            [min($x, $long - $x), min($y, $wide - $y)],
            [$x <= $long / 2 ? 'head' : 'foot', $y <= $wide / 2 ? 'left' : 'right'],
        ];
    }

    private static function plain(float $diamonds): string
    {
        return rtrim(rtrim(\sprintf('%.2f', $diamonds), '0'), '.');
    }
}
