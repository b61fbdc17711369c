<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Planning;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\AimedStroke;
use ZigLane\Core\Physics\BallStates;
use ZigLane\Core\Physics\CueStrike;
use ZigLane\Core\Physics\Motion;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Planning\RunOutEvaluator;
use ZigLane\Core\Planning\Value\ArrivalGrid;
use ZigLane\Core\Planning\Value\ArrivalIndex;
use ZigLane\Core\Planning\Value\ArrivalSteps;
use ZigLane\Core\Planning\Value\CueBallArrival;
use ZigLane\Core\Planning\Value\CueBallGrid;
use ZigLane\Core\Planning\Value\PlanningCache;
use ZigLane\Core\Planning\Value\PotApproach;
use ZigLane\Core\Planning\Value\PotChanceGrid;
use ZigLane\Core\Planning\Value\RemainingBalls;
use ZigLane\Core\Planning\Value\StateValues;
use ZigLane\Core\Planning\Value\StrokeProposals;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Potting\ErrorSamples;
use ZigLane\Core\Potting\PotChance;
use ZigLane\Core\Routes\RouteSearch;
use ZigLane\Tests\Core\Reading\Read;
use ZigLane\Tests\Survey;
use ZigLane\Tools\Bench\Workload;

/**
 * The tables behind a plan against the simulator, the exact chances, and the search that they lead.
 */
final class StateValuesTest extends TestCase
{
    /** A stroke worked backward from the contact arrives there as it should: speed and rolling share, by the simulator. */
    public function testStrokesArriveAsWorkedOut(): void
    {
        $simulator = new Simulator();
        $r = $simulator->ball->radius;
        $tried = 0;
        foreach (ArrivalSteps::ROLLS as $roll) {
            foreach ([0.6, 1.0, 1.8, 3.0] as $speed) {
                foreach (ArrivalSteps::DISTANCES as $distance) {
                    $stroke = ArrivalGrid::stroke($simulator, new CueBallArrival($roll, 0.0, $speed), $distance);
                    if (null === $stroke) {
                        continue;
                    }
                    ++$tried;
                    $motion = CueStrike::of(new AimedStroke(0.0, $stroke), $simulator->cue, $simulator->ball);
                    $state = new BallStates();
                    $state->add(0.3, 0.6, $motion);
                    $simulator->run($state, record: true);
                    foreach ($state->paths[0] as $piece) {
                        // When it has come so far, on the piece that goes there.
                        $square = $piece->vx * $piece->vx + 2 * $piece->ax * (0.3 + $distance - $piece->start->x);
                        if ($piece->start->x <= 0.3 + $distance && $piece->end()->x >= 0.3 + $distance && $square > 0) {
                            $arrives = sqrt($square);
                            self::assertEqualsWithDelta($speed, $arrives, 0.035 * $speed, "roll $roll, $distance m");
                            if ($roll < 1.0) {
                                $spin = $motion->wy + 2.5 * 0.2 * 9.80665 / $r * ($piece->vx - $arrives) / (0.2 * 9.80665);
                                self::assertEqualsWithDelta($roll, $r * $spin / $arrives, 0.02, "roll $roll at $speed m/s, $distance m");
                            }
                            break;
                        }
                    }
                }
            }
        }
        self::assertGreaterThan(40, $tried);
    }

