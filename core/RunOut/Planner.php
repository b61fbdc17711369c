<?php

declare(strict_types=1);

namespace ZigLane\Core\RunOut;

use ZigLane\Core\Ball\BallId;
use ZigLane\Core\Chance\PotChance;
use ZigLane\Core\Game\GameName;
use ZigLane\Core\Game\Group;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Reading\Order;
use ZigLane\Core\Route\Route;
use ZigLane\Core\Route\RouteSearch;
use ZigLane\Core\RunOut\Internal\Tables;
use ZigLane\Core\RunOut\Internal\Worths;
use ZigLane\Core\Simulation\Layout;
use ZigLane\Core\Simulation\Simulator;
use ZigLane\Core\Table\Pocket;
use ZigLane\Core\Table\Point;

/**
 * Chooses shots by the chance to run out: the worth of resting places is worked out backward (Worths), then strokes into the
 * good ones are searched and judged by playing them with errors. Made for one table, cue and player; keeps its tables from
 * shot to shot.
 */
final class Planner
{
    /** A choice roughly worth less than this share of the best is not looked into. */
    private const NEAR = 0.55;

    /** Sets of more balls than this are not all gone through. */
    private const ALL_SETS = 8;

    /** Places tried with the ball in hand. */
    private const IN_HAND = 3;

    private readonly Simulator $simulator;
    private readonly Tables $tables;
    private ?Worths $worths = null;
    private ?Rack $made = null;

    public function __construct(Rack $rack, private readonly Effort $effort, private readonly Pins $pins = new Pins(), ?self $other = null)
    {
        $this->simulator = $rack->simulator();
        $this->tables = null === $other ? new Tables($this->simulator, $rack->player) : $other->tables;
    }

    /**
     * The best shot; null when there is none.
     *
     * @param Rack $rack with the cue ball on the table; in eight-ball the group must be known
     */
    public function next(Rack $rack): ?Choice
    {
        $worths = $this->worths($rack);
        $set = Worths::set($rack->layout);
        $cue = $rack->layout->ball(BallId::CUE);
        $found = [];
        foreach ($this->choices($rack, $worths, $set) as [$ball, $pocket, $about]) {
            $strokes = $this->strokes($rack, $worths, $set, $ball, $pocket);
            if ([] === $strokes) {
                continue;
            }
            $outlook = new RunOutlook($rack, $worths, $ball, $set & ~(1 << $ball));
            $search = new RouteSearch($rack, $ball, $pocket, $outlook);
            $routes = $search->from($strokes, 0, tries: $this->effort->refined > 0 ? RouteSearch::FEW : $this->effort->tries);
            if ([] !== $routes) {
                $found[] = [$routes, $search];
            }
        }
        usort($found, static fn(array $a, array $b): int => $b[0][0]->worth <=> $a[0][0]->worth);
        $best = [];
        foreach ($found as $n => [$routes, $search]) {
            if ($n < $this->effort->refined && $routes[0]->worth > self::NEAR * $found[0][0][0]->worth) {
                $seeds = array_map(static fn(Route $r): array => [$r->shot->speed, $r->shot->tip->side, $r->shot->tip->height], \array_slice($routes, 0, 4));
                $routes = $search->from($seeds, min(2, $this->effort->refined + 1), $this->effort->rounds, $this->effort->tries);
            }
            array_push($best, ...$routes);
        }
        usort($best, static fn(Route $a, Route $b): int => [$b->tries, $b->worth] <=> [$a->tries, $a->worth]);

        return [] === $best ? null : new Choice($best[0], $worths, $set, \array_slice($best, 1));
    }

