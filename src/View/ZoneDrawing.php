<?php

declare(strict_types=1);

namespace ZigLane\App\View;

use ZigLane\Core\Equipment\TableSize;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Geometry\Region;
use ZigLane\Core\Reading\Zone;

/**
 * A position zone as the page shows it: outlines in mm, and words.
 */
final readonly class ZoneDrawing
{
    /** Shades of the chance map. */
    private const SHADES = [0.25, 0.5, 0.75, 0.9];

    public string $region;

    /** @var list<array{level: int, path: string}> from the least chance to the best */
    public array $shades;

    /** @var list<string> */
    public array $boundaries;
    public string $line;

    /** @var array{x: string, y: string}|null */
    public ?array $best;
    public string $bestWords;
    public string $words;

    public function __construct(public Zone $zone, TableSize $size)
    {
        $this->region = self::path($zone->region);
        $this->shades = array_map(
            static fn(float $at): array => ['level' => (int) round(100 * $at), 'path' => self::path($zone->map->region($at))],
            self::SHADES,
        );
        $this->boundaries = array_map(self::between(...), $zone->boundaries);
        $this->line = self::between($zone->line);
        $this->best = LegDrawing::mark($zone->best);
        $this->bestWords = null === $zone->best ? '' : vsprintf('%.1f, %.1f', $size->diamondsOf($zone->best));
        $this->words = self::wordsOf($zone, $this->bestWords);
    }

    /** Rings as one path; with the even-odd rule the inner ones are holes. */
    public static function path(Region $region): string
    {
        $path = '';
        foreach ($region->rings as $ring) {
            $path .= 'M' . implode('L', array_map(Svg::point(...), $ring)) . 'Z';
        }

        return $path;
    }

    /**
     * @param array{Point, Point} $ends
     */
    private static function between(array $ends): string
    {
        return 'M' . Svg::point($ends[0]) . 'L' . Svg::point($ends[1]);
    }

    private static function wordsOf(Zone $zone, string $best): string
    {
        if ($zone->region->isEmpty()) {
            return \sprintf(
                'From nowhere is the %d as likely as %.0f %% in the %s pocket.',
                $zone->pot->ball,
                100 * $zone->chance,
                $zone->pot->pocket->spoken(),
            );
        }
        $say = \sprintf(
            '%.2f m² give the %d in the %s pocket at %.0f %% or better',
            $zone->region->area(),
            $zone->pot->ball,
            $zone->pot->pocket->spoken(),
            100 * $zone->chance,
        );
        $cut = $zone->whole->area() - $zone->region->area();
        if ($cut > 0.05) {
            $say .= \sprintf('; another %.2f m² would, but do not lead on', $cut);
        }
        $say .= ".  Best around $best.";

        return str_replace('  ', ' ', $say) . (null === $zone->rightSide ? '' : " The right side is the {$zone->rightSide} of its line.");
    }
}
