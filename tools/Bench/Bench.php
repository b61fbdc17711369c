<?php

declare(strict_types=1);

namespace ZigLane\Tools\Bench;

use ZigLane\Core\Aiming\AimRefused;
use ZigLane\Core\Aiming\AimSolver;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Experiments\Planned;
use ZigLane\Core\Experiments\Season;
use ZigLane\Core\Experiments\Tally;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\Parallel\Processes;
use ZigLane\Core\Physics\BallStates;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Planning\PlanSearch;
use ZigLane\Core\Planning\SearchBudget;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Rack\FreshRack;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\Turn;
use ZigLane\Core\Reading\Openings;
use ZigLane\Core\Reading\TableReading;
use ZigLane\Core\Reading\ZoneFinder;
use ZigLane\Core\Routes\RouteSearch;

/**
 * Measures the core's speed on the fixed workload. Medians of repeated runs, after one run that is not counted.
 */
final readonly class Bench
{
    private const SHOTS = 2000;
    private const POTS = 300;
    private const RACKS = 4;
    private const REPEATS = 5;

    private Simulator $simulator;
    private Workload $workload;

    public function __construct()
    {
        $this->simulator = new Simulator();
        $this->workload = new Workload($this->simulator);
    }

    /**
     * Whole nine-ball shots a second on one core, cue speeds 1–3.5 m/s.
     *
     * @return array{cold: float, warm: float} the first pass of this process, and the best of five after it
     */
    public function shotsPerSecond(): array
    {
        $shots = $this->workload->shots(self::SHOTS);
        $cold = 0.0;
        $warm = INF;
        for ($n = 0; $n <= self::REPEATS; ++$n) {
            $runs = array_map(static fn(BallStates $shot): BallStates => clone $shot, $shots);
            $began = hrtime(true);
            foreach ($runs as $run) {
                $this->simulator->run($run);
            }
            $took = (hrtime(true) - $began) / 1e9;
            if (0 === $n) {
                $cold = $took;
            } else {
                $warm = min($warm, $took);
            }
        }

        return ['cold' => self::SHOTS / $cold, 'warm' => self::SHOTS / $warm];
    }

    /**
     * How good plans are: racks as a break leaves them, played with a league player's errors and planned anew for every shot.
     *
     * @return array{predicted: float, played: float} mean chance before the first shot, and the share that ran out, 0–1
     */
    public function quality(GameName $game, int $racks = 20): array
    {
        $tally = new Tally();
        $season = new Season($game, Player::of(Level::League), new Planned(SearchBudget::season($game->rules())), 1);
        foreach ($season->play($racks) as $played) {
            $tally->add($played);
        }

        return ['predicted' => $tally->predicted(), 'played' => $tally->rate()];
    }

    /** Milliseconds for one aim solve, refusals included. */
    public function aimSolveMs(): float
    {
        $solver = new AimSolver($this->simulator);
        $pots = $this->workload->pots(self::POTS);

        return 1000 / self::POTS * self::median(static function () use ($solver, $pots): void {
            foreach ($pots as [$layout, $request]) {
                try {
                    $solver->solve($layout, $request);
                } catch (AimRefused) {
                    // A refusal costs time too.
                }
            }
        });
    }

    /** Milliseconds for the break of a full rack of fifteen. */
    public function breakMs(): float
    {
        return 1000 * $this->time([$this->workload->break()]);
    }

    /** Milliseconds to read a nine-ball rack cold. */
    public function readingMs(): float
    {
        $racks = $this->workload->racks(self::RACKS);

        return 1000 / self::RACKS * self::median(static function () use ($racks): void {
            foreach ($racks as $rack) {
                TableReading::of($rack, $rack->player);
            }
        });
    }

    /** Milliseconds for the position zone of a rack's 5 in its widest pocket, cold. */
    public function zoneMs(): float
    {
        $wanted = [];
        foreach ($this->workload->racks(self::RACKS) as $rack) {
            $going = Openings::of($this->simulator, $rack->layout)->going(5);
            if ([] !== $going) {
                $wanted[] = [new ZoneFinder($rack), $going[0]->pocket];
            }
        }

        return 1000 / max(1, \count($wanted)) * self::median(static function () use ($wanted): void {
            foreach ($wanted as [$finder, $pocket]) {
                $finder->zone(5, $pocket);
            }
        });
    }

    /**
     * The search for routes on random legs: medians.
     *
     * @return array{first: float, settled: float, shots: int} ms to the first list and to the settled one, shots played
     */
    public function routes(): array
    {
        $first = $settled = $shots = [];
        foreach ($this->workload->legs(2 * self::RACKS + 1) as [$rack, $ball, $pocket]) {
            $search = new RouteSearch($rack, new Pot($ball, $pocket));
            $began = hrtime(true);
            $lists = 0;
            foreach ($search->routes() as $list) {
                if (1 === ++$lists) {
                    $first[] = (hrtime(true) - $began) / 1e6;
                }
            }
            $settled[] = (hrtime(true) - $began) / 1e6;
            $shots[] = $search->played();
        }
        sort($first);
        sort($settled);
        sort($shots);

        return ['first' => $first[self::RACKS], 'settled' => $settled[self::RACKS], 'shots' => $shots[self::RACKS]];
    }

    /**
     * Whole plans of racks as a break leaves them, the ball in hand: medians, and the most memory.
     *
     * @return array{first: float, settled: float, memory: float, runOut: float} s to the first complete line and to the settled one; MB;
     *                                                       mean chance, 0–1
     */
    public function plans(GameName $game = GameName::NineBall, int $racks = 5, int $processes = 1): array
    {
        $first = $settled = [];
        $sum = 0.0;
        for ($n = 0; $n <= $racks; ++$n) {
            $rack = FreshRack::broken($game, 500 + $n, Player::of(Level::League))->rack->withBallInHand(true);
            [$one, $all, $runOut] = self::plan($rack, $processes);
            // The first one warms up.
            if ($n > 0) {
                $first[] = $one;
                $settled[] = $all;
                $sum += $runOut;
            }
        }
        sort($first);
        sort($settled);

        return ['first' => $first[intdiv($racks, 2)], 'settled' => $settled[intdiv($racks, 2)], 'memory' => memory_get_peak_usage() / 1e6, 'runOut' => $sum / $racks];
    }

    /**
     * How planning grows with the balls: straight pool with balls anywhere and the ball in hand; one ball alone is nine-ball's.
     *
     * @return list<array{balls: int, first: float, settled: float, runOut: float}> s
     */
    public function planCurve(): array
    {
        $rows = [];
        foreach ([1, 2, 3, 4, 6, 8, 10, 12, 15] as $balls) {
            [$rack] = $this->workload->racks(1, $balls);
            $rack = new Rack('bench', 1 === $balls ? GameName::NineBall : GameName::StraightPool, $rack->table, $rack->layout, new Turn(ballInHand: true));
            [$first, $settled, $runOut] = self::plan($rack);
            $rows[] = ['balls' => $balls, 'first' => round($first, 2), 'settled' => round($settled, 2), 'runOut' => round($runOut, 3)];
        }

        return $rows;
    }

    /**
     * @return array{float, float, float} s to the first and the last plan, and its chance
     */
    private static function plan(Rack $rack, int $processes = 1): array
    {
        $began = hrtime(true);
        $first = null;
        $runOut = 0.0;
        $search = new PlanSearch($rack, processes: Processes::atMost($processes));
        foreach ($search->plans() as $plan) {
            $first ??= (hrtime(true) - $began) / 1e9;
            $runOut = $plan->runOut;
        }

        return [(float) $first, (hrtime(true) - $began) / 1e9, $runOut];
    }

    /**
     * How cost grows.
     *
     * @return list<array{balls: int, cueSpeed: float, microseconds: float, events: float}> per shot
     */
    public function curve(): array
    {
        $rows = [];
        foreach ([[1, 2.0], [3, 2.0], [6, 2.0], [9, 2.0], [12, 2.0], [15, 2.0], [9, 0.5], [9, 1.0], [9, 4.0], [9, 8.0], [9, 12.0]] as [$balls, $speed]) {
            $shots = $this->workload->shots(300, $balls, $speed, $speed);
            $events = 0;
            foreach ($shots as $shot) {
                $run = clone $shot;
                $this->simulator->run($run);
                $events += $run->eventCount;
            }
            $rows[] = [
                'balls' => $balls,
                'cueSpeed' => $speed,
                'microseconds' => round($this->time($shots) / 300 * 1e6, 1),
                'events' => round($events / 300, 1),
            ];
        }

        return $rows;
    }

    /**
     * @param list<BallStates> $shots
     *
     * @return float s for all of them
     */
    private function time(array $shots): float
    {
        $simulator = $this->simulator;

        return self::median(static function () use ($simulator, $shots): void {
            foreach ($shots as $shot) {
                $simulator->run(clone $shot);
            }
        });
    }

    /**
     * @param callable(): void $work
     *
     * @return float s
     */
    private static function median(callable $work): float
    {
        $work();
        $times = [];
        for ($i = 0; $i < self::REPEATS; ++$i) {
            $began = hrtime(true);
            $work();
            $times[] = (hrtime(true) - $began) / 1e9;
        }
        sort($times);

        return $times[intdiv(self::REPEATS, 2)];
    }
}