    /**
     * The likeliest places for the ball in hand, the best first.
     *
     * @return list<Point>
     */
    public function inHand(Rack $rack): array
    {
        $worths = $this->worths($rack);
        $values = $worths->worths(Worths::set($rack->layout));
        arsort($values);
        $places = [];
        $nodes = $this->tables->grid->nodes();
        $diameter = 2 * $this->simulator->ball->radius;
        foreach ($values as $node => $value) {
            $place = new Point(...$nodes[$node]);
            if (!$this->simulator->geometry->canRest($place)) {
                continue;
            }
            foreach ($rack->layout->objectBalls() as $ball) {
                if ($place->distanceTo($rack->layout->ball($ball)) < $diameter + 0.003) {
                    continue 2;
                }
            }
            foreach ($places as $other) {
                if ($place->distanceTo($other) < 0.2) {
                    continue 2;
                }
            }
            $places[] = $place;
            if (\count($places) >= self::IN_HAND) {
                break;
            }
        }

        return $places;
    }

    /**
     * The rack with the cue ball put down and, on an open table, a group taken: as the best plan begins.
     *
     * @return array{Rack, Choice|null}
     */
    public function begin(Rack $rack): array
    {
        $racks = [$rack];
        if (GameName::EightBall === $rack->game && null === $rack->group) {
            $racks = [$rack->withGroup(Group::Solids), $rack->withGroup(Group::Stripes)];
        }
        $best = [$racks[0], null];
        foreach ($racks as $one) {
            $places = $one->ballInHand || !$one->layout->has(BallId::CUE) ? $this->inHand($one) : [$one->layout->ball(BallId::CUE)];
            foreach ($places as $place) {
                $laid = $one->withBall(BallId::CUE, $place)->withBallInHand(false);
                $choice = $this->next($laid);
                if (null !== $choice && (null === $best[1] || $choice->runOut() > $best[1]->runOut())) {
                    $best = [$laid, $choice];
                }
            }
        }

        return $best;
    }

    public function worths(Rack $rack): Worths
    {
        if (null === $this->worths || null === $this->made || !$this->serves($this->made, $rack)) {
            $this->worths = new Worths($rack, $this->tables, $this->effort->sides, $this->pins->pockets);
            $this->made = $rack;
            $own = Order::own($rack->rules(), $rack->layout);
            if (!Order::isFixed($rack->rules()) && \count($own) > self::ALL_SETS) {
                $this->worths->through(Worths::set($rack->layout), Orders::likely($this->simulator, $rack, $this->effort->orders));
            }
        }

        return $this->worths;
    }

    /** Whether what was worked out for one rack holds for another: balls may be gone, but none moved. */
    private function serves(Rack $made, Rack $rack): bool
    {
        if ($made->group !== $rack->group) {
            return false;
        }
        foreach ($rack->layout->objectBalls() as $ball) {
            if (!$made->layout->has($ball) || $made->layout->ball($ball)->distanceTo($rack->layout->ball($ball)) > 1e-4) {
                return false;
            }
        }

        // A set off the orders gone through has no worth.
        return $this->worths?->knows(Worths::set($rack->layout)) ?? false;
    }

    /**
     * @return list<array{int, Pocket, float}>
     */
    private function choices(Rack $rack, Worths $worths, int $set): array
    {
        $cue = $rack->layout->ball(BallId::CUE);
        $choices = $worths->choices($set, $cue->x, $cue->y);
        $found = [];
        foreach ($choices as [$ball, $pocket, $about]) {
            if ($about < self::NEAR * $choices[0][2] || \count($found) >= $this->effort->choices) {
                break;
            }
            $found[] = [$ball, $pocket, $about];
        }

        return $found;
    }

    /**
     * @return list<array{float, float, float, float}>
     */
    private function strokes(Rack $rack, Worths $worths, int $set, int $ball, Pocket $pocket): array
    {
        $cue = $rack->layout->ball(BallId::CUE);
        $pot = new PotChance($this->simulator, new Layout([BallId::CUE => $cue, $ball => $rack->layout->ball($ball)]), $ball, $pocket, $rack->player);
        $cut = $pot->cutFrom($cue->x, $cue->y);
        $strokes = $worths->strokes($set, $ball, $pocket, $this->tables->grid->node($cue->x, $cue->y), $cut, $cue->distanceTo($rack->layout->ball($ball)));

        return \array_slice($strokes, 0, $this->effort->strokes);
    }
}
