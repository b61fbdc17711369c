<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Games\Game;
use ZigLane\Core\Geometry\Contour;
use ZigLane\Core\Geometry\Region;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Planning\PlanConstraints;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Reading\Order;

/**
 * State values of a run-out, by backward induction (R. Bellman, "Dynamic Programming", 1957). A state is the cue ball's position
 * and the set of remaining balls; its value is the chance to run out from there under best play.
 *
 * The value of a state is the maximum, over the legal balls and their pockets, of the chance of the pot times the continuation
 * value of the cut there; and that is the maximum, over the arrivals of ArrivalGrid that can be played, of the value of the state
 * in which the cue ball then stops, averaged over the player's error of speed. Object balls are assumed to stay where they lie. A
 * cue ball that runs into another one leaves an unknown position: a share of the mean value; but where it meets a ball of a
 * cluster, the cluster counts as open from then on.
 *
 * Remaining balls are one bit for each ball number; bit 0 (the cue ball's) says that the clusters have been broken.
 *
 * @internal
 */
final class StateValues
{
    /**
     * What running into a ball leaves: of the mean value of all positions, and of the value of the cue ball's own had nothing
     * been moved. Fitted to tables replanned after 319 such shots in three games, see docs/planning.md.
     */
    private const OF_MEAN = 0.45;
    private const OF_PLACE = 0.5;

    /** How often a cluster that is run into opens (our own choice). */
    private const OPENS = 0.7;

    /**
     * Where nothing can be shot from anywhere, something will have been moved by then in so many cases, and what comes after is
     * left at its mean (our own choice): without it all states before would have the same value.
     */
    private const LUCK = 0.2;

    /** Strokes that run into a ball which are tried. */
    private const CONTACTS = 8;

    public const BROKEN = 1;

    private const DISTANCES = 4;
    private const PACES = 3;

    /**
     * In eight-ball what a shot leads on to is less than the tables say while the other group's balls lie about: they are moved
     * and come into the way. Fitted to seasons of 60 racks at league level, rng 1, and held against rng 2 (docs/planning.md).
     */
    private const OTHERS = 0.006;

    /** With so many balls left beside the last, every second cut will do. */
    private const FAR_OFF = 5;

    /** With so many or more left, where the order is free, a look without side spin and at every second cut will do. */
    private const CLOSE = 4;

    /** Share of each neighbouring cut that is mixed in: the ball is not always hit where it should be. */
    private const ASIDE = 0.2;

    private readonly Game $game;
    private readonly Layout $layout;
    public readonly Pots $pots;
    public readonly MovedBalls $moved;

    /** Balls that are the player's to pot, one bit each. */
    private readonly int $own;

    /** Whether the order is not the player's to choose: there are few sets then, and each is worked out closely. */
    private readonly bool $fixed;

    /** @var array<int, list<int>> by remaining balls */
    private array $due = [];

    /** @var array<int, array<int, float>> by remaining balls and node; [] when the rack is over */
    private array $values = [];

    /** @var array<int, array<int, list<float>>> by remaining balls after the pot, ball · 8 + pocket: by distance · CUTS + cut */
    private array $onward = [];

    /** @var array<int, float> by remaining balls */
    private array $means = [];

    /** @var array<int, float> by remaining balls */
    private array $most = [];

    /** @var array<int, array<int, bool>> nodes inside pinned zones, by ball */
    private array $zones = [];

    /** @var array{1: list<float>, 2: list<float>} weights of neighbouring speeds, of every one and of every second */
    private readonly array $mix;

    /** @var array<int, true>|null sets that may be gone through; null for all */
    private ?array $lattice = null;

    /**
     * @param bool $fine closely: every cut, side spin, more pockets
     */
    public function __construct(private readonly Rack $rack, private readonly PlanningCache $cache, public readonly bool $fine = true, private readonly PlanConstraints $constraints = new PlanConstraints())
    {
        $this->game = $rack->rules();
        $this->layout = $rack->layout;
        $this->fixed = $this->game->hasFixedOrder();
        $this->own = array_sum(array_map(static fn(int $ball): int => 1 << $ball, $this->game->ownBalls($this->layout)));
        $this->pots = new Pots($rack, $cache, $fine, $constraints);
        $this->moved = new MovedBalls($rack, $cache);
        $this->mix = [1 => self::hand($rack->player->speed, ArrivalGrid::RUNG), 2 => self::hand($rack->player->speed, ArrivalGrid::RUNG ** 2)];
    }

