<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading\Trouble;

use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Games\Game;
use ZigLane\Core\Geometry\Angle;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Reading\Indirect;
use ZigLane\Core\Reading\IndirectSearch;
use ZigLane\Core\Reading\Opening;
use ZigLane\Core\Reading\Openings;
use ZigLane\Core\Settings\Defaults;

/**
 * Finds trouble in a layout. Who is shot before whom comes from the game: with a fixed order the
 * lower ball, else nobody in particular.
 */
final readonly class TroubleFinder
{
    /** A breakout: the cue ball leaves the contact between these angles from the ball's way, rad, and this near, m. */
    private const BREAK_LOW = 0.5;
    private const BREAK_HIGH = 1.75;
    private const BREAK_REACH = 1.0;

    private float $diameter;

    /**
     * @param list<int> $own balls that this player has to pocket
     */
    public function __construct(
        private Simulator $simulator,
        private Layout $layout,
        private Openings $openings,
        private array $own,
        private bool $inOrder,
    ) {
        $this->diameter = 2 * $simulator->ball->radius;
    }

    /** A finder for one layout, read already. */
    public static function for(Simulator $simulator, Layout $layout, Openings $openings, Game $game): self
    {
        return new self($simulator, $layout, $openings, $game->ownBalls($layout), $game->hasFixedOrder());
    }

    /**
     * @param array<int, list<Indirect>> $indirect ways for balls without a direct one, by ball
     *
     * @return list<Trouble> the worst first
     */
    public function all(array $indirect): array
    {
        $found = [
            ...$this->clusters(),
            ...$this->stuck($indirect),
            ...$this->sameLane(),
            ...$this->onePocket(),
            ...$this->byRail(),
            ...$this->far(),
        ];
        usort($found, static fn(Trouble $a, Trouble $b): int => [$b->weight, $a->balls[0]] <=> [$a->weight, $b->balls[0]]);

        return $found;
    }

    /**
     * Ways for a ball with no direct one.
     *
     * @return list<Indirect>
     */
    public function indirect(int $ball): array
    {
        // Another player's ball is no gain; with a fixed order every ball that drops keeps the turn.
        return \array_slice(array_values(array_filter(
            IndirectSearch::of($this->simulator, $this->layout, $ball),
            fn(Indirect $way): bool => \in_array($way->potted, $this->own, true),
        )), 0, 3);
    }

    /**
     * @param array<int, list<Indirect>> $indirect
     *
     * @return list<Trouble>
     */
    private function stuck(array $indirect): array
    {
        $found = [];
        foreach ($this->own as $ball) {
            if ([] !== $this->openings->going($ball)) {
                continue;
            }
            $best = $this->bestBlocked($ball);
            $ways = $indirect[$ball] ?? [];
            $otherWay = $ways[0] ?? null;
            if (null === $best) {
                $found[] = new NoPocket($ball, $otherWay);
                continue;
            }
            $blockers = $best->blockers;
            $later = array_values(array_filter($blockers, fn(int $b): bool => !$this->inOrder || $b > $ball));
            if ([] === $later && [] !== $blockers) {
                $found[] = new OpensInTurn($ball, $blockers);
                continue;
            }
            $by = [] === $later ? [$ball] : $later;
            // Blocking another ball's only way weighs as much as being the ball that cannot go.
            $found[] = new ShutIn($ball, $by, $this->opener($ball, [...$by, $ball]), $this->inOrder, $otherWay);
        }

        return $found;
    }

    /**
     * @return list<Trouble>
     */
    private function onePocket(): array
    {
        $found = [];
        foreach ($this->own as $ball) {
            $going = $this->openings->going($ball);
            if (1 !== \count($going)) {
                continue;
            }
            $only = $going[0];
            // A ball hanging in a pocket needs no other.
            if ($only->distance < 0.25 && !$only->narrowed()) {
                continue;
            }
            $lost = array_values(
                array_unique(
                    array_merge(
                        ...array_values(
                            array_map(static fn(Opening $o): array => $o->blocked() ? $o->blockers : [], $this->openings->ofBall($ball)),
                        ),
                    ),
                ),
            );
            $found[] = new OnePocket($ball, $only, $lost);
            foreach ($only->blockers as $other) {
                if ($only->narrowed() && (!$this->inOrder || $other > $ball)) {
                    $found[] = new InTheOnlyWay($ball, $other, $only->pocket);
                    break;
                }
            }
        }

        return $found;
    }

    /**
     * @return list<Trouble>
     */
    private function sameLane(): array
    {
        $only = [];
        foreach ($this->own as $ball) {
            $going = $this->openings->going($ball);
            if (1 === \count($going)) {
                $only[$going[0]->pocket->value][] = $ball;
            }
        }
        $found = [];
        foreach ($only as $pocket => $balls) {
            if (\count($balls) > 1) {
                $found[] = new SameLane($balls, Pocket::from($pocket));
            }
        }

        return $found;
    }

    /**
     * @return list<Trouble>
     */
    private function clusters(): array
    {
        $group = [];
        $balls = $this->layout->objectBalls();
        foreach ($balls as $ball) {
            $group[$ball] = $ball;
        }
        $least = INF;
        foreach ($balls as $n => $a) {
            foreach (\array_slice($balls, $n + 1) as $b) {
                $gap = $this->layout->ball($a)->distanceTo($this->layout->ball($b)) - $this->diameter;
                if ($gap < Defaults::CLUSTERED) {
                    $least = min($least, $gap);
                    [$from, $to] = [$group[$b], $group[$a]];
                    $group = array_map(static fn(int $g): int => $g === $from ? $to : $g, $group);
                }
            }
        }
        $found = [];
        foreach (array_unique($group) as $name) {
            $members = array_keys($group, $name, true);
            if (\count($members) < 2 || [] === array_intersect($members, $this->own)) {
                continue;
            }
            $hindered = array_filter(
                $members,
                fn(int $b): bool => [] !== array_filter(
                    $this->openings->ofBall($b),
                    static fn(Opening $o): bool => [] !== array_intersect($o->blockers, $members),
                ),
            );
            if ([] === $hindered) {
                continue;
            }
            $shut = array_values(array_filter($members, fn(int $b): bool => [] === $this->openings->going($b)));
            $first = min(array_intersect($members, $this->own));
            $found[] = new Cluster($members, $least < Defaults::TOUCHING, $shut, $this->opener($first, $members));
        }

        return $found;
    }

    /**
     * @return list<Trouble>
     */
    private function byRail(): array
    {
        $g = $this->simulator->geometry;
        $found = [];
        foreach ($this->own as $ball) {
            $p = $this->layout->ball($ball);
            $gaps = ['head' => $p->x, 'foot' => $g->length - $p->x, 'left' => $p->y, 'right' => $g->width - $p->y];
            asort($gaps);
            $rail = (string) array_key_first($gaps);
            $gap = $gaps[$rail] - $g->reach;
            if ($gap >= Defaults::BY_RAIL || $this->inMouth($ball)) {
                continue;
            }
            $found[] = $gap < Defaults::FROZEN ? new FrozenToRail($ball, $rail) : new NearRail($ball, $rail, $gap);
        }

        return $found;
    }

    /**
     * @return list<Trouble>
     */
    private function far(): array
    {
        $balls = $this->layout->objectBalls();
        $found = [];
        foreach ($this->own as $ball) {
            $others = array_values(array_filter($balls, static fn(int $b): bool => $b !== $ball));
            if (\count($others) < 2) {
                continue;
            }
            $near = min(array_map(fn(int $b): float => $this->layout->ball($ball)->distanceTo($this->layout->ball($b)), $others));
            if ($near > Defaults::FAR * $this->simulator->geometry->length / 2.54) {
                $found[] = new Alone($ball, $near / ($this->simulator->geometry->length / 8), $this->inOrder);
            }
        }

        return $found;
    }

    /** The blocked opening that is easiest to open: fewest balls in the way, then widest. */
    private function bestBlocked(int $ball): ?Opening
    {
        $blocked = array_values(
            array_filter($this->openings->ofBall($ball), static fn(Opening $o): bool => $o->blocked() && [] !== $o->blockers),
        );
        // In a fixed order a pocket that only earlier balls cover opens by itself.
        $later = fn(Opening $o): int => \count(array_filter($o->blockers, fn(int $b): bool => !$this->inOrder || $b > $ball));
        usort(
            $blocked,
            static fn(Opening $a, Opening $b): int => [
                $later($a),
                \count($a->blockers),
                -$a->open,
            ] <=> [$later($b), \count($b->blockers), -$b->open],
        );

        return $blocked[0] ?? null;
    }

    /**
     * An earlier pot whose cue-ball way can move one of these; null when there is none.
     *
     * @param list<int> $targets
     */
    private function opener(int $before, array $targets): ?Opener
    {
        $best = null;
        $nearest = self::BREAK_REACH;
        foreach ($this->own as $ball) {
            if (\in_array($ball, $targets, true) || ($this->inOrder && $ball >= $before)) {
                continue;
            }
            foreach ($this->openings->going($ball) as $opening) {
                $at = $this->layout->ball($ball);
                $way = $at->angleTo($this->simulator->geometry->pocket($opening->pocket)->entrance($at));
                $ghost = $at->toward($way, -$this->diameter);
                foreach ($targets as $target) {
                    $to = $this->layout->ball($target);
                    $far = $ghost->distanceTo($to);
                    $angle = abs(Angle::wrap($ghost->angleTo($to) - $way));
                    if (
                        $far < $nearest
                        && $angle > self::BREAK_LOW
                        && $angle < self::BREAK_HIGH
                        && $this->clear($ghost->x, $ghost->y, $target, $ball)
                    ) {
                        $nearest = $far;
                        $best = new Opener($ball, $opening->pocket, $target);
                    }
                }
            }
        }

        return $best;
    }

    private function clear(float $x, float $y, int $target, int $but): bool
    {
        $to = $this->layout->ball($target);
        $far = hypot($to->x - $x, $to->y - $y);
        foreach ($this->layout->objectBalls() as $id) {
            if ($id === $target || $id === $but) {
                continue;
            }
            $p = $this->layout->ball($id);
            $along = (($p->x - $x) * ($to->x - $x) + ($p->y - $y) * ($to->y - $y)) / max($far, 1e-9);
            $aside = abs(($p->y - $y) * ($to->x - $x) - ($p->x - $x) * ($to->y - $y)) / max($far, 1e-9);
            if ($along > 0.0 && $along < $far && $aside < $this->diameter) {
                return false;
            }
        }

        return true;
    }

    private function inMouth(int $ball): bool
    {
        foreach ($this->simulator->geometry->pockets as $pocket) {
            if ($this->layout->ball($ball)->distanceTo($pocket->mouthMiddle()) < 0.12) {
                return true;
            }
        }

        return false;
    }
}
