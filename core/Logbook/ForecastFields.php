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
    /** Corners of a zone at most. */
    private const CORNERS = 400;

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
        $ring = array_map(
            static fn(Point $p): ?array => LogbookFields::diamonds($p, $size, self::CORNER),
            $forecast->zone,
        );

        return array_filter([
            'pot' => $forecast->pot,
            'position' => $forecast->position,
            'runOut' => $forecast->runOut,
            'rest' => LogbookFields::diamonds($forecast->rest, $size),
            'headingDeg' => $forecast->headingDeg,
            'rails' => $forecast->rails,
            'zone' => [] === $ring ? null : $ring,
        ], static fn(mixed $value): bool => null !== $value);
    }

    /** @throws InvalidInput */
    public static function read(Fields $file, TableSize $size): Forecast
    {
        $number = static fn(string $key, float $low, float $high): ?float => null === $file->raw($key)
            ? null
            : $file->number($key, null, $low, $high);
        $corners = $file->raw('zone') ?? [];
        if (!\is_array($corners) || !array_is_list($corners) || \count($corners) > self::CORNERS) {
            throw new InvalidInput($file->path('zone'), \sprintf('must be a list of up to %d corners', self::CORNERS));
        }
        $ring = [];
        foreach ($corners as $n => $corner) {
            $ring[] = LogbookFields::place($corner, $file->path("zone[$n]"), $size)
                ?? throw new InvalidInput($file->path("zone[$n]"), 'is missing');
        }

        return new Forecast(
            $number('pot', 0.0, 1.0),
            $number('position', 0.0, 1.0),
            $number('runOut', 0.0, 1.0),
            LogbookFields::place($file->raw('rest'), $file->path('rest'), $size),
            $number('headingDeg', -360.0, 360.0),
            null === $file->raw('rails') ? null : $file->whole('rails', 0, 0, self::RAILS),
            $ring,
        );
    }
}