    /**
     * Neighbouring speeds as the hand mixes them: weights, the speed itself in the middle.
     *
     * @param float $error of the speed, as a share of it
     * @param float $rung  ratio of neighbours
     *
     * @return list<float>
     */
    private static function hand(float $error, float $rung): array
    {
        $sigma = max($error, 0.02);
        $reach = (int) max(1, ceil(2.2 * $sigma / log($rung)));
        $mix = array_map(static fn(int $k): float => exp(-0.5 * ($k * log($rung) / $sigma) ** 2), range(-$reach, $reach));
        $sum = array_sum($mix);

        return array_map(static fn(float $w): float => $w / $sum, $mix);
    }

    public function grid(): CueBallGrid
    {
        return $this->cache->grid;
    }

    /** Which balls are on the table, as a set. */
    public static function remainingOf(Layout $layout): int
    {
        $remaining = 0;
        foreach ($layout->objectBalls() as $ball) {
            $remaining |= 1 << $ball;
        }

        return $remaining;
    }

    /**
     * Goes only through sets that one of these orders goes through, and through those known before.
     *
     * @param list<list<int>> $orders balls, the first to be potted first
     */
    public function through(int $remaining, array $orders): void
    {
        foreach ($orders as $order) {
            $left = $remaining & ~self::BROKEN;
            $this->lattice[$left] = true;
            foreach ($order as $ball) {
                $left &= ~(1 << $ball);
                $this->lattice[$left] = true;
            }
        }
    }

    /** Whether a set may be gone through. */
    public function knows(int $remaining): bool
    {
        return $this->allowed($remaining);
    }

    public function isOver(int $remaining): bool
    {
        return [] === $this->due($remaining);
    }

    /**
     * Balls that may be shot next; none when the rack is over.
     *
     * @return list<int>
     */
    public function due(int $remaining): array
    {
        $balls = $remaining & ~self::BROKEN;
        if (!isset($this->due[$balls])) {
            $left = new Layout(array_filter($this->layout->balls, static fn(int $id): bool => 0 !== ($balls >> $id & 1), \ARRAY_FILTER_USE_KEY));
            $due = $this->game->isOver($left) ? [] : $this->game->legalTargets($left);
            $this->due[$balls] = array_values(array_filter($due, fn(int $ball): bool => $this->constraints->allows($ball, $balls)));
        }

        return $this->due[$balls];
    }

    /** Worth of a place (m), 0–1. */
    public function valueAt(int $remaining, float $x, float $y): float
    {
        $values = $this->values($remaining);

        return [] === $values ? 1.0 : $this->cache->grid->between($values, $x, $y);
    }

    /**
     * @return array<int, float> by node; [] when the rack is over
     */
    public function values(int $remaining): array
    {
        if (!isset($this->values[$remaining])) {
            $this->work($remaining);
        }

        return $this->values[$remaining];
    }

    /**
     * What is left, on average, when balls have been run into.
     *
     * @param int        $met   those balls, one bit each
     * @param float|null $place value of the cue ball's position had nothing been moved; null when it is not known
     */
    public function disturbed(int $remaining, int $met, ?float $place = null): float
    {
        if ($this->isOver($remaining)) {
            return 1.0;
        }
        $mean = $this->meanValue($remaining);
        $plain = self::OF_MEAN * $mean + self::OF_PLACE * ($place ?? $mean);
        if (0 !== ($met & $this->pots->cluster) && 0 === ($remaining & self::BROKEN)) {
            return max($plain, self::OPENS * $this->meanValue($remaining | self::BROKEN));
        }

        return $plain;
    }

