<?php

declare(strict_types=1);

namespace ZigLane\Core\Logbook;

use ZigLane\Core\Equipment\TableSize;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Rack\Files\Fields;

/**
 * What a plan promised of a shot, as files have it.
 *
 * @internal
 */
final class ForecastFields
{
    /** Rings of a zone, and corners of a ring, at most. */
    private const MOST = 400;

    /** Digits behind the point of a corner: a third of a millimetre is enough. */
    private const CORNER = 3;

    /** Cushions at most. */
    private const RAILS = 20;

    private function __construct() {}

    /**
     * @return array<string, mixed> ready for json_encode; what is not known is left out
     */
    public static function write(Forecast $forecast, TableSize $size): array
    {
        $corner = static fn(Point $p): ?array => LogbookFields::diamonds($p, $size, self::CORNER);
        $rings = array_map(static fn(array $ring): array => array_map($corner, $ring), $forecast->zone);

        return array_filter([
            'pot' => $forecast->pot,
            'position' => $forecast->position,
            'runOut' => $forecast->runOut,
            'rest' => LogbookFields::diamonds($forecast->rest, $size),
            'headingDeg' => $forecast->headingDeg,
            'rails' => $forecast->rails,
            'zone' => [] === $rings ? null : $rings,
        ], static fn(mixed $value): bool => null !== $value);
    }

    /** @throws InvalidInput */
    public static function read(Fields $file, TableSize $size): Forecast
    {
        $number = static fn(string $key, float $low, float $high): ?float => null === $file->raw($key)
            ? null
            : $file->number($key, null, $low, $high);
        $rings = [];
        foreach (self::list($file->raw('zone') ?? [], $file->path('zone'), 'rings') as $n => $corners) {
            $path = $file->path("zone[$n]");
            $ring = [];
            foreach (self::list($corners, $path, 'corners') as $k => $corner) {
                $ring[] = LogbookFields::place($corner, $path . "[$k]", $size) ?? throw new InvalidInput($path . "[$k]", 'is missing');
            }
            $rings[] = $ring;
        }

        return new Forecast(
            $number('pot', 0.0, 1.0),
            $number('position', 0.0, 1.0),
            $number('runOut', 0.0, 1.0),
            LogbookFields::place($file->raw('rest'), $file->path('rest'), $size),
            $number('headingDeg', -360.0, 360.0),
            null === $file->raw('rails') ? null : $file->whole('rails', 0, 0, self::RAILS),
            $rings,
        );
    }

    /**
     * @return list<mixed>
     *
     * @throws InvalidInput
     */
    private static function list(mixed $value, string $path, string $of): array
    {
        if (!\is_array($value) || !array_is_list($value) || \count($value) > self::MOST) {
            throw new InvalidInput($path, \sprintf('must be a list of up to %d %s', self::MOST, $of));
        }

        return $value;
    }
}
