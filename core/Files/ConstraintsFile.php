<?php

declare(strict_types=1);

namespace ZigLane\Core\Files;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Geometry\Region;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Planning\PlanConstraints;
use ZigLane\Core\Rack\Rack;

/**
 * Plan constraints as JSON: { "pockets": { "5": "foot-left" }, "order": ["3", "5"], "zones": { "5": [[x, y], …] }, "keep": 2 }, places in
 * diamonds.
 */
final class ConstraintsFile
{
    private const MOST_CORNERS = 60;

    private function __construct() {}

    /**
     * @param mixed $data decoded JSON, objects as arrays
     *
     * @throws InvalidInput with the path of the fault
     */
    public static function read(mixed $data, Rack $rack): PlanConstraints
    {
        if (!\is_array($data)) {
            throw new InvalidInput('pins', 'must be an object');
        }
        $pockets = $order = $zones = [];
        foreach (self::part($data, 'pockets') as $name => $value) {
            $pockets[self::ball($name, $rack, "pins.pockets.$name")] = (\is_string($value) ? Pocket::tryFrom($value) : null)
                ?? throw new InvalidInput("pins.pockets.$name", 'is no pocket');
        }
        foreach (self::part($data, 'order') as $n => $name) {
            $ball = self::ball($name, $rack, "pins.order[$n]");
            if (\in_array($ball, $order, true)) {
                throw new InvalidInput("pins.order[$n]", "the $ball is named twice");
            }
            $order[] = $ball;
        }
        foreach (self::part($data, 'zones') as $name => $ring) {
            $zones[self::ball($name, $rack, "pins.zones.$name")] = new Region([self::ring($ring, $rack, "pins.zones.$name")]);
        }
        $keep = $data['keep'] ?? 0;
        if (!\is_int($keep) || $keep < 0 || $keep > \count($rack->legs)) {
            throw new InvalidInput('pins.keep', \sprintf('must be a whole number from 0 to %d, the legs there are', \count($rack->legs)));
        }

        return new PlanConstraints($pockets, $order, $zones, $keep);
    }

    /**
     * @return array<string, mixed>
     */
    public static function write(PlanConstraints $constraints, Rack $rack): array
    {
        $size = $rack->table->size;

        return [
            'pockets' => array_map(static fn(Pocket $p): string => $p->value, $constraints->pockets),
            'order' => array_map(BallId::name(...), $constraints->order),
            'zones' => array_map(
                static fn(Region $r): array => array_map(
                    static fn(Point $p): array => array_map(static fn(float $v): float => round($v, 3), $size->diamondsOf($p)),
                    $r->rings[0] ?? [],
                ),
                $constraints->zones,
            ),
            'keep' => $constraints->keep,
        ];
    }

    /**
     * @param array<mixed> $data
     *
     * @return array<mixed>
     */
    private static function part(array $data, string $key): array
    {
        $part = $data[$key] ?? [];

        return \is_array($part) ? $part : throw new InvalidInput("pins.$key", 'must be a list or an object');
    }

    private static function ball(mixed $name, Rack $rack, string $path): int
    {
        $ball = \is_string($name) || \is_int($name) ? BallId::fromName((string) $name) : null;
        if (null === $ball || BallId::CUE === $ball || !$rack->layout->has($ball)) {
            throw new InvalidInput($path, \sprintf('%s is no object ball on the table', \is_scalar($name) ? "\"$name\"" : 'that'));
        }

        return $ball;
    }

    /**
     * @return list<Point>
     */
    private static function ring(mixed $ring, Rack $rack, string $path): array
    {
        if (!\is_array($ring) || \count($ring) < 3 || \count($ring) > self::MOST_CORNERS) {
            throw new InvalidInput($path, \sprintf('needs 3 to %d corners', self::MOST_CORNERS));
        }
        $points = [];
        foreach (array_values($ring) as $n => $at) {
            if (
                !\is_array($at)
                || !isset($at[0], $at[1])
                || !is_numeric($at[0])
                || !is_numeric($at[1])
                || $at[0] < -0.01
                || $at[0] > 8.01
                || $at[1] < -0.01
                || $at[1] > 4.01
            ) {
                throw new InvalidInput("{$path}[$n]", 'is no place on the table (0–8, 0–4 diamonds)');
            }
            $points[] = $rack->table->size->pointAt((float) $at[0], (float) $at[1]);
        }

        return $points;
    }
}
