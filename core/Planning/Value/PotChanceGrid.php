<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Geometry\Angle;

use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Numerics\NormalDistribution;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Potting\AcceptanceWindow;
use ZigLane\Core\Settings\Defaults;

/**
 * The chance of one pot from every node of the grid, roughly: the directions in which the ball drops become directions of the
 * cue by plain geometry (the ghost ball of each edge), and a normal error of the cue's direction is summed between them. The
 * exact chance is PotChance's; tests hold this one to it.
 *
 * @internal
 */
final class PotChanceGrid
{
    /** Paces that are told apart: speeds of the ball as it leaves, m/s, from which the next one counts; speeds asked for. */
    public const FASTER = [1.9, 2.9];
    public const ASKED = [1.52, 2.31, 3.52];

    /** By so much errors of a stroke of that pace are larger: cue speeds of about 3 and 4.5 m/s, see Player::errors(). */
    private const LARGER = [1.0, 1.06, 1.3];

    /** A ball this far behind the middle of the mouth is out of the way, m. */
    private const BEHIND = 0.02;

    /** @var list<int> as in PotPlaces, like the four after it */
    public readonly array $nodes;

    /** @var array<int, int> */
    public readonly array $place;

    /** @var list<int> */
    public readonly array $cut;

    /** @var list<float> */
    public readonly array $part;

    /** @var list<int> */
    public readonly array $distance;

    /** @var array<int, int> balls that the cue ball would meet first, one bit each, by place in nodes */
    public readonly array $blocked;

    private readonly PotPlaces $places;
    private readonly AcceptanceWindow $alone;

    /** @var array<int, list<list<float>>> chances by pace and place in nodes, by the balls near the lane */
    private array $chances = [];

    /** @var array<int, array{float, float}> directions in which it would meet another, rad relative to toward, by ball */
    private array $hinders = [];

    private readonly float $diameter;

    /** @var array<int, array{}|array{float, float, float, float}> ghost balls of the opening's edges, by the balls near the lane */
    private array $edges = [];

    private readonly CueBallGrid $positions;

    /** @var array<int, list<float>> chances at an easy pace, by the balls near the lane */
    private array $soft = [];

    /** Balls that may hinder the ball on its way, one bit each. */
    public readonly int $lane;

    /** @var array<int, Point> the others by number */
    private readonly array $others;

    public function __construct(PlanningCache $cache, Layout $layout, public readonly Pot $pot, Player $player)
    {
        $this->places = $places = $cache->places($layout, $pot, $player);
        $this->nodes = $places->nodes;
        $this->place = $places->place;
        $this->cut = $places->cut;
        $this->part = $places->part;
        $this->distance = $places->distance;
        $this->alone = $places->alone;
        $this->positions = $cache->grids->positions;
        $this->diameter = 2 * $cache->simulator->ball->radius;
        $this->others = array_diff_key($layout->balls, [BallId::CUE => true, $pot->ball => true]);
        $lane = 0;
        foreach ($this->others as $id => $other) {
            $far = $places->at->distanceTo($other);
            $turn = Angle::wrap($places->at->angleTo($other) - $this->alone->toward);
            $half = asin(min(1.0, $this->diameter / max($far, $this->diameter)));
            // As far as it goes before it drops, and where it may go.
            if (abs($turn) - $half < $this->alone->span() && $far * cos($turn) < $this->alone->distance + self::BEHIND) {
                $this->hinders[$id] = [$turn - $half, $turn + $half];
                $lane |= 1 << $id;
            }
        }
        $this->lane = $lane;
        $blocked = array_fill(0, \count($places->nodes), 0);
        foreach ($this->others as $id => $other) {
            foreach ($places->blockedBy($other) as $n) {
                $blocked[$n] |= 1 << $id;
            }
        }
        $this->blocked = $blocked;
    }

    /** Chances at an easy pace with some of the others on the table, summed over the places from which nothing is in the way. */
    public function room(int $remaining): float
    {
        $soft = $this->soft[$remaining & $this->lane] ??= $this->tabulated($this->window($remaining & $this->lane, 0), self::LARGER[0]);
        $sum = 0.0;
        foreach ($this->blocked as $n => $blocked) {
            if (0 === ($blocked & $remaining)) {
                $sum += $soft[$n];
            }
        }

        return $sum;
    }

