<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Aiming\PocketWindow;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Player\Player;

/**
 * The pots of a sketched layout: the chance of each ball from a place of the cue ball, and once it is its turn. Made from another
 * layout's, what lies as it did there is taken over.
 *
 * @internal
 */
final class SketchedPots
{
    /** Places of the cue ball that are looked at, along and across the table. */
    private const LONG = 9;
    private const ACROSS = 5;

    /** Errors of a stroke are this much larger than those of the direction alone. */
    private const LARGER = 1.15;

    /** A chance that is none. */
    private const NO_CHANCE = 0.02;

    private readonly float $spread;
    private readonly float $diameter;

    /** @var array<int, list<SketchedMouth>> by ball, the widest first */
    private array $mouths = [];

    /** @var array<int, list<array{float, int, int}>> shares, balls on the table, and those of them that were in the way as bits; by ball */
    private array $shares = [];

    /** @var array<int, float> share with all balls on the table, by ball */
    private array $first = [];

    /** @var array<int, array{list<int>, list<float>, list<float>, list<float>, list<float>}> see field() */
    private array $fields = [];

    /** @var array<int, list<int>> see masks() */
    private array $masks = [];

    /** @var list<array{float, float}> places of the cue ball that are looked at, m */
    private readonly array $nodes;

    /** The balls that lie elsewhere than in the layout this one was made from, as bits. */
    private int $moved = 0;

    /** @var array<int, Point> those balls */
    private array $elsewhere = [];

    private ?self $from = null;

    /**
     * @param array<int, Point> $places object balls as they lie
     * @param float             $steady share of a later ball's chance that is that of the best place, 0–1
     */
    public function __construct(
        private readonly Simulator $simulator,
        Player $player,
        private array $places,
        private readonly float $steady,
    ) {
        $this->spread = max($player->aim * self::LARGER, 1e-6) * 2 * M_SQRT2;
        $this->diameter = 2 * $simulator->ball->radius;
        $nodes = [];
        for ($node = 0; $node < self::LONG * self::ACROSS; ++$node) {
            $nodes[] = [
                $simulator->geometry->length * (intdiv($node, self::ACROSS) + 0.5) / self::LONG,
                $simulator->geometry->width * ($node % self::ACROSS + 0.5) / self::ACROSS,
            ];
        }
        $this->nodes = $nodes;
    }

    /**
     * The same with some balls elsewhere.
     *
     * @param array<int, Point> $places
     */
    public function moving(array $places): self
    {
        $pots = clone $this;
        $pots->places = $places + $this->places;
        $pots->shares = $pots->first = $pots->fields = $pots->masks = $pots->mouths = [];
        $pots->from = $this;
        $pots->elsewhere = $places;
        $pots->moved = array_sum(array_map(static fn(int $ball): int => 1 << $ball, array_keys($places)));

        return $pots;
    }

    /**
     * The chance of a ball's best pot from a place (m), 0–1.
     *
     * @param int $bits balls on the table
     */
    public function chanceFrom(float $x, float $y, int $ball, int $bits): float
    {
        $best = 0.0;
        foreach ($this->mouths($ball) as $mouth) {
            $chance = 0 === ($mouth->lane & $bits) ? $mouth->chanceFrom($x, $y, $this->spread) : 0.0;
            if (
                $chance > $best
                && 0 === ($this->inTheWay($this->places, $x, $y, $mouth->x - $x, $mouth->y - $y) & $bits & ~(1 << $ball))
            ) {
                $best = $chance;
            }
        }

        return $best;
    }

    /** The share of a ball with all balls on the table; of one that lies where it lay, as it was then. */
    public function firstShare(int $ball): float
    {
        if (null !== $this->from && 0 === ($this->moved >> $ball & 1)) {
            return $this->from->firstShare($ball);
        }
        $all = array_sum(array_map(static fn(int $one): int => 1 << $one, array_keys($this->places)));

        return $this->first[$ball] ??= $this->share($ball, $all);
    }

    /**
     * The chance of a ball once it is its turn, 0–1.
     *
     * @param int $bits balls on the table
     */
    public function share(int $ball, int $bits): float
    {
        // Balls gone that kept it from nothing change nothing.
        foreach ($this->shares[$ball] ?? [] as [$share, $then, $inTheWay]) {
            if (0 === ($bits & ~$then) && 0 === ($then & ~$bits & $inTheWay)) {
                return $share;
            }
        }
        $best = array_fill(0, \count($this->nodes), 0.0);
        $inTheWay = 0;
        foreach ($this->mouths($ball) as $n => $mouth) {
            if (0 !== ($mouth->lane & $bits)) {
                $inTheWay |= $mouth->lane & $bits;
            } else {
                $inTheWay |= $this->raise($best, $ball * 8 + $n, $bits);
            }
        }
        $share = $this->steady * max([0.0, ...$best]) + (1 - $this->steady) * array_sum($best) / \count($best);
        $this->shares[$ball][] = [$share, $bits, $inTheWay];

        return $share;
    }

    /**
     * Raises the best chances to those of one mouth where nothing is in the way.
     *
     * @param array<int, float> $best  by node
     * @param int               $field ball · 8 + mouth
     * @param int               $bits  balls on the table
     *
     * @return int one ball that was in the way of each node where it could not be raised, one bit each
     */
    private function raise(array &$best, int $field, int $bits): int
    {
        [$nodes, $chances] = $this->field($field);
        $masks = $this->masks($field);
        $inTheWay = 0;
        foreach ($nodes as $i => $node) {
            if ($chances[$i] > $best[$node]) {
                $known = $masks[$i] & $bits;
                if (0 === $known) {
                    $best[$node] = $chances[$i];
                } else {
                    $inTheWay |= $known & -$known;
                }
            }
        }

        return $inTheWay;
    }