    /**
     * Where a pot carries the cue ball, against both balls played on the whole table: the speeds that are played exactly, those
     * between nearly.
     */
    public function testCarriesAreWhatTheSimulatorPlays(): void
    {
        $simulator = new Simulator();
        $cache = new PlanningCache($simulator, Player::of(Level::League));
        $rack = Read::rack(['cue' => [1, 1], 1 => [5.2, 1.3]]);
        $transitions = $cache->transitions($rack->layout, new Pot(1, Pocket::FootLeft));
        $r = $simulator->ball->radius;
        $random = new Generator(4);
        $exact = $between = [];
        while (\count($between) < 300) {
            $c = $random->integer(1, ArrivalGrid::CUTS - 2);
            $index = ArrivalIndex::all()[3 * $random->integer(0, 4) + $random->integer(0, 2)];
            $k = $random->integer(0, ArrivalSteps::SPEEDS - 1);
            $entry = $index->first() + $k;
            $there = $transitions->at($c, $index->side);
            if ($there->node[$entry] < 0) {
                continue;
            }
            $speed = $cache->grids->arrivals->speeds[$k];
            $arrival = $index->arrival($speed);
            [$vx, $vy] = [$speed * cos($transitions->toward - deg2rad($c * ArrivalGrid::CUT_STEP - ArrivalGrid::WIDEST)), $speed * sin($transitions->toward - deg2rad($c * ArrivalGrid::CUT_STEP - ArrivalGrid::WIDEST))];
            $motion = new Motion($vx, $vy, -$arrival->roll * $vy / $r, $arrival->roll * $vx / $r, -$arrival->side * $speed / $r);
            $line = $transitions->toward;
            for ($n = 0; $n < 2; ++$n) {
                $state = new BallStates();
                $state->add($transitions->from->x - (2 * $r + 1e-7) * cos($line), $transitions->from->y - (2 * $r + 1e-7) * sin($line), $motion);
                $state->add($transitions->from->x, $transitions->from->y);
                $simulator->run($state, stopAtHit: 0 === $n);
                if (0 === $n) {
                    $line = 2 * $transitions->toward - atan2($state->vy[1], $state->vx[1]);
                }
            }
            $off = hypot($state->x[0] - $there->x[$entry], $state->y[0] - $there->y[$entry]);
            // Between the fast ones every second is played.
            if ($k > ArrivalSteps::FAST && 0 === (ArrivalSteps::SPEEDS - 1 - $k) % 2) {
                $exact[] = $off;
            } else {
                $between[] = $off;
            }
        }
        sort($exact);
        sort($between);
        // Beside them the two balls that meet a second time, which the table leaves out.
        self::assertLessThan(0.001, $exact[(int) (0.9 * \count($exact))]);
        self::assertLessThan(0.05, $between[(int) (0.5 * \count($between))]);
        self::assertLessThan(0.25, $between[(int) (0.85 * \count($between))]);
    }

    /** Balls that the cue ball meets are those that the simulator says it meets. */
    public function testTouchedBallsAreMet(): void
    {
        $simulator = new Simulator();
        $cache = new PlanningCache($simulator, Player::of(Level::League));
        $rack = Read::rack(['cue' => [1, 1], 1 => [5.2, 1.3], 5 => [3.0, 2.6], 7 => [4.2, 0.8], 9 => [6.0, 3.2]]);
        $transitions = $cache->transitions($rack->layout, new Pot(1, Pocket::FootLeft));
        $seen = 0;
        for ($c = 0; $c < ArrivalGrid::CUTS; $c += ArrivalGrid::COARSE) {
            $there = $transitions->at($c, 0);
            foreach ($there->touched($rack->layout, 1) as $entry => $mask) {
                if ($there->node[$entry] < 0 || 0 !== $entry % 3) {
                    continue;
                }
                foreach ([5, 7, 9] as $ball) {
                    $near = self::nearest($there->ways[$there->run[$entry]], $there->stop[$entry], $rack->layout->ball($ball));
                    if (abs($near - 0.05715) > 0.004) {
                        self::assertSame($near < 0.05715, 0 !== ($mask >> $ball & 1), "cut $c, entry $entry, ball $ball at $near m");
                        ++$seen;
                    }
                }
            }
        }
        self::assertGreaterThan(500, $seen);
    }

    /**
     * How near a way comes to a place before it stops, by small steps, m.
     *
     * @param list<float> $way  corners, x and y in turn
     * @param float       $stop chord and share of it
     */
    private static function nearest(array $way, float $stop, Point $at): float
    {
        $near = INF;
        for ($k = 1; $k <= (int) ceil($stop); ++$k) {
            for ($part = 0; $part <= 40 && $k - 1 + $part / 40 <= $stop; ++$part) {
                $x = $way[2 * $k - 2] + ($way[2 * $k] - $way[2 * $k - 2]) * $part / 40;
                $y = $way[2 * $k - 1] + ($way[2 * $k + 1] - $way[2 * $k - 1]) * $part / 40;
                $near = min($near, hypot($x - $at->x, $y - $at->y));
            }
        }

        return $near;
    }