    /** Mean value over the cue ball's positions. */
    public function meanValue(int $remaining): float
    {
        if (!isset($this->means[$remaining])) {
            $values = $this->values($remaining);
            $this->means[$remaining] = [] === $values ? 1.0 : array_sum($values) / \count($values);
        }

        return $this->means[$remaining];
    }

    /** Value of the best position of the cue ball. */
    public function highest(int $remaining): float
    {
        if (!isset($this->most[$remaining])) {
            $values = $this->values($remaining);
            $this->most[$remaining] = [] === $values ? 1.0 : max($values);
        }

        return $this->most[$remaining];
    }

    /**
     * Balls and pockets from a position, the best first, with their approximate values.
     *
     * @param bool $lies the cue ball lies there already, whatever zone was pinned
     *
     * @return list<array{int, Pocket, float}>
     */
    public function candidates(int $remaining, float $x, float $y, bool $lies = false): array
    {
        [$cell] = $this->cache->grid->cell($x, $y);
        $corners = [$cell, $cell + 1, $cell + CueBallGrid::ACROSS + 1, $cell + CueBallGrid::ACROSS + 2];
        $found = [];
        foreach ($this->due($remaining) as $ball) {
            $after = $remaining & ~(1 << $ball);
            if (!$this->allowed($after) || (!$lies && isset($this->constraints->zones[$ball]) && !$this->constraints->zones[$ball]->contains($x, $y))) {
                continue;
            }
            $about = $this->pots->about($remaining, $ball);
            foreach ($this->pots->of($ball) as [$pocket, , $chanceGrid]) {
                $onward = $this->onward($after, $ball, $pocket);
                $chances = $chanceGrid->chances($about);
                $most = 0.0;
                foreach ($corners as $node) {
                    $n = $chanceGrid->place[$node] ?? -1;
                    if ($n >= 0 && 0 === ($chanceGrid->blocked[$n] & $about)) {
                        foreach ($chances as $pace => $chance) {
                            $most = max($most, $chance[$n] * self::between($onward, $pace, $chanceGrid->distance[$n], $chanceGrid->cut[$n], $chanceGrid->part[$n]));
                        }
                    }
                }
                if ($most > 0.0) {
                    $found[] = [$ball, $pocket, $most];
                }
            }
        }
        usort($found, static fn(array $a, array $b): int => $b[2] <=> $a[2]);

        return $found;
    }

    /**
     * What a pot leads on to from a place: the share of its chance with an easy stroke.
     *
     * @param int   $node     where, roughly
     * @param float $cut      rad
     * @param float $distance to the contact, m
     */
    public function leads(int $remaining, int $ball, Pocket $pocket, int $node, float $cut, float $distance): float
    {
        $after = $remaining & ~(1 << $ball);
        if ([] === $this->values($after)) {
            return 1.0;
        }
        $step = ArrivalGrid::cutStep($cut);
        $lower = (int) min(ArrivalGrid::CUTS - 2, floor($step));

        $onward = $this->onward($after, $ball, $pocket);
        $easy = self::between($onward, 0, ArrivalGrid::distance($distance), $lower, $step - $lower);
        foreach ($this->pots->of($ball) as [$where, , $chanceGrid]) {
            $n = $where === $pocket ? $chanceGrid->place[$node] ?? -1 : -1;
            if ($n >= 0) {
                [$soft, $firm, $hard] = $chanceGrid->chances($this->pots->about($remaining, $ball));
                if ($soft[$n] > 0.01) {
                    $easy = max(
                        $easy,
                        $firm[$n] / $soft[$n] * self::between($onward, 1, ArrivalGrid::distance($distance), $lower, $step - $lower),
                        $hard[$n] / $soft[$n] * self::between($onward, 2, ArrivalGrid::distance($distance), $lower, $step - $lower),
                    );
                }
            }
        }

        return min(1.0, $easy);
    }

