<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Games\Game;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\Geometry\Contour;
use ZigLane\Core\Geometry\Region;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Planning\PlanConstraints;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Reading\Order;

/**
 * The worth of the cue ball's places: the chance to run out from there under best play, for every set of balls that may be
 * left, worked out backward from the last ball (R. Bellman, "Dynamic Programming", 1957).
 *
 * The worth of a place is the best, over the balls that may be shot and their pockets, of the chance of the pot times what the
 * cut there leads on to; and that is the best, over the arrivals of Rungs that can be played, of the worth of the place where
 * the cue ball then stops, with the player's error of speed mixed in. Balls are taken to stay where they lie. A cue ball
 * that would run into another leaves "somewhere": the mean worth, and less; but where a ball of a cluster is met, the
 * cluster is taken to be open from then on.
 *
 * A set is one bit for each ball number; bit 0 (the cue ball's) says that the clusters have been broken.
 *
 * @internal
 */
final class StateValues
{
    /**
     * What running into a ball leaves: of the mean worth of all places, and of the worth of the cue ball's own place had nothing
     * been moved. Fitted to tables planned anew after 319 such shots in three games, see docs/planning.md.
     */
    private const OF_MEAN = 0.45;
    private const OF_PLACE = 0.5;

    /** How often a cluster that is run into opens (our own choice). */
    private const OPENS = 0.7;

    /**
     * Where nothing can be shot from anywhere, something will have been moved by then in so many cases, and what comes after is
     * left at its mean (our own choice): without it nothing before would be worth more than anything else.
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

    /** @var array<int, list<int>> by set */
    private array $due = [];

    /** @var array<int, array<int, float>> by set and node; [] when the rack is over */
    private array $worth = [];

    /** @var array<int, array<int, list<float>>> by set after the pot, ball · 8 + pocket: by distance · CUTS + cut */
    private array $onward = [];

    /** @var array<int, float> by set */
    private array $means = [];

    /** @var array<int, float> by set */
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
    public function __construct(private readonly Rack $rack, private readonly PlanningCache $tables, public readonly bool $fine = true, private readonly PlanConstraints $pins = new PlanConstraints())
    {
        $this->game = $rack->rules();
        $this->layout = $rack->layout;
        $this->fixed = Order::isFixed($this->game);
        $this->own = array_sum(array_map(static fn(int $ball): int => 1 << $ball, Order::own($this->game, $this->layout)));
        $this->pots = new Pots($rack, $tables, $fine, $pins);
        $this->moved = new MovedBalls($rack, $tables);
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
        return $this->tables->grid;
    }

    /** Which balls are on the table, as a set. */
    public static function set(Layout $layout): int
    {
        $set = 0;
        foreach ($layout->objectBalls() as $ball) {
            $set |= 1 << $ball;
        }

        return $set;
    }

    /**
     * Goes only through sets that one of these orders goes through, and through those known before.
     *
     * @param list<list<int>> $orders balls, the first to be potted first
     */
    public function through(int $set, array $orders): void
    {
        foreach ($orders as $order) {
            $left = $set & ~self::BROKEN;
            $this->lattice[$left] = true;
            foreach ($order as $ball) {
                $left &= ~(1 << $ball);
                $this->lattice[$left] = true;
            }
        }
    }

    /** Whether a set may be gone through. */
    public function knows(int $set): bool
    {
        return $this->allowed($set);
    }

    public function over(int $set): bool
    {
        return [] === $this->due($set);
    }

    /**
     * Balls that may be shot next; none when the rack is over.
     *
     * @return list<int>
     */
    public function due(int $set): array
    {
        $balls = $set & ~self::BROKEN;
        if (!isset($this->due[$balls])) {
            $left = new Layout(array_filter($this->layout->balls, static fn(int $id): bool => 0 !== ($balls >> $id & 1), \ARRAY_FILTER_USE_KEY));
            $due = $this->game->isOver($left) ? [] : $this->game->legalTargets($left);
            $this->due[$balls] = array_values(array_filter($due, fn(int $ball): bool => $this->pins->allows($ball, $balls)));
        }

        return $this->due[$balls];
    }

    /** Worth of a place (m), 0–1. */
    public function at(int $set, float $x, float $y): float
    {
        $worth = $this->worths($set);

        return [] === $worth ? 1.0 : $this->tables->grid->between($worth, $x, $y);
    }

