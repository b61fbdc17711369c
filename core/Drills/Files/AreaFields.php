<?php

declare(strict_types=1);

namespace ZigLane\Core\Drills\Files;

use ZigLane\Core\Drills\Area\Area;
use ZigLane\Core\Drills\Area\Band;
use ZigLane\Core\Drills\Area\Circle;
use ZigLane\Core\Drills\Area\Polygon;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Rack\Files\Fields;

/**
 * Areas as a drill's file has them.
 */
final class AreaFields
{
    private const MOST_CORNERS = 40;

    private function __construct() {}

    /** @throws InvalidInput */
    public static function read(mixed $data, string $path): Area
    {
        $area = new Fields($data, $path);
        $kinds = array_values(array_intersect(['circle', 'band', 'polygon'], $area->keys()));
        if (1 !== \count($kinds)) {
            throw new InvalidInput($path, 'needs one of circle, band and polygon');
        }
        if ('circle' === $kinds[0]) {
            $circle = $area->object('circle');
            [$x, $y] = self::pair($circle->raw('at'), $circle->path('at'));

            return new Circle($x, $y, $circle->number('radius', null, 0.02, 4.0, 'diamonds'));
        }
        if ('band' === $kinds[0]) {
            $band = $area->object('band');

            return new Band(
                null === $band->raw('along') ? [0.0, 8.0] : self::ordered($band->raw('along'), $band->path('along')),
                null === $band->raw('across') ? [0.0, 4.0] : self::ordered($band->raw('across'), $band->path('across')),
            );
        }
        $rows = $area->raw('polygon');
        if (!\is_array($rows) || !array_is_list($rows) || \count($rows) < 3 || \count($rows) > self::MOST_CORNERS) {
            throw new InvalidInput("$path.polygon", \sprintf('must be a list of 3 to %d corners', self::MOST_CORNERS));
        }
        $corners = [];
        foreach ($rows as $n => $row) {
            $corners[] = self::pair($row, "$path.polygon[$n]");
        }

        return new Polygon($corners);
    }

    /** @return array<string, mixed> */
    public static function write(Area $area): array
    {
        return match (true) {
            $area instanceof Circle => ['circle' => ['at' => [$area->along, $area->across], 'radius' => $area->radius]],
            $area instanceof Band => ['band' => ['along' => $area->along, 'across' => $area->across]],
            default => ['polygon' => $area->outline()],
        };
    }

    /**
     * @return array{float, float} diamonds
     *
     * @throws InvalidInput
     */
    public static function pair(mixed $value, string $path): array
    {
        if (!\is_array($value) || !array_is_list($value) || 2 !== \count($value)) {
            throw new InvalidInput($path, 'must be two numbers, diamonds along and across');
        }

        return [Fields::finite($value[0], "{$path}[0]", -0.5, 8.5), Fields::finite($value[1], "{$path}[1]", -0.5, 4.5)];
    }

    /**
     * Two numbers, the smaller first.
     *
     * @return array{float, float}
     *
     * @throws InvalidInput
     */
    public static function ordered(mixed $value, string $path, float $most = 8.0): array
    {
        if (!\is_array($value) || !array_is_list($value) || 2 !== \count($value)) {
            throw new InvalidInput($path, 'must be two numbers, from and to');
        }
        $ends = [Fields::finite($value[0], "{$path}[0]", 0.0, $most), Fields::finite($value[1], "{$path}[1]", 0.0, $most)];
        if ($ends[0] >= $ends[1]) {
            throw new InvalidInput($path, 'must go from the smaller to the larger number');
        }

        return $ends;
    }
}