    /**
     * Strokes for a pot from a place, the most promising first, different in kind.
     *
     * @param int   $node     where, roughly
     * @param float $cut      rad
     * @param float $distance to the contact, m
     *
     * @return list<array{float, float, float, float}> cue speed (m/s), tip side and height (radii), approximate value
     */
    public function strokes(int $remaining, int $ball, Pocket $pocket, int $node, float $cut, float $distance): array
    {
        $after = $remaining & ~(1 << $ball);
        $pot = null;
        foreach ($this->pots->of($ball) as $one) {
            $pot = $one[0] === $pocket ? $one : $pot;
        }
        if (null === $pot) {
            return [];
        }
        $step = ArrivalGrid::cutStep($cut);
        $n = $pot[2]->place[$node] ?? -1;
        $chances = $pot[2]->chances($this->pots->about($remaining, $ball));
        $along = cos($cut) * (1 + $this->cache->simulator->ball->restitution) / 2;
        $found = [];
        foreach (ArrivalGrid::ROLLS as $r => $roll) {
            foreach (ArrivalGrid::SIDES as $s => $side) {
                $aside = $this->aside($pot, $after, $r, $s);
                // On either side of the cut, as far as they were played.
                $wide = $this->fine ? 1 : CueBallTransitions::COARSE;
                foreach (array_unique([$wide * (int) floor($step / $wide), $wide * (int) ceil($step / $wide)]) as $c) {
                    $mixed = $aside[$c] ?? [];
                    foreach ($mixed as $k => $value) {
                        // Peaks along the speed.
                        if ($value <= 0.0 || $value < ($mixed[$k - 1] ?? 0.0) || $value <= ($mixed[$k + 1] ?? 0.0)) {
                            continue;
                        }
                        $stroke = ArrivalGrid::stroke($this->cache->simulator, $roll, $side, $this->cache->arrivals->speeds[$k], $distance);
                        if (null !== $stroke) {
                            $pace = PotChanceGrid::pace($along * $this->cache->arrivals->speeds[$k]);
                            $found[] = [$stroke[0], $stroke[1], $stroke[2], $value * ($n >= 0 ? $chances[$pace][$n] : 1.0)];
                        }
                    }
                }
            }
        }
        usort($found, static fn(array $a, array $b): int => $b[3] <=> $a[3]);
        $kept = [];
        foreach ($found as $one) {
            foreach ($kept as $other) {
                if (abs($one[1] - $other[1]) < 0.1 && abs($one[2] - $other[2]) < 0.12 && abs(log($one[0] / $other[0])) < 0.12) {
                    continue 2;
                }
            }
            $kept[] = $one;
        }

        return $kept;
    }

    /**
     * @return array<int, bool>|null nodes inside the zone that a ball must be shot from; null when anywhere will do
     */
    private function zone(int $ball): ?array
    {
        $zone = $this->constraints->zones[$ball] ?? null;
        if (null !== $zone && !isset($this->zones[$ball])) {
            $this->zones[$ball] = array_map(static fn(array $at): bool => $zone->contains($at[0], $at[1]), $this->cache->grid->nodes());
        }

        return $this->zones[$ball] ?? null;
    }

    /** Where the rest can be run out from with at least so much. */
    public function region(int $remaining, float $level): Region
    {
        $values = $this->values($remaining);
        if ([] === $values) {
            return new Region([]);
        }
        $grid = $this->cache->grid;
        $xs = array_map(static fn(int $i): float => $grid->left + $i * $grid->dx, range(0, CueBallGrid::LONG));
        $ys = array_map(static fn(int $j): float => $grid->left + $j * $grid->dy, range(0, CueBallGrid::ACROSS));

        return new Region(Contour::rings($xs, $ys, array_chunk(array_values($values), CueBallGrid::ACROSS + 1), $level));
    }

