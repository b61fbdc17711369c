<?php

declare(strict_types=1);

namespace ZigLane\Core\Rack\Files;

use ZigLane\Core\Aiming\AimRefused;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\TableSize;
use ZigLane\Core\Geometry\Angle;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Physics\PathPiece;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\ShotResult;
use ZigLane\Core\Physics\TableLengths;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\ShotSpec;
use ZigLane\Core\Rack\StatedShot;

/**
 * The document { "rack": …, "shot": … } and the answer to it.
 */
final class ShotFile
{
    public const LARGEST = 2 * RackFile::LARGEST_TEXT;

    /** Longest stretch of time between two points of a curved route, s. */
    private const SAMPLE = 0.02;

    private function __construct() {}

    /**
     * @param mixed $data decoded JSON, objects as \stdClass
     *
     * @return array<string, mixed> ready for json_encode; positions in diamonds, times in s
     *
     * @throws InvalidInput when the document cannot be used
     * @throws AimRefused   when the ball and pocket asked for have no direct shot
     */
    public static function answer(mixed $data): array
    {
        [$rack, $spec] = self::read($data);
        $stated = StatedShot::play($rack->simulator(), $spec, $rack->layout);

        return self::describe($rack, $stated->shot, $stated->result);
    }

    /**
     * @param mixed $data decoded JSON, objects as \stdClass
     *
     * @return array{Rack, ShotSpec}
     *
     * @throws InvalidInput when the document cannot be used
     */
    public static function read(mixed $data): array
    {
        $file = new Fields($data, '');
        foreach (['rack', 'shot'] as $key) {
            if (!$file->has($key)) {
                throw new InvalidInput($key, 'is missing');
            }
        }
        try {
            $rack = RackFile::read($file->raw('rack'));
        } catch (InvalidInput $e) {
            throw $e->under('rack');
        }
        $spec = ShotSpecFile::read($file->raw('shot'));
        if (null !== $spec->ball && !$rack->layout->has($spec->ball)) {
            throw new InvalidInput('shot.ball', \sprintf('the %d is not on the table', $spec->ball));
        }
        try {
            $spec->speed->on(new TableLengths($rack->simulator()));
        } catch (InvalidInput $e) {
            throw $e->under('shot');
        }

        return [$rack, $spec];
    }

    /**
     * @return array<string, mixed>
     */
    private static function describe(Rack $rack, Shot $shot, ShotResult $result): array
    {
        $size = $rack->table->size;
        $events = [];
        foreach ($result->events as $event) {
            $row = ['t' => round($event->time, 6), 'type' => $event->type->value, 'balls' => array_map(BallId::name(...), $event->balls)];
            if (null !== $event->pocket) {
                $row['pocket'] = $event->pocket->value;
            }
            $events[] = $row + ['at' => self::diamonds($event->at, $size)];
        }
        $pocketed = [];
        foreach ($result->pocketed as $ball => $pocket) {
            $pocketed[] = ['ball' => BallId::name($ball), 'pocket' => $pocket->value];
        }
        $final = new \stdClass();
        foreach ($result->final->balls as $ball => $place) {
            $final->{BallId::name($ball)} = self::diamonds($place, $size);
        }
        $routes = new \stdClass();
        foreach ($result->paths as $ball => $pieces) {
            $routes->{BallId::name($ball)} = self::route($pieces, $size);
        }

        return [
            'aimDeg' => round(rad2deg(Angle::wrap($shot->aim)), 6),
            'elevationDeg' => round(rad2deg($shot->elevation), 4),
            'events' => $events,
            'pocketed' => $pocketed,
            ...[] === $result->offTable ? [] : ['offTable' => array_map(BallId::name(...), $result->offTable)],
            'final' => $final,
            'routes' => $routes,
            'firstHit' => null === $result->firstHit ? null : BallId::name($result->firstHit),
            'foul' => $rack->rules()->judge($rack->layout, $result)->foul?->foul->value,
        ];
    }

    /**
     * @param list<PathPiece> $pieces
     *
     * @return list<array{float, float, float}> [t, x, y]
     */
    private static function route(array $pieces, TableSize $size): array
    {
        $points = [];
        foreach ($pieces as $piece) {
            $parts = $piece->rolling ? 1 : max(1, (int) ceil(($piece->to - $piece->from) / self::SAMPLE));
            for ($i = [] === $points ? 0 : 1; $i <= $parts; ++$i) {
                $t = $piece->from + ($piece->to - $piece->from) * $i / $parts;
                $points[] = [round($t, 6), ...self::diamonds($piece->at($t), $size)];
            }
        }

        return $points;
    }

    /**
     * @return array{float, float}
     */
    private static function diamonds(Point $p, TableSize $size): array
    {
        [$x, $y] = $size->diamondsOf($p);

        return [round($x, 6), round($y, 6)];
    }
}