    /**
     * @return array<int, float> by node; [] when the rack is over
     */
    public function worths(int $set): array
    {
        if (!isset($this->worth[$set])) {
            $this->work($set);
        }

        return $this->worth[$set];
    }

    /**
     * What is left, on average, when balls have been run into.
     *
     * @param int        $met   those balls, one bit each
     * @param float|null $place worth of the cue ball's place had nothing been moved; null when it is not known
     */
    public function disturbed(int $set, int $met, ?float $place = null): float
    {
        if ($this->over($set)) {
            return 1.0;
        }
        $mean = $this->mean($set);
        $plain = self::OF_MEAN * $mean + self::OF_PLACE * ($place ?? $mean);
        if (0 !== ($met & $this->pots->cluster) && 0 === ($set & self::BROKEN)) {
            return max($plain, self::OPENS * $this->mean($set | self::BROKEN));
        }

        return $plain;
    }

    /** Mean worth of all places. */
    public function mean(int $set): float
    {
        if (!isset($this->means[$set])) {
            $worth = $this->worths($set);
            $this->means[$set] = [] === $worth ? 1.0 : array_sum($worth) / \count($worth);
        }

        return $this->means[$set];
    }

    /** The best place's worth. */
    public function most(int $set): float
    {
        if (!isset($this->most[$set])) {
            $worth = $this->worths($set);
            $this->most[$set] = [] === $worth ? 1.0 : max($worth);
        }

        return $this->most[$set];
    }