    /** The rough chances against PotChance's on random racks: mean difference and mean absolute difference. */
    public function testRoughChancesAreNearTheExactOnes(): void
    {
        $simulator = new Simulator();
        $player = Player::of(Level::League);
        $cache = new PlanningCache($simulator, $player);
        $nodes = $cache->grids->positions->nodes();
        $off = [];
        foreach ((new Workload($simulator, 5))->racks(5) as $rack) {
            $remaining = RemainingBalls::of($rack->layout);
            foreach ([[1, Pocket::FootLeft], [4, Pocket::SideRight], [7, Pocket::HeadRight]] as [$ball, $pocket]) {
                $chanceGrid = new PotChanceGrid($cache, $rack->layout, new Pot($ball, $pocket), $player);
                $pot = new PotChance($simulator, $rack->layout, new Pot($ball, $pocket), $player);
                [$soft] = $chanceGrid->chances($remaining->without($ball)->bits);
                foreach ($chanceGrid->nodes as $n => $node) {
                    if (0 === $n % 9) {
                        $mine = 0 === ($chanceGrid->blocked[$n] & $remaining->without($ball)->bits) ? $soft[$n] : 0.0;
                        $off[] = $mine - $pot->fromPlace(...$nodes[$node])->chance;
                    }
                }
            }
        }
        self::assertGreaterThan(150, \count($off));
        self::assertLessThan(0.03, abs(array_sum($off) / \count($off)));
        self::assertLessThan(0.06, array_sum(array_map(abs(...), $off)) / \count($off));
    }

    /**
     * What the maps promise for a place is what the search then finds there, judged by errors that neither has seen: the mean of
     * one over that of the other, for 18 racks (6 in the suite).
     */
    public function testTheMapsNeitherFlatterNorBelittle(): void
    {
        $simulator = new Simulator();
        $player = Player::of(Level::League);
        $random = new Generator(3);
        $fresh = ErrorSamples::random(500, $random);
        $promised = $found = 0.0;
        $cases = 0;
        foreach ((new Workload($simulator, 11))->racks(Survey::size(18, 4), 5) as $rack) {
            $layout = $rack->layout->without(5)->with(9, $rack->layout->ball(5));
            $rack = $rack->withLayout($layout);
            $cache = new PlanningCache($simulator, $player);
            $stateValues = new StateValues($rack, $cache);
            $remaining = RemainingBalls::of($layout);
            $good = array_keys(array_filter($stateValues->values($remaining), static fn(float $w): bool => $w > 0.4 * $stateValues->highest($remaining)));
            foreach (range(1, 3) as $_) {
                $place = new Point(...$cache->grids->positions->nodes()[$good[$random->integer(0, \count($good) - 1)]]);
                $choice = (new StrokeProposals($stateValues))->candidates($remaining, $place->x, $place->y)[0] ?? null;
                if (null === $choice) {
                    continue;
                }
                $laid = $rack->withBall(0, $place);
                $pot = new PotChance($simulator, $laid->layout, $choice->pot, $player);
                if (!$pot->free($place->x, $place->y)) {
                    continue;
                }
                $strokes = (new StrokeProposals($stateValues))->strokes($remaining, $choice->pot, new PotApproach($cache->grids->positions->node($place->x, $place->y), $pot->cutFrom($place->x, $place->y), $place->distanceTo($layout->ball($choice->pot->ball))));
                $search = new RouteSearch($laid, $choice->pot, new RunOutEvaluator($laid, $stateValues, $choice->pot->ball));
                $routes = $search->from(\array_slice($strokes, 0, 10), 1, 2, 96);
                $promised += $stateValues->valueAt($remaining, $place->x, $place->y);
                $found += [] === $routes ? 0.0 : $search->chances($routes[0]->shot, $fresh)->value;
                ++$cases;
            }
        }
        self::assertGreaterThan(Survey::size(40, 8), $cases);
        self::assertEqualsWithDelta(1.0, $found / $promised, 0.12);
    }

    /** From a place deep in good position for the last ball only its pot is left; and no value is above 1. */
    public function testTheLastBall(): void
    {
        $rack = Read::rack(['cue' => [4, 2], 9 => [6.6, 0.9]]);
        $cache = new PlanningCache($rack->simulator(), $rack->player);
        $stateValues = new StateValues($rack, $cache);
        $chanceGrid = new PotChanceGrid($cache, $rack->layout, new Pot(9, Pocket::FootLeft), $rack->player);
        [$soft] = $chanceGrid->chances(0);
        $all = $stateValues->values(RemainingBalls::these([9]));
        self::assertCount(CueBallGrid::NODES, $all);
        foreach ($chanceGrid->nodes as $n => $node) {
            self::assertGreaterThanOrEqual(min($soft[$n], 0.9) - 0.35, $all[$node]);
        }
        self::assertLessThanOrEqual(1.0, max($all));
        self::assertGreaterThan(0.95, max($all));
        self::assertSame([], $stateValues->values(RemainingBalls::these([])));
        self::assertSame(1.0, $stateValues->valueAt(RemainingBalls::these([]), 1.0, 0.6));
    }
}
