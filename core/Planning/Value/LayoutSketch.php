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
    private const LONG = 11;
    private const ACROSS = 6;

    /** Errors of a stroke are this much larger than those of the direction alone; a thinner cut than this cosine is no shot. */
    private const LARGER = 1.15;
    private const THINNEST = 0.258;

    /** What a ball keeps that goes nowhere: it will have been moved by then, or not (our own choice). */
    private const STUCK = 0.15;

    /** Balls shot first that are followed. */
    private const FOLLOWED = 3;

    private readonly float $spread;
    private readonly float $diameter;

    /**
     * @var array<int, list<array{float, float, float, float, float, float, int}>> ghost balls of a mouth's edges, direction of the
     *                                                    ball to its middle, balls in the lane as bits; by ball
     */
    private array $mouths = [];

    /** @var array<string, float> shares by ball and balls on the table */
    private array $shares = [];

    /** @var array<int, float> by balls on the table */
    private array $onward = [];

    /** @var array<int, list<array{float, int}>> chance and balls in the way, by node, by ball · 8 + mouth */
    private array $fields = [];

    /**
     * @param array<int, Point> $places object balls as they lie
     * @param float             $steady share of a later ball's chance that is that of the best place, 0–1
     */
    public function __construct(private readonly Simulator $simulator, Player $player, private readonly array $places, private readonly float $steady)
    {
        $this->spread = max($player->aim * self::LARGER, 1e-6) * 2 * M_SQRT2;
        $this->diameter = 2 * $simulator->ball->radius;
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
            foreach ($this->mouths($ball) as $n => $mouth) {
                if (0 === ($mouth[6] & $remaining->balls())) {
                    [$chance, $blocked] = $this->field($ball, $mouth, $x, $y);
                    $chances[$ball] = max($chances[$ball] ?? 0.0, 0 === ($blocked & $remaining->balls()) ? $chance : 0.0);
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

    /** Chance to run out once a shot has been played for position, 0–1. */
    private function onward(ValueFunction $rules, RemainingBalls $remaining): float
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
            $this->onward[$remaining->balls()] = $most < 0.0
                ? 0.0
                : max($most, self::STUCK) * $this->onward($rules, $remaining->without($easiest));
        }

        return $this->onward[$remaining->balls()];
    }

    /** The chance of a ball once it is its turn. */
    private function share(int $ball, int $bits): float
    {
        $key = "$ball $bits";
        if (!isset($this->shares[$key])) {
            $best = array_fill(0, self::LONG * self::ACROSS, 0.0);
            foreach ($this->mouths($ball) as $n => $mouth) {
                if (0 !== ($mouth[6] & $bits)) {
                    continue;
                }
                foreach ($this->fields[$ball * 8 + $n] ??= $this->allFields($ball, $mouth) as $node => [$chance, $blocked]) {
                    if ($chance > $best[$node] && 0 === ($blocked & $bits)) {
                        $best[$node] = $chance;
                    }
                }
            }
            $this->shares[$key] = $this->steady * max($best) + (1 - $this->steady) * array_sum($best) / \count($best);
        }

        return $this->shares[$key];
    }

    /**
     * @param array{float, float, float, float, float, float, int} $mouth
     *
     * @return list<array{float, int}>
     */
    private function allFields(int $ball, array $mouth): array
    {
        $g = $this->simulator->geometry;
        $fields = [];
        for ($i = 0; $i < self::LONG; ++$i) {
            for ($j = 0; $j < self::ACROSS; ++$j) {
                $fields[] = $this->field($ball, $mouth, $g->length * ($i + 0.5) / self::LONG, $g->width * ($j + 0.5) / self::ACROSS);
            }
        }

        return $fields;
    }

    /**
     * The chance of a pot from a place, and the balls in the cue ball's way, one bit each.
     *
     * @param array{float, float, float, float, float, float, int} $mouth
     *
     * @return array{float, int}
     */
    private function field(int $ball, array $mouth, float $x, float $y): array
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
            return [0.0, 0];
        }
        $wide = abs(atan2($ax * $by - $ay * $bx, $ax * $bx + $ay * $by));
        $mask = 0;
        $least = $this->diameter * $this->diameter;
        foreach ($this->places as $other => $place) {
            if ($other === $ball) {
                continue;
            }
            $px = $place->x - $x;
            $py = $place->y - $y;
            $along = ($px * $mx + $py * $my) / $long;
            if ($along < -$this->diameter || $along > $long + $this->diameter) {
                continue;
            }
            $along = $along < 0.0 ? 0.0 : ($along > $long ? $long : $along);
            $px -= $along * $mx / $long;
            $py -= $along * $my / $long;
            if ($px * $px + $py * $py < $least) {
                $mask |= 1 << $other;
            }
        }

        return [self::within($wide / $this->spread), $mask];
    }

    /** The error function, to 0.0005. M. Abramowitz and I. A. Stegun, "Handbook of Mathematical Functions", 1964, 7.1.27. */
    private static function within(float $z): float
    {
        $t = 1 + $z * (0.278393 + $z * (0.230389 + $z * (0.000972 + $z * 0.078108)));
        $t *= $t;

        return 1 - 1 / ($t * $t);
    }

    /**
     * @return list<array{float, float, float, float, float, float, int}>
     */
    private function mouths(int $ball): array
    {
        if (isset($this->mouths[$ball])) {
            return $this->mouths[$ball];
        }
        $g = $this->simulator->geometry;
        $at = $this->places[$ball];
        $mouths = [];
        foreach (Pocket::cases() as $pocket) {
            [$low, $high] = PocketWindow::openMouth($g->pocket($pocket), $at, $g->reach);
            if ($high <= $low) {
                continue;
            }
            $middle = ($low + $high) / 2;
            $mouths[] = [
                $at->x - $this->diameter * cos($low),
                $at->y - $this->diameter * sin($low),
                $at->x - $this->diameter * cos($high),
                $at->y - $this->diameter * sin($high),
                cos($middle),
                sin($middle),
                $this->inLane($ball, $at, $g->pocket($pocket)->mouthMiddle()),
            ];
        }

        return $this->mouths[$ball] = $mouths;
    }

    /** Balls that a ball would meet on its way to a pocket, one bit each. */
    private function inLane(int $ball, Point $from, Point $to): int
    {
        $dx = $to->x - $from->x;
        $dy = $to->y - $from->y;
        $long = max($dx * $dx + $dy * $dy, 1e-9);
        $mask = 0;
        foreach ($this->places as $other => $place) {
            if ($other === $ball) {
                continue;
            }
            $px = $place->x - $from->x;
            $py = $place->y - $from->y;
            $at = max(0.0, min(1.0, ($px * $dx + $py * $dy) / $long));
            if (($px - $at * $dx) ** 2 + ($py - $at * $dy) ** 2 < $this->diameter ** 2) {
                $mask |= 1 << $other;
            }
        }

        return $mask;
    }
}