    /**
     * Balls and pockets for a place, the best first, with what they are worth about.
     *
     * @param bool $lies the cue ball lies there already, whatever zone was pinned
     *
     * @return list<array{int, Pocket, float}>
     */
    public function choices(int $set, float $x, float $y, bool $lies = false): array
    {
        [$cell] = $this->tables->grid->cell($x, $y);
        $corners = [$cell, $cell + 1, $cell + CueBallGrid::ACROSS + 1, $cell + CueBallGrid::ACROSS + 2];
        $found = [];
        foreach ($this->due($set) as $ball) {
            $after = $set & ~(1 << $ball);
            if (!$this->allowed($after) || (!$lies && isset($this->pins->zones[$ball]) && !$this->pins->zones[$ball]->contains($x, $y))) {
                continue;
            }
            $about = $this->pots->about($set, $ball);
            foreach ($this->pots->of($ball) as [$pocket, , $field]) {
                $onward = $this->onward($after, $ball, $pocket);
                $chances = $field->chances($about);
                $most = 0.0;
                foreach ($corners as $node) {
                    $n = $field->place[$node] ?? -1;
                    if ($n >= 0 && 0 === ($field->blocked[$n] & $about)) {
                        foreach ($chances as $pace => $chance) {
                            $most = max($most, $chance[$n] * self::between($onward, $pace, $field->distance[$n], $field->cut[$n], $field->part[$n]));
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
    public function leads(int $set, int $ball, Pocket $pocket, int $node, float $cut, float $distance): float
    {
        $after = $set & ~(1 << $ball);
        if ([] === $this->worths($after)) {
            return 1.0;
        }
        $step = ArrivalGrid::cutStep($cut);
        $lower = (int) min(ArrivalGrid::CUTS - 2, floor($step));

        $onward = $this->onward($after, $ball, $pocket);
        $easy = self::between($onward, 0, ArrivalGrid::distance($distance), $lower, $step - $lower);
        foreach ($this->pots->of($ball) as [$where, , $field]) {
            $n = $where === $pocket ? $field->place[$node] ?? -1 : -1;
            if ($n >= 0) {
                [$soft, $firm, $hard] = $field->chances($this->pots->about($set, $ball));
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
     * @return list<array{float, float, float, float}> cue speed (m/s), tip side and height (radii), about its worth
     */
    public function strokes(int $set, int $ball, Pocket $pocket, int $node, float $cut, float $distance): array
    {
        $after = $set & ~(1 << $ball);
        $pot = null;
        foreach ($this->pots->of($ball) as $one) {
            $pot = $one[0] === $pocket ? $one : $pot;
        }
        if (null === $pot) {
            return [];
        }
        $step = ArrivalGrid::cutStep($cut);
        $n = $pot[2]->place[$node] ?? -1;
        $chances = $pot[2]->chances($this->pots->about($set, $ball));
        $along = cos($cut) * (1 + $this->tables->simulator->ball->restitution) / 2;
        $found = [];
        foreach (ArrivalGrid::ROLLS as $r => $roll) {
            foreach (ArrivalGrid::SIDES as $s => $side) {
                $aside = $this->aside($pot, $after, $r, $s);
                // On either side of the cut, as far as they were played.
                $wide = $this->fine ? 1 : CueBallTransitions::COARSE;
                foreach (array_unique([$wide * (int) floor($step / $wide), $wide * (int) ceil($step / $wide)]) as $c) {
                    $mixed = $aside[$c] ?? [];
                    foreach ($mixed as $k => $worth) {
                        // Peaks along the speed.
                        if ($worth <= 0.0 || $worth < ($mixed[$k - 1] ?? 0.0) || $worth <= ($mixed[$k + 1] ?? 0.0)) {
                            continue;
                        }
                        $stroke = ArrivalGrid::stroke($this->tables->simulator, $roll, $side, $this->tables->rungs->speeds[$k], $distance);
                        if (null !== $stroke) {
                            $pace = PotChanceGrid::pace($along * $this->tables->rungs->speeds[$k]);
                            $found[] = [$stroke[0], $stroke[1], $stroke[2], $worth * ($n >= 0 ? $chances[$pace][$n] : 1.0)];
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
        $zone = $this->pins->zones[$ball] ?? null;
        if (null !== $zone && !isset($this->zones[$ball])) {
            $this->zones[$ball] = array_map(static fn(array $at): bool => $zone->contains($at[0], $at[1]), $this->tables->grid->nodes());
        }

        return $this->zones[$ball] ?? null;
    }

    /** Where the rest can be run out from with at least so much. */
    public function region(int $set, float $level): Region
    {
        $worth = $this->worths($set);
        if ([] === $worth) {
            return new Region([]);
        }
        $grid = $this->tables->grid;
        $xs = array_map(static fn(int $i): float => $grid->left + $i * $grid->dx, range(0, CueBallGrid::LONG));
        $ys = array_map(static fn(int $j): float => $grid->left + $j * $grid->dy, range(0, CueBallGrid::ACROSS));

        return new Region(Contour::rings($xs, $ys, array_chunk(array_values($worth), CueBallGrid::ACROSS + 1), $level));
    }

    /**
     * Strokes that pot a ball and run into one that should be moved: of a cluster, or that lies badly and comes soon.
     *
     * @param float $cut      rad
     * @param float $distance to the contact, m
     *
     * @return list<array{float, float, float}> cue speed (m/s), tip side and height (radii)
     */
    public function contacts(int $set, int $ball, Pocket $pocket, float $cut, float $distance): array
    {
        $after = $set & ~(1 << $ball);
        $wanted = 0 === ($set & self::BROKEN) ? $this->pots->cluster & $after : 0;
        foreach (self::many($after) <= 2 ? $this->due($after) : [] as $next) {
            $wanted |= $this->pots->liesBadly($after, $next) ? 1 << $next : 0;
        }
        $found = [];
        foreach (0 === $wanted ? [] : $this->pots->of($ball) as [$where, $carry, , $touched]) {
            if ($where !== $pocket) {
                continue;
            }
            $c = (int) round(ArrivalGrid::cutStep($cut));
            foreach (ArrivalGrid::ROLLS as $r => $roll) {
                foreach (ArrivalGrid::SIDES as $s => $side) {
                    $base = (($c * 5 + $r) * 3 + $s) * ArrivalGrid::SPEEDS;
                    for ($k = $carry->slowest[$c]; $k < ArrivalGrid::SPEEDS; $k += 3) {
                        $met = $touched[$base + $k] & $after;
                        $stroke = 0 !== ($met & $wanted) && 0 === ($met & ~$wanted) ? ArrivalGrid::stroke($this->tables->simulator, $roll, $side, $this->tables->rungs->speeds[$k], $distance) : null;
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
    public function sides(int $set, int $ball, Pocket $pocket): array
    {
        $onward = $this->onward($set & ~(1 << $ball), $ball, $pocket);
        $best = [0.0, 0.0];
        foreach ($onward as $at => $worth) {
            $cut = $at % ArrivalGrid::CUTS - intdiv(ArrivalGrid::CUTS, 2);
            // Cutting the ball to the right, the cue ball lies to the left of the line.
            if ($cut > 0) {
                $best[0] = max($best[0], $worth);
            } elseif ($cut < 0) {
                $best[1] = max($best[1], $worth);
            }
        }

        return $best;
    }

    /** The other group's balls in a set: never to be shot, always there. */
    private function others(int $set): int
    {
        return GameName::EightBall === $this->game->name() ? self::many($set & ~$this->own) : 0;
    }

    private static function many(int $set): int
    {
        return substr_count(decbin($set & ~self::BROKEN), '1');
    }

    private function allowed(int $set): bool
    {
        return null === $this->lattice || isset($this->lattice[$set & ~self::BROKEN]);
    }

    private function work(int $set): void
    {
        if ($this->over($set)) {
            $this->worth[$set] = GameName::StraightPool === $this->game->name() ? BreakPositions::worth($this->tables, $this->pots, $this->layout, $set) : [];

            return;
        }
        $worth = array_fill(0, CueBallGrid::NODES, 0.0);
        $pace = self::DISTANCES * ArrivalGrid::CUTS;
        foreach ($this->due($set) as $ball) {
            $after = $set & ~(1 << $ball);
            if (!$this->allowed($after)) {
                continue;
            }
            $about = $this->pots->about($set, $ball);
            $zone = $this->zone($ball);
            foreach ($this->pots->of($ball) as [$pocket, , $field]) {
                [$soft, $firm, $hard] = $field->chances($about);
                $onward = $this->onward($after, $ball, $pocket);
                $blocked = $field->blocked;
                $cuts = $field->cut;
                $parts = $field->part;
                $distances = $field->distance;
                foreach ($field->nodes as $n => $node) {
                    if (0 !== ($blocked[$n] & $about) || (null !== $zone && !$zone[$node])) {
                        continue;
                    }
                    $at = $distances[$n] * ArrivalGrid::CUTS + $cuts[$n];
                    $part = $parts[$n];
                    $value = $soft[$n] * ($onward[$at] + ($onward[$at + 1] - $onward[$at]) * $part);
                    $at += $pace;
                    $other = $firm[$n] * ($onward[$at] + ($onward[$at + 1] - $onward[$at]) * $part);
                    $value = $other > $value ? $other : $value;
                    $at += $pace;
                    $other = $hard[$n] * ($onward[$at] + ($onward[$at + 1] - $onward[$at]) * $part);
                    $value = $other > $value ? $other : $value;
                    if ($value > $worth[$node]) {
                        $worth[$node] = $value;
                    }
                }
            }
        }
        if (0.0 === max($worth)) {
            $after = array_map(fn(int $ball): float => $this->mean($set & ~(1 << $ball)), array_filter($this->due($set), fn(int $ball): bool => $this->allowed($set & ~(1 << $ball))));
            $worth = array_fill(0, CueBallGrid::NODES, [] === $after ? 0.0 : self::LUCK * max($after));
        }
        $this->worth[$set] = $worth;
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
        $strokes = $this->tables->rungs->strokes;
        $speeds = $this->tables->rungs->speeds;
        $push = (1 + $this->tables->simulator->ball->restitution) / 2;
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
                        foreach ($mixed as $k => $worth) {
                            if ($worth <= 0.0) {
                                continue;
                            }
                            $at = PotChanceGrid::pace($along * $speeds[$k]) * self::DISTANCES * ArrivalGrid::CUTS + $c;
                            for ($d = 0; $d < self::DISTANCES; ++$d) {
                                if ($worth > $best[$at] && null !== $strokes[$base + $k * self::DISTANCES + $d]) {
                                    $best[$at] = $worth;
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

        return $this->onward[$after][$name] = 1.0 === $less ? $best : array_map(static fn(float $worth): float => $less * $worth, $best);
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
            foreach ($mixed as $k => $worth) {
                $aside[$c][$k] = $k < $slowest ? 0.0 : (1 - 2 * self::ASIDE) * $worth + self::ASIDE * ($less[$k] + $more[$k]);
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
        [, $carry, , $touched] = $pot;
        $worth = $this->worths($after);
        $base = (($cut * 5 + $roll) * 3 + $side) * ArrivalGrid::SPEEDS;
        $slowest = $carry->slowest[$cut];
        $node = $carry->node;
        $ss = $carry->s;
        $ts = $carry->t;
        $over = [] === $worth;
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
                $left[] = (1 - $s) * ((1 - $t) * $worth[$n] + $t * $worth[$n + 1]) + $s * ((1 - $t) * $worth[$n + $row] + $t * $worth[$n + $row + 1]);
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