    /** Whether a ball of a field lies where it lay in the sketch that this one was made from. */
    private function isUnmoved(int $field): bool
    {
        return null !== $this->from && 0 === ($this->moved >> intdiv($field, 8) & 1);
    }

    /**
     * The nodes from which a ball can be potted.
     *
     * @param int $field ball · 8 + mouth
     *
     * @return array{list<int>, list<float>, list<float>, list<float>, list<float>} node, chance, direction of the cue ball's way to the
     *                                                                              contact in x and y, its length (m)
     */
    private function field(int $field): array
    {
        if (null !== $this->from && $this->isUnmoved($field)) {
            return $this->from->field($field);
        }
        if (isset($this->fields[$field])) {
            return $this->fields[$field];
        }
        $mouth = $this->mouths(intdiv($field, 8))[$field % 8];
        $nodes = $chances = $ux = $uy = $far = [];
        foreach ($this->nodes as $node => [$x, $y]) {
            $chance = $mouth->chanceFrom($x, $y, $this->spread);
            if ($chance > self::NO_CHANCE) {
                $dx = $mouth->x - $x;
                $dy = $mouth->y - $y;
                $long = sqrt($dx * $dx + $dy * $dy);
                $nodes[] = $node;
                $chances[] = $chance;
                $ux[] = $dx / $long;
                $uy[] = $dy / $long;
                $far[] = $long;
            }
        }

        return $this->fields[$field] = [$nodes, $chances, $ux, $uy, $far];
    }

    /**
     * Balls in the cue ball's way from the nodes of a field, one bit each. Of a ball that lies where it lay only those that were moved can
     * be in the way now, or no longer.
     *
     * @return list<int>
     */
    private function masks(int $field): array
    {
        if (isset($this->masks[$field])) {
            return $this->masks[$field];
        }
        [$nodes, , $ux, $uy, $far] = $this->field($field);
        $isUnmoved = $this->isUnmoved($field);
        $masks = $isUnmoved ? $this->from?->masks($field) ?? [] : array_fill(0, \count($nodes), 0);
        $kept = ~$this->moved;
        $places = $isUnmoved ? $this->elsewhere : $this->places;
        unset($places[intdiv($field, 8)]);
        foreach ($nodes as $i => $node) {
            [$x, $y] = $this->nodes[$node];
            $masks[$i] = $masks[$i] & $kept | $this->inTheWay($places, $x, $y, $ux[$i] * $far[$i], $uy[$i] * $far[$i]);
        }

        return $this->masks[$field] = array_values($masks);
    }

    /**
     * Balls in a ball's way, one bit each.
     *
     * @param array<int, Point> $places where those lie that are asked about
     * @param float             $dx     the way, m
     * @param float             $dy     m
     */
    private function inTheWay(array $places, float $x, float $y, float $dx, float $dy): int
    {
        $mask = 0;
        $long = max(sqrt($dx * $dx + $dy * $dy), 1e-9);
        $dx /= $long;
        $dy /= $long;
        $least = $this->diameter * $this->diameter;
        foreach ($places as $ball => $place) {
            $px = $place->x - $x;
            $py = $place->y - $y;
            $along = $px * $dx + $py * $dy;
            $along = $along < 0.0 ? 0.0 : ($along > $long ? $long : $along);
            $px -= $along * $dx;
            $py -= $along * $dy;
            if ($px * $px + $py * $py < $least) {
                $mask |= 1 << $ball;
            }
        }

        return $mask;
    }

    /**
     * @return list<SketchedMouth>
     */
    private function mouths(int $ball): array
    {
        if (isset($this->mouths[$ball])) {
            return $this->mouths[$ball];
        }
        $g = $this->simulator->geometry;
        $at = $this->places[$ball];
        $mouths = [];
        if (null !== $this->from && 0 === ($this->moved >> $ball & 1)) {
            foreach ($this->from->mouths($ball) as $mouth) {
                $now = $this->inTheWay($this->elsewhere, $at->x, $at->y, $mouth->way->x, $mouth->way->y);
                $mouths[] = $mouth->withLane($mouth->lane & ~$this->moved | $now);
            }

            return $this->mouths[$ball] = $mouths;
        }
        foreach (Pocket::cases() as $pocket) {
            [$low, $high] = PocketWindow::openMouth($g->pocket($pocket), $at, $g->reach);
            if ($high <= $low) {
                continue;
            }
            $to = $g->pocket($pocket)->entrance($at);
            $mouths[] = new SketchedMouth(
                $at->toward($low, -$this->diameter),
                $at->toward($high, -$this->diameter),
                ($low + $high) / 2,
                $high - $low,
                new Point($to->x - $at->x, $to->y - $at->y),
                $this->inTheWay($this->places, $at->x, $at->y, $to->x - $at->x, $to->y - $at->y) & ~(1 << $ball),
            );
        }
        usort($mouths, static fn(SketchedMouth $one, SketchedMouth $other): int => $other->wide <=> $one->wide);

        return $this->mouths[$ball] = $mouths;
    }
}