    /**
     * The chance at an easy pace from any place (m), 0–1; nothing where a ball is in the way.
     *
     * @param int $remaining one bit for each ball
     */
    public function chanceAt(float $x, float $y, int $remaining): float
    {
        $n = $this->place[$this->positions->node($x, $y)] ?? -1;
        $long = hypot($this->places->ghost->x - $x, $this->places->ghost->y - $y);
        if ($n < 0 || $long < PotPlaces::NEAREST || $this->isBlocked($x, $y, $long, $remaining)) {
            return 0.0;
        }
        $hinder = $remaining & $this->lane;
        $edges = $this->edges[$hinder] ??= $this->ghosts($this->window($hinder, 0));

        return [] === $edges ? 0.0 : self::between($edges, $x, $y, self::LARGER[0] * $this->places->sigma[$n]);
    }

    /** Whether some of the others are on the cue ball's way to the ghost ball, so long (m). */
    private function isBlocked(float $x, float $y, float $long, int $remaining): bool
    {
        foreach ($this->others as $id => $other) {
            if (0 !== ($remaining >> $id & 1) && $this->places->isOnTheWay($other, $x, $y, $long)) {
                return true;
            }
        }

        return false;
    }

    /** Whether the ball drops at all with some of the others on the table. */
    public function goes(int $remaining): bool
    {
        return [] !== $this->window($remaining & $this->lane, 0);
    }

    /** The pace at which a ball leaves, by its speed, m/s. */
    public static function pace(float $speed): int
    {
        return $speed < self::FASTER[0] ? 0 : ($speed < self::FASTER[1] ? 1 : 2);
    }

    /**
     * Chances with some of the others on the table, by pace and place in nodes.
     *
     * @param int $remaining one bit for each ball
     *
     * @return list<list<float>>
     */
    public function chances(int $remaining): array
    {
        $hinder = $remaining & $this->lane;

        return $this->chances[$hinder] ??= array_map(
            fn(int $pace): array => $this->tabulated($this->window($hinder, $pace), self::LARGER[$pace]),
            array_keys(self::ASKED),
        );
    }

    /**
     * @return array{}|array{float, float} the widest opening, rad relative to toward
     */
    private function window(int $hinder, int $pace): array
    {
        $best = [];
        $widest = Defaults::LEAST_OPENING;
        foreach ($this->alone->near(self::ASKED[$pace]) as $open) {
            foreach ($this->clipped($open, $hinder) as [$low, $high]) {
                if ($high - $low >= $widest) {
                    $widest = $high - $low;
                    $best = [$low, $high];
                }
            }
        }

        return $best;
    }

    /**
     * What of an opening balls in the way leave: each covers the directions in which the ball would meet it.
     *
     * @param array{float, float} $open
     *
     * @return list<array{float, float}>
     */
    private function clipped(array $open, int $hinder): array
    {
        $left = [$open];
        foreach ($this->hinders as $id => [$from, $to]) {
            if (0 === ($hinder >> $id & 1)) {
                continue;
            }
            $parts = [];
            foreach ($left as [$low, $high]) {
                if ($to <= $low || $from >= $high) {
                    $parts[] = [$low, $high];
                    continue;
                }
                if ($from > $low) {
                    $parts[] = [$low, $from];
                }
                if ($to < $high) {
                    $parts[] = [$to, $high];
                }
            }
            $left = $parts;
        }

        return $left;
    }

    /**
     * @param array{}|array{float, float} $window
     *
     * @return list<float>
     */
    private function tabulated(array $window, float $larger): array
    {
        if ([] === $window) {
            return array_fill(0, \count($this->nodes), 0.0);
        }
        $edges = $this->ghosts($window);
        $chances = [];
        foreach ($this->places->x as $n => $x) {
            $chances[] = self::between($edges, $x, $this->places->y[$n], $larger * $this->places->sigma[$n]);
        }

        return $chances;
    }

    /**
     * Ghost balls of an opening's edges.
     *
     * @param array{}|array{float, float} $window
     *
     * @return ($window is array{} ? array{} : array{float, float, float, float}) m
     */
    private function ghosts(array $window): array
    {
        if ([] === $window) {
            return [];
        }
        [$low, $high] = $window;

        return [
            $this->places->at->x - $this->diameter * cos($this->alone->toward + $low),
            $this->places->at->y - $this->diameter * sin($this->alone->toward + $low),
            $this->places->at->x - $this->diameter * cos($this->alone->toward + $high),
            $this->places->at->y - $this->diameter * sin($this->alone->toward + $high),
        ];
    }

    /**
     * The share of a normal error of the cue's direction that falls between both ghost balls.
     *
     * @param array{float, float, float, float} $edges
     */
    private static function between(array $edges, float $x, float $y, float $sigma): float
    {
        $ax = $edges[0] - $x;
        $ay = $edges[1] - $y;
        $bx = $edges[2] - $x;
        $by = $edges[3] - $y;
        $wide = abs(atan2($ax * $by - $ay * $bx, $ax * $bx + $ay * $by));

        return 2 * NormalDistribution::share($wide / 2 / $sigma) - 1;
    }
}
