<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Aiming\PocketWindow;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Player\Player;

/**
 * How a layout plays, by plain geometry in about a millisecond: for tables that nobody has looked at before, as a break-out leaves
 * them.
 *
 * The chance of a pot is that of the cue's direction between the ghost balls of the mouth's edges, nothing where another ball is in
 * the way. Of a ball that is shot later the place of the cue ball is not known: a share of the chance is that of the best place, the
 * rest that of the mean place. Where the order is free the easiest ball comes first.
 *
 * @internal
 */
final class LayoutSketch
{
    /** Places of the cue ball that are looked at, along and across the table. */
    private const LONG = 9;
    private const ACROSS = 5;

    /** Errors of a stroke are this much larger than those of the direction alone; a thinner cut than this cosine is no shot. */
    private const LARGER = 1.15;
    private const THINNEST = 0.258;

    /** What a ball keeps that goes nowhere: it will have been moved by then, or not (our own choice). */
    private const STUCK = 0.15;

    /** So many shots are looked at; those after them are taken to be like the last of these. */
    private const DEEP = 6;

    /** A chance that is none. */
    private const NO_CHANCE = 0.02;

    /** Balls shot first that are followed. */
    private const FOLLOWED = 3;

    private readonly float $spread;
    private readonly float $diameter;

    /**
     * Ghost balls of a mouth's edges, direction of the ball to its middle, balls in the lane as bits, way to the mouth's middle; by
     * ball.
     *
     * @var array<int, list<array{float, float, float, float, float, float, int, float, float}>>
     */
    private array $mouths = [];

    /** @var array<string, float> shares by ball and balls on the table */
    private array $shares = [];

    /** @var array<int, float> by balls on the table */
    private array $onward = [];

    /** @var array<int, array{list<int>, list<float>, list<float>, list<float>, list<float>}> see field() */
    private array $fields = [];

    /** @var array<int, list<int>> see masks() */
    private array $masks = [];

    /** @var list<array{float, float}> places of the cue ball that are looked at, m */
    private readonly array $nodes;

    /** The balls that lie elsewhere than in the sketch this one was made from, as bits. */
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
     * The same with some balls elsewhere; what does not change is taken over.
     *
     * @param array<int, Point> $places
     */
    public function moving(array $places): self
    {
        $sketch = clone $this;
        $sketch->places = $places + $this->places;
        $sketch->shares = $sketch->onward = $sketch->fields = $sketch->masks = $sketch->mouths = [];
        $sketch->from = $this;
        $sketch->elsewhere = $places;
        $sketch->moved = array_sum(array_map(static fn(int $ball): int => 1 << $ball, array_keys($places)));

        return $sketch;
    }

    /**
     * Chance to run out from a place of the cue ball (m), 0–1.
     *
     * @param ValueFunction $rules what is due
     */
    public function valueAt(ValueFunction $rules, RemainingBalls $remaining, float $x, float $y): float
    {
        if ($rules->isOver($remaining)) {
            return 1.0;
        }
        $chances = [];
        foreach ($rules->due($remaining) as $ball) {
            foreach ($this->mouths($ball) as $mouth) {
                $chances[$ball] ??= 0.0;
                [$chance, $dx, $dy] = 0 === ($mouth[6] & $remaining->balls()) ? $this->chance($mouth, $x, $y) : [0.0, 0.0, 0.0];
                if ($chance > $chances[$ball]) {
                    $inTheWay = $this->inTheWay($this->places, $x, $y, $dx, $dy) & $remaining->without($ball)->balls();
                    $chances[$ball] = 0 === $inTheWay ? $chance : $chances[$ball];
                }
            }
        }
        arsort($chances);
        $best = 0.0;
        foreach (\array_slice($chances, 0, self::FOLLOWED, true) as $ball => $chance) {
            $best = max($best, $chance > $best ? $chance * $this->onward($rules, $remaining->without($ball)) : 0.0);
        }

        return $best;
    }