    /**
     * Strokes that pot a ball and run into one that should be moved: of a cluster, or that lies badly and comes soon.
     *
     * @param float $cut      rad
     * @param float $distance to the contact, m
     *
     * @return list<array{float, float, float}> cue speed (m/s), tip side and height (radii)
     */
    public function contacts(int $remaining, int $ball, Pocket $pocket, float $cut, float $distance): array
    {
        $after = $remaining & ~(1 << $ball);
        $wanted = 0 === ($remaining & self::BROKEN) ? $this->pots->cluster & $after : 0;
        foreach (self::many($after) <= 2 ? $this->due($after) : [] as $next) {
            $wanted |= $this->pots->liesBadly($after, $next) ? 1 << $next : 0;
        }
        $found = [];
        foreach (0 === $wanted ? [] : $this->pots->of($ball) as [$where, $transitions, , $touched]) {
            if ($where !== $pocket) {
                continue;
            }
            $c = (int) round(ArrivalGrid::cutStep($cut));
            foreach (ArrivalGrid::ROLLS as $r => $roll) {
                foreach (ArrivalGrid::SIDES as $s => $side) {
                    $base = (($c * 5 + $r) * 3 + $s) * ArrivalGrid::SPEEDS;
                    for ($k = $transitions->slowest[$c]; $k < ArrivalGrid::SPEEDS; $k += 3) {
                        $met = $touched[$base + $k] & $after;
                        $stroke = 0 !== ($met & $wanted) && 0 === ($met & ~$wanted) ? ArrivalGrid::stroke($this->cache->simulator, $roll, $side, $this->cache->arrivals->speeds[$k], $distance) : null;
                        if (null !== $stroke) {
                            $found[] = $stroke;
                        }
                    }
                }
            }
        }
        // The softer the surer, but not all alike.
        usort($found, static fn(array $a, array $b): int => $a[0] <=> $b[0]);
        $step = max(1, intdiv(\count($found), self::CONTACTS));

        return array_values(array_filter($found, static fn(int $n): bool => 0 === $n % $step && $n < $step * self::CONTACTS, \ARRAY_FILTER_USE_KEY));
    }

    /**
     * What a ball's pots lead on to from the left and from the right of their line, at the best.
     *
     * @return array{float, float}
     */
    public function sides(int $remaining, int $ball, Pocket $pocket): array
    {
        $onward = $this->onward($remaining & ~(1 << $ball), $ball, $pocket);
        $best = [0.0, 0.0];
        foreach ($onward as $at => $value) {
            $cut = $at % ArrivalGrid::CUTS - intdiv(ArrivalGrid::CUTS, 2);
            // Cutting the ball to the right, the cue ball lies to the left of the line.
            if ($cut > 0) {
                $best[0] = max($best[0], $value);
            } elseif ($cut < 0) {
                $best[1] = max($best[1], $value);
            }
        }

        return $best;
    }

    /** The other group's balls in a set: never to be shot, always there. */
    private function others(int $remaining): int
    {
        return $this->game->hasObstacles() ? self::many($remaining & ~$this->own) : 0;
    }

    private static function many(int $remaining): int
    {
        return substr_count(decbin($remaining & ~self::BROKEN), '1');
    }

    private function allowed(int $remaining): bool
    {
        return null === $this->lattice || isset($this->lattice[$remaining & ~self::BROKEN]);
    }

    private function work(int $remaining): void
    {
        if ($this->isOver($remaining)) {
            $this->values[$remaining] = $this->game->endsWithBreakShot() ? BreakPositions::values($this->cache, $this->pots, $this->layout, $remaining) : [];

            return;
        }
        $values = array_fill(0, CueBallGrid::NODES, 0.0);
        $pace = self::DISTANCES * ArrivalGrid::CUTS;
        foreach ($this->due($remaining) as $ball) {
            $after = $remaining & ~(1 << $ball);
            if (!$this->allowed($after)) {
                continue;
            }
            $about = $this->pots->about($remaining, $ball);
            $zone = $this->zone($ball);
            foreach ($this->pots->of($ball) as [$pocket, , $chanceGrid]) {
                [$soft, $firm, $hard] = $chanceGrid->chances($about);
                $onward = $this->onward($after, $ball, $pocket);
                $blocked = $chanceGrid->blocked;
                $cuts = $chanceGrid->cut;
                $parts = $chanceGrid->part;
                $distances = $chanceGrid->distance;
                foreach ($chanceGrid->nodes as $n => $node) {
                    if (0 !== ($blocked[$n] & $about) || (null !== $zone && !$zone[$node])) {
                        continue;
                    }
                    $at = $distances[$n] * ArrivalGrid::CUTS + $cuts[$n];
                    $part = $parts[$n];
                    $candidate = $soft[$n] * ($onward[$at] + ($onward[$at + 1] - $onward[$at]) * $part);
                    $at += $pace;
                    $other = $firm[$n] * ($onward[$at] + ($onward[$at + 1] - $onward[$at]) * $part);
                    $candidate = $other > $candidate ? $other : $candidate;
                    $at += $pace;
                    $other = $hard[$n] * ($onward[$at] + ($onward[$at + 1] - $onward[$at]) * $part);
                    $candidate = $other > $candidate ? $other : $candidate;
                    if ($candidate > $values[$node]) {
                        $values[$node] = $candidate;
                    }
                }
            }
        }
        if (0.0 === max($values)) {
            $after = array_map(fn(int $ball): float => $this->meanValue($remaining & ~(1 << $ball)), array_filter($this->due($remaining), fn(int $ball): bool => $this->allowed($remaining & ~(1 << $ball))));
            $values = array_fill(0, CueBallGrid::NODES, [] === $after ? 0.0 : self::LUCK * max($after));
        }
        $this->values[$remaining] = $values;
    }

