<?php

declare(strict_types=1);

namespace ZigLane\App\View;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\PathPiece;
use ZigLane\Core\Physics\ShotResult;

/**
 * A shot as the page plays it: the pieces of every ball's path, mm and s (public/app/playback.mjs).
 */
final class Motion
{
    private function __construct() {}

    /**
     * @return array<string, mixed>
     */
    public static function of(Layout $before, ShotResult $result): array
    {
        $balls = [];
        foreach ($before->balls as $ball => $place) {
            $balls[BallId::name($ball)] = [
                'at' => [round($place->x * 1000, 1), round($place->y * 1000, 1)],
                'pieces' => array_map(self::piece(...), $result->paths[$ball] ?? []),
                'falls' => $result->isGone($ball),
            ];
        }

        return ['duration' => round($result->duration, 3), 'balls' => $balls];
    }

    /** @return list<float> from, to, place, velocity, acceleration, and in the air height and its velocity */
    private static function piece(PathPiece $p): array
    {
        return [
            round($p->from, 3),
            round($p->to, 3),
            ...array_map(
                static fn(float $v): float => round($v * 1000, 3),
                [$p->start->x, $p->start->y, $p->vx, $p->vy, $p->ax, $p->ay, ...null === $p->height ? [] : [$p->height, $p->vz]],
            ),
        ];
    }
}
