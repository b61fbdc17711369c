<?php

declare(strict_types=1);

namespace ZigLane\Core\RunOut;

use ZigLane\Core\Ball\BallId;
use ZigLane\Core\Rack\RackFile;
use ZigLane\Core\Reading\Region;
use ZigLane\Core\Table\Point;
use ZigLane\Core\Table\TableSize;

/**
 * A plan as JSON: positions in diamonds, chances 0–1.
 */
final class PlanFile
{
    private function __construct() {}

    /**
     * @return array<string, mixed> ready for json_encode
     */
    public static function describe(Plan $plan): array
    {
        $size = $plan->rack->table->size;
        $shots = [];
        foreach ($plan->shots as $n => $shot) {
            $zone = [];
            // The ring that the cue ball comes to lie in, or the largest.
            foreach ($shot->zone->rings as $ring) {
                $inside = (new Region([$ring]))->contains($shot->rest->x, $shot->rest->y);
                if ($inside || [] === $zone) {
                    $zone = array_map(static fn(Point $p): array => self::diamonds($p, $size), $ring);
                }
            }
            $shots[] = [
                'ball' => BallId::name($shot->ball),
                'pocket' => $shot->pocket->value,
                'shot' => RackFile::writeShot($shot->spec),
                'pot' => round($shot->pot, 4),
                'position' => round($shot->position, 4),
                'runOut' => round($shot->runOut, 4),
                'zone' => $zone,
                'rest' => self::diamonds($shot->rest, $size),
                'route' => $shot->words,
                'why' => [...$shot->why, ...$shot->ideas],
            ] + ($n + 1 === $plan->hinge ? ['hinge' => true] : []);
        }
        $cue = $plan->rack->layout->has(BallId::CUE) ? self::diamonds($plan->rack->layout->ball(BallId::CUE), $size) : null;

        return [
            'runOut' => round($plan->runOut, 4),
            'cue' => $cue,
            'group' => $plan->rack->group?->value,
            'shots' => $shots,
            'says' => $plan->says,
            'stoppedBecause' => $plan->stopped,
        ];
    }

    /**
     * @return array{float, float}
     */
    private static function diamonds(Point $p, TableSize $size): array
    {
        [$x, $y] = $p->toDiamonds($size);

        return [round($x, 3), round($y, 3)];
    }
}