    /**
     * @param list<float> $onward
     */
    private static function between(array $onward, int $pace, int $distance, int $cut, float $part): float
    {
        $at = ($pace * self::DISTANCES + $distance) * ArrivalGrid::CUTS + $cut;

        return $onward[$at] + ($onward[$at + 1] - $onward[$at]) * $part;
    }

    /**
     * The best that can be left after a pot, by distance and cut.
     *
     * @return list<float>
     */
    private function onward(int $after, int $ball, Pocket $pocket): array
    {
        $name = $ball * 8 + $pocket->index();
        if (isset($this->onward[$after][$name])) {
            return $this->onward[$after][$name];
        }
        $best = array_fill(0, self::PACES * self::DISTANCES * ArrivalGrid::CUTS + 1, 0.0);
        $strokes = $this->cache->arrivals->strokes;
        $speeds = $this->cache->arrivals->speeds;
        $push = (1 + $this->cache->simulator->ball->restitution) / 2;
        $many = self::many($after);
        $sides = $this->fine && ($this->fixed || $many < self::CLOSE) ? \count(ArrivalGrid::SIDES) : 1;
        $step = $this->fine && $many < ($this->fixed ? self::FAR_OFF : self::CLOSE) ? 1 : CueBallTransitions::COARSE;
        // And at every second speed.
        $skip = 1 === $step || $this->fixed ? 1 : 2;
        foreach ($this->pots->of($ball) as $pot) {
            if ($pot[0] !== $pocket) {
                continue;
            }
            for ($r = 0; $r < \count(ArrivalGrid::ROLLS); ++$r) {
                for ($s = 0; $s < $sides; ++$s) {
                    $base = ($r * 3 + $s) * ArrivalGrid::SPEEDS * self::DISTANCES;
                    foreach ($this->aside($pot, $after, $r, $s, $step, $skip) as $c => $mixed) {
                        $along = $push * cos(deg2rad($c * ArrivalGrid::CUT_STEP - ArrivalGrid::WIDEST));
                        foreach ($mixed as $k => $value) {
                            if ($value <= 0.0) {
                                continue;
                            }
                            $at = PotChanceGrid::pace($along * $speeds[$k]) * self::DISTANCES * ArrivalGrid::CUTS + $c;
                            for ($d = 0; $d < self::DISTANCES; ++$d) {
                                if ($value > $best[$at] && null !== $strokes[$base + $k * self::DISTANCES + $d]) {
                                    $best[$at] = $value;
                                }
                                $at += ArrivalGrid::CUTS;
                            }
                        }
                    }
                }
            }
        }

        $best = 1 === $step ? $best : self::filled($best);
        $less = 1 - self::OTHERS * $this->others($after);

        return $this->onward[$after][$name] = 1.0 === $less ? $best : array_map(static fn(float $value): float => $less * $value, $best);
    }

