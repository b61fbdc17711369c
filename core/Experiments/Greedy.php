<?php

declare(strict_types=1);

namespace ZigLane\Core\Experiments;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Potting\PotChance;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Reading\FromHere;
use ZigLane\Core\Reading\Openings;
use ZigLane\Core\Settings\Defaults;

/**
 * Plays the easiest pot with a natural roll and no thought of what comes next. With the ball in hand it puts the cue ball
 * half a metre behind the widest ball, straight.
 */
final readonly class Greedy implements Policy
{
    private const BEHIND = [0.5, 0.35, 0.25, 0.15];

    public function next(Rack $rack): ?array
    {
        if ($rack->ballInHand) {
            $place = $this->place($rack);
            if (null === $place) {
                return null;
            }
            $rack = $rack->withBall(BallId::CUE, $place)->withBallInHand(false);
        }
        $cue = $rack->layout->ball(BallId::CUE);
        $from = FromHere::now($rack, $cue)[0] ?? null;
        if (null === $from || [] === $from->pots) {
            return null;
        }
        [$pocket, $read] = $from->pots[0];

        return [
            $rack,
            new Called(
                $from->ball,
                $pocket,
                new Shot($read->aim, $read->speed, new Tip(0.0, Defaults::READING_TIP), $read->elevation),
                $read->chance,
            ),
        ];
    }

    private function place(Rack $rack): ?Point
    {
        $simulator = $rack->simulator();
        $best = null;
        $most = 0.0;
        foreach ($rack->rules()->legalTargets($rack->layout) as $ball) {
            foreach (\array_slice(Openings::goingOf($simulator, $rack->layout, $ball), 0, 2) as $opening) {
                $pot = new PotChance($simulator, $rack->layout->without(BallId::CUE), new Pot($ball, $opening->pocket), $rack->player);
                foreach (self::BEHIND as $far) {
                    $place = $rack->layout->ball($ball)->toward($pot->window()->toward, -$far);
                    $chance = $pot->free($place->x, $place->y) ? $pot->fromPlace($place->x, $place->y)->chance : 0.0;
                    if ($chance > $most) {
                        $most = $chance;
                        $best = $place;
                    }
                }
            }
        }

        return $best;
    }
}