    /**
     * Chance to run out once a shot has been played for position, 0–1.
     *
     * @param int $deep shots from now
     */
    private function onward(ValueFunction $rules, RemainingBalls $remaining, int $deep = 1): float
    {
        if ($rules->isOver($remaining)) {
            return 1.0;
        }
        if (!isset($this->onward[$remaining->balls()])) {
            $easiest = 0;
            $most = -1.0;
            foreach ($rules->due($remaining) as $ball) {
                $share = $this->share($ball, $remaining->balls());
                if ($share > $most) {
                    $most = $share;
                    $easiest = $ball;
                }
            }
            $this->onward[$remaining->balls()] = $most < 0.0 ? 0.0 : max($most, self::STUCK) * ($deep < self::DEEP
                ? $this->onward($rules, $remaining->without($easiest), $deep + 1)
                : max($most, self::STUCK) ** ($remaining->count() - 1));
        }

        return $this->onward[$remaining->balls()];
    }

    /**
     * The chance of a ball once it is its turn, 0–1.
     *
     * @param int $bits balls on the table
     */
    public function share(int $ball, int $bits): float
    {
        $key = "$ball $bits";
        if (!isset($this->shares[$key])) {
            $best = array_fill(0, self::LONG * self::ACROSS, 0.0);
            foreach ($this->mouths($ball) as $n => $mouth) {
                if (0 !== ($mouth[6] & $bits)) {
                    continue;
                }
                $best = $this->raised($best, $ball * 8 + $n, $bits);
            }
            $this->shares[$key] = $this->steady * max($best) + (1 - $this->steady) * array_sum($best) / \count($best);
        }

        return $this->shares[$key];
    }

    /**
     * The best chance by node, raised to that of one mouth where nothing is in the way.
     *
     * @param list<float> $best  by node
     * @param int         $field ball · 8 + mouth
     * @param int         $bits  balls on the table
     *
     * @return list<float>
     */
    private function raised(array $best, int $field, int $bits): array
    {
        [$nodes, $chances, $ux, $uy, $far] = $this->field($field);
        $before = $this->isUnmoved($field) ? $this->from : $this;
        // Of a ball that lies where it lay only the balls that were moved can be in the way now, or no longer.
        $moved = $before === $this ? 0 : $this->moved;
        $masks = null === $this->from || $before !== $this ? $before->masks($field) : [];
        $xs = $ys = [];
        foreach ([] === $masks ? $this->places : ($before === $this ? [] : $this->elsewhere) as $ball => $place) {
            if (0 !== ($bits >> $ball & 1) && intdiv($field, 8) !== $ball) {
                $xs[] = $place->x;
                $ys[] = $place->y;
            }
        }
        $least = $this->diameter * $this->diameter;
        foreach ($nodes as $i => $node) {
            if ($chances[$i] <= $best[$node] || ([] !== $masks && 0 !== ($masks[$i] & ~$moved & $bits))) {
                continue;
            }
            [$x, $y] = $this->nodes[$node];
            $u = $ux[$i];
            $v = $uy[$i];
            $long = $far[$i];
            foreach ($xs as $k => $px) {
                $px -= $x;
                $py = $ys[$k] - $y;
                $along = $px * $u + $py * $v;
                $along = $along < 0.0 ? 0.0 : ($along > $long ? $long : $along);
                $px -= $along * $u;
                $py -= $along * $v;
                if ($px * $px + $py * $py < $least) {
                    continue 2;
                }
            }
            $best[$node] = $chances[$i];
        }

        return $best;
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
        [$ax, $ay, $bx, $by, $tx, $ty] = $this->mouths(intdiv($field, 8))[$field % 8];
        $nodes = $chances = $ux = $uy = $far = [];
        foreach ($this->nodes as $node => [$x, $y]) {
            $px = $ax - $x;
            $py = $ay - $y;
            $qx = $bx - $x;
            $qy = $by - $y;
            $mx = ($px + $qx) / 2;
            $my = ($py + $qy) / 2;
            $long = sqrt($mx * $mx + $my * $my);
            if ($long < 1e-3 || $mx * $tx + $my * $ty < self::THINNEST * $long) {
                continue;
            }
            $chance = self::within(abs(atan2($px * $qy - $py * $qx, $px * $qx + $py * $qy)) / $this->spread);
            if ($chance > self::NO_CHANCE) {
                $nodes[] = $node;
                $chances[] = $chance;
                $ux[] = $mx / $long;
                $uy[] = $my / $long;
                $far[] = $long;
            }
        }

        return $this->fields[$field] = [$nodes, $chances, $ux, $uy, $far];
    }