    /**
     * Between the cuts of a first look.
     *
     * @param list<float> $best
     *
     * @return list<float>
     */
    private static function filled(array $best): array
    {
        for ($row = 0; $row < self::PACES * self::DISTANCES; ++$row) {
            for ($c = 1; $c < ArrivalGrid::CUTS - 1; $c += CueBallTransitions::COARSE) {
                $at = $row * ArrivalGrid::CUTS + $c;
                $best[$at] = ($best[$at - 1] + $best[$at + 1]) / 2;
            }
        }

        return array_values($best);
    }

    /**
     * What one kind of arrival leaves at every cut and speed, with the cuts beside it mixed in.
     *
     * @param array{Pocket, CueBallTransitions, PotChanceGrid, list<int>} $pot
     *
     * @param int<1, 2>                              $skip looks at every speed, or every second
     *
     * @return array<int, array<int, float>> by cut and speed
     */
    private function aside(array $pot, int $after, int $roll, int $side, int $step = 1, int $skip = 1): array
    {
        $plain = [];
        for ($c = 0; $c < ArrivalGrid::CUTS; $c += $step) {
            if ($pot[1]->slowest[$c] < ArrivalGrid::SPEEDS) {
                $plain[$c] = $this->mixed($pot, $after, $c, $roll, $side, $skip);
            }
        }
        $aside = [];
        foreach ($plain as $c => $mixed) {
            $less = $plain[$c - 1] ?? $mixed;
            $more = $plain[$c + 1] ?? $mixed;
            $slowest = $pot[1]->slowest[$c];
            foreach ($mixed as $k => $value) {
                $aside[$c][$k] = $k < $slowest ? 0.0 : (1 - 2 * self::ASIDE) * $value + self::ASIDE * ($less[$k] + $more[$k]);
            }
        }

        return $aside;
    }

    /**
     * What one kind of arrival leaves at every speed, the hand's error mixed in.
     *
     * @param array{Pocket, CueBallTransitions, PotChanceGrid, list<int>} $pot
     * @param int<1, 2>                              $skip looks at every speed, or every second
     *
     * @return array<int, float> by speed
     */
    private function mixed(array $pot, int $after, int $cut, int $roll, int $side, int $skip): array
    {
        [, $transitions, , $touched] = $pot;
        $values = $this->values($after);
        $base = (($cut * 5 + $roll) * 3 + $side) * ArrivalGrid::SPEEDS;
        $slowest = $transitions->slowest[$cut];
        $node = $transitions->node;
        $ss = $transitions->s;
        $ts = $transitions->t;
        $over = [] === $values;
        $row = CueBallGrid::ACROSS + 1;
        $left = [];
        $some = false;
        for ($k = 0; $k < ArrivalGrid::SPEEDS; $k += $skip) {
            $entry = $base + $k;
            $n = $node[$entry];
            if ($k < $slowest || $n < 0) {
                $left[] = 0.0;
                continue;
            }
            $met = $touched[$entry] & $after;
            if ($over) {
                $left[] = 1.0;
            } elseif (0 !== $met) {
                $left[] = $this->disturbed($after, $met);
            } else {
                $s = $ss[$entry];
                $t = $ts[$entry];
                $left[] = (1 - $s) * ((1 - $t) * $values[$n] + $t * $values[$n + 1]) + $s * ((1 - $t) * $values[$n + $row] + $t * $values[$n + $row + 1]);
            }
            $some = true;
        }
        $mix = $this->mix[$skip];
        $reach = \count($mix) >> 1;
        $last = \count($left) - 1;
        $mixed = [];
        for ($at = 0, $k = 0; $at <= $last; ++$at, $k += $skip) {
            $sum = 0.0;
            if ($some && $k >= $slowest) {
                foreach ($mix as $i => $weight) {
                    $from = $at + $i - $reach;
                    // Harder than the ladder knows is as at its end.
                    $sum += $weight * ($from < 0 ? 0.0 : $left[$from < $last ? $from : $last]);
                }
            }
            $mixed[$k] = $sum;
        }

        return $mixed;
    }
}
