<?php

declare(strict_types=1);

namespace ZigLane\Tools\Bench;

use ZigLane\Core\Aiming\AimRequest;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\Geometry\Angle;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\BallStates;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Reading\FromHere;

/**
 * The fixed shots that speed is measured on: always the same, from seeded numbers.
 */
final readonly class Workload
{
    public function __construct(private Simulator $simulator, private int $seed = 1) {}

    /**
     * Random racks with a random stroke each, ready to run.
     *
     * @param int   $balls object balls
     * @param float $slow  cue speed, m/s
     * @param float $fast  cue speed, m/s
     *
     * @return list<BallStates>
     */
    public function shots(int $count, int $balls = 9, float $slow = 1.0, float $fast = 3.5): array
    {
        $random = new Generator($this->seed);
        $states = [];
        for ($n = 0; $n < $count; ++$n) {
            $layout = $this->rack($random, $balls);
            $r = 0.5 * sqrt($random->between(0.0, 1.0));
            $turn = $random->between(0.0, 2 * M_PI);
            $states[] = $this->simulator->struck($layout, (new Shot(
                $random->between(0.0, 2 * M_PI),
                $random->between($slow, $fast),
                new Tip($r * cos($turn), $r * sin($turn)),
            ))->stroke());
        }

        return $states;
    }

    /**
     * Open pots to aim at: cuts under 60° with a ball in the way of neither.
     *
     * @return list<array{Layout, AimRequest}>
     */
    public function pots(int $count): array
    {
        $random = new Generator($this->seed);
        $geometry = $this->simulator->geometry;
        $pots = [];
        while (\count($pots) < $count) {
            $layout = $this->rack($random, 1);
            $pocket = Pocket::at($random->integer(0, 5));
            $shape = $geometry->pocket($pocket);
            $ball = $layout->ball(1);
            $way = $ball->angleTo($shape->mouthMiddle());
            $ghost = $ball->toward($way, -2 * $this->simulator->ball->radius);
            $cut = abs(Angle::wrap($way - $layout->ball(BallId::CUE)->angleTo($ghost)));
            if ($cut < M_PI / 3 && $geometry->canRest($ghost) && (!$pocket->isSide() || $shape->angleFromSquare($way) < M_PI / 4)) {
                $pots[] = [$layout, new AimRequest(1, $pocket, $random->between(1.5, 3.0), new Tip($random->between(-0.25, 0.25), $random->between(-0.25, 0.25)))];
            }
        }

        return $pots;
    }

    /**
     * Nine-ball racks to read and to plan, balls anywhere.
     *
     * @return list<Rack>
     */
    public function racks(int $count, int $balls = 9): array
    {
        $random = new Generator($this->seed);
        $racks = [];
        for ($n = 0; $n < $count; ++$n) {
            $racks[] = new Rack("rack $n", GameName::NineBall, new Table(), $this->rack($random, $balls));
        }

        return $racks;
    }

    /**
     * Legs to find routes for: random racks whose lowest ball can be potted fairly from where the cue ball lies, in its
     * likeliest pocket.
     *
     * @param float $least chance of the pot, 0–1
     *
     * @return list<array{Rack, int, Pocket}>
     */
    public function legs(int $count, int $balls = 5, float $least = 0.5): array
    {
        $random = new Generator($this->seed);
        $legs = [];
        while (\count($legs) < $count) {
            $layout = $this->rack($random, $balls);
            // The last one is the nine, so that the rack does not end before it.
            $rack = new Rack('leg', GameName::NineBall, new Table(), $layout->without($balls)->with(9, $layout->ball($balls)));
            foreach (FromHere::now($rack, $rack->layout->ball(BallId::CUE)) as $from) {
                if ($from->chance() >= $least) {
                    $legs[] = [$rack, $from->ball, $from->pots[0][0]];
                }
            }
        }

        return $legs;
    }

    /** A hard break of a frozen rack of fifteen. */
    public function break(): BallStates
    {
        $diameter = 2 * $this->simulator->ball->radius;
        $geometry = $this->simulator->geometry;
        $balls = [BallId::CUE => new Point(0.2 * $geometry->length, 0.5 * $geometry->width + 0.003)];
        $ball = 0;
        for ($row = 0; $row < 5; ++$row) {
            for ($place = 0; $place <= $row; ++$place) {
                $balls[++$ball] = new Point(
                    0.75 * $geometry->length + $row * $diameter * sqrt(0.75),
                    0.5 * $geometry->width + ($place - $row / 2) * $diameter,
                );
            }
        }

        return $this->simulator->struck(new Layout($balls), (new Shot(0.0, 9.0))->stroke());
    }

    private function rack(Generator $random, int $balls): Layout
    {
        $geometry = $this->simulator->geometry;
        $reach = $geometry->reach;
        $places = [];
        while (\count($places) <= $balls) {
            $place = new Point($random->between($reach, $geometry->length - $reach), $random->between($reach, $geometry->width - $reach));
            $clear = $geometry->canRest($place);
            foreach ($places as $other) {
                $clear = $clear && $place->distanceTo($other) >= 2 * $this->simulator->ball->radius;
            }
            if ($clear) {
                $places[] = $place;
            }
        }

        return new Layout($places);
    }
}