    /**
     * Balls in the cue ball's way from the nodes of a field, one bit each.
     *
     * @return list<int>
     */
    private function masks(int $field): array
    {
        if (!isset($this->masks[$field])) {
            [$nodes, , $ux, $uy, $far] = $this->field($field);
            $masks = [];
            foreach ($nodes as $i => $node) {
                [$x, $y] = $this->nodes[$node];
                $masks[] = $this->inTheWay($this->places, $x, $y, $ux[$i] * $far[$i], $uy[$i] * $far[$i]) & ~(1 << intdiv($field, 8));
            }
            $this->masks[$field] = $masks;
        }

        return $this->masks[$field];
    }

    /**
     * The chance of a pot from a place, and the cue ball's way to the contact, m.
     *
     * @param array{float, float, float, float, float, float, int, float, float} $mouth
     *
     * @return array{float, float, float}
     */
    private function chance(array $mouth, float $x, float $y): array
    {
        [$ax, $ay, $bx, $by, $ux, $uy] = $mouth;
        $ax -= $x;
        $ay -= $y;
        $bx -= $x;
        $by -= $y;
        $mx = ($ax + $bx) / 2;
        $my = ($ay + $by) / 2;
        $long = sqrt($mx * $mx + $my * $my);
        if ($long < 1e-3 || $mx * $ux + $my * $uy < self::THINNEST * $long) {
            return [0.0, 0.0, 0.0];
        }
        $wide = abs(atan2($ax * $by - $ay * $bx, $ax * $bx + $ay * $by));

        return [self::within($wide / $this->spread), $mx, $my];
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

    /** The error function, to 0.0005. M. Abramowitz and I. A. Stegun, "Handbook of Mathematical Functions", 1964, 7.1.27. */
    private static function within(float $z): float
    {
        $t = 1 + $z * (0.278393 + $z * (0.230389 + $z * (0.000972 + $z * 0.078108)));
        $t *= $t;

        return 1 - 1 / ($t * $t);
    }

    /**
     * @return list<array{float, float, float, float, float, float, int, float, float}>
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
                $mouth[6] = $mouth[6] & ~$this->moved | $this->inTheWay($this->elsewhere, $at->x, $at->y, $mouth[7], $mouth[8]);
                $mouths[] = $mouth;
            }

            return $this->mouths[$ball] = $mouths;
        }
        foreach (Pocket::cases() as $pocket) {
            [$low, $high] = PocketWindow::openMouth($g->pocket($pocket), $at, $g->reach);
            if ($high <= $low) {
                continue;
            }
            $middle = ($low + $high) / 2;
            $to = $g->pocket($pocket)->mouthMiddle();
            $mouths[] = [
                $at->x - $this->diameter * cos($low),
                $at->y - $this->diameter * sin($low),
                $at->x - $this->diameter * cos($high),
                $at->y - $this->diameter * sin($high),
                cos($middle),
                sin($middle),
                $this->inTheWay($this->places, $at->x, $at->y, $to->x - $at->x, $to->y - $at->y) & ~(1 << $ball),
                $to->x - $at->x,
                $to->y - $at->y,
            ];
        }

        return $this->mouths[$ball] = $mouths;
    }
}
