<?php

declare(strict_types=1);

namespace ZigLane\App\View;

use ZigLane\Core\Drills\Drill;
use ZigLane\Core\Drills\Rule;
use ZigLane\Core\Drills\Station;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\TableSize;
use ZigLane\Core\Rack\Rack;

/**
 * One layout on a printed sheet: the table with its ring spots, where each spot is, the stroke, the way that is wanted, lines for scores.
 */
final readonly class SheetFigure
{
    public TableDrawing $table;

    /** @var list<array{name: string, x: float, y: float, diamonds: string, rails: string}> mm on the drawing */
    public array $spots;

    /**
     * @param string        $title  what it is
     * @param string        $does   what is to be done
     * @param SheetWay|null $first  the stroke that is meant
     * @param list<string>  $scores what is counted, a line each
     * @param int           $boxes  to write scores in
     * @param list<array{path: string, points: int, cue: bool}> $areas that count
     * @param SheetWay|null $second another way
     */
    private function __construct(
        public string $title,
        public string $does,
        Rack $rack,
        Units $units,
        public ?SheetWay $first,
        public array $scores,
        public int $boxes,
        public array $areas = [],
        public ?SheetWay $second = null,
    ) {
        $this->table = new TableDrawing($rack->table);
        $size = $rack->table->size;
        $spots = [];
        foreach ($rack->layout->balls as $ball => $place) {
            [$x, $y] = $size->diamondsOf($place);
            [$far, $rails] = self::fromRails($place->x, $place->y, $size);
            $spots[] = [
                'name' => BallId::CUE === $ball ? 'cue' : (string) $ball,
                ...Svg::place($place),
                'diamonds' => self::plain($x) . ', ' . self::plain($y),
                'rails' => \sprintf('%s from %s, %s from %s', $units->length($far[0]), $rails[0], $units->length($far[1]), $rails[1]),
            ];
        }
        $this->spots = $spots;
    }

    /** A station of a drill. */
    public static function ofStation(Drill $drill, Station $station, Rack $rack, Reader $reader): self
    {
        return new self(
            $drill->name . ('' === $station->name ? '' : ": $station->name"),
            $drill->text->does,
            $rack,
            $reader->units,
            null === $station->shot ? null : SheetWay::of($rack, $station->shot, $reader),
            array_map(static fn(Rule $rule): string => \sprintf('%d: %s', $rule->points, $rule->says), $station->rules),
            10,
            (new DrillDrawing($drill, $station))->areas,
        );
    }

    /** A rack as it lies, or as a leg of its line finds it. */
    public static function ofRack(Rack $rack, string $title, Reader $reader, ?SheetWay $first = null, ?SheetWay $second = null): self
    {
        return new self($title, '', $rack, $reader->units, $first, [], null === $first ? 0 : 10, second: $second);
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
