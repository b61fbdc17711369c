<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Geometry\Angle;

use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Numerics\NormalDistribution;
use ZigLane\Core\Physics\AimedStroke;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\LeastElevation;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\Stroke;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Potting\AcceptanceWindow;
use ZigLane\Core\Potting\PotChance;
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
    /** Thinner than this is no shot, rad. */
    private const THINNEST = 1.31;

    /** What an error of the tip (radii) adds to that of the direction, rad: squirt less throw, fitted to PotChance. */
    private const TIP = 0.04;

    /** Paces that are told apart: speeds of the ball as it leaves, m/s, from which the next one counts; speeds asked for. */
    public const FASTER = [1.9, 2.9];
    public const ASKED = [1.52, 2.31, 3.52];

    /** By so much errors of a stroke of that pace are larger: cue speeds of about 3 and 4.5 m/s, see Player::errors(). */
    private const LARGER = [1.0, 1.06, 1.3];

    /** Cue balls nearer than this to the ghost ball have no room, m. */
    private const NEAREST = 0.02;

    /** A ball this far behind the middle of the mouth is out of the way, m. */
    private const BEHIND = 0.02;

    /** @var list<int> nodes from which the ball can be cut there */
    public array $nodes = [];

    /** @var array<int, int> place in nodes, by node */
    public array $place = [];

    /** @var list<int> lower of the two cuts that the cut lies between, by place in nodes */
    public array $cut = [];

    /** @var list<float> how far to the upper one */
    public array $part = [];

    /** @var list<int> see ArrivalSteps::DISTANCES */
    public array $distance = [];

    /** @var list<int> balls that the cue ball would meet first, one bit each */
    public array $blocked = [];

    /** @var list<float> rad */
    private array $sigma = [];

    /** @var list<float> m */
    private array $x = [];

    /** @var list<float> m */
    private array $y = [];

    private readonly AcceptanceWindow $alone;

    /** @var array<int, list<list<float>>> chances by pace and place in nodes, by the balls near the lane */
    private array $chances = [];

    /** @var array<int, array{float, float}> directions in which it would meet another, rad relative to toward, by ball */
    private array $hinders = [];

    private readonly Point $at;
    private readonly float $diameter;

    /** @var array<int, array{}|array{float, float, float, float}> ghost balls of the opening's edges, by the balls near the lane */
    private array $edges = [];

    private readonly CueBallGrid $positions;

    /** @var array<int, list<float>> chances at an easy pace, by the balls near the lane */
    private array $soft = [];

    /** Balls that may hinder the ball on its way, one bit each. */
    public readonly int $lane;

    private readonly PotChance $chance;
    private readonly Simulator $simulator;
    private readonly Point $ghost;

    /** @var array<int, Point> the others by number */
    private readonly array $others;

    public function __construct(PlanningCache $cache, Layout $layout, public readonly Pot $pot, Player $player)
    {
        $this->simulator = $cache->simulator;
        $only = new Layout(array_intersect_key($layout->balls, [BallId::CUE => true, $pot->ball => true]));
        $this->alone = $cache->window($layout, $pot);
        $this->positions = $cache->grids->positions;
        $this->at = $layout->ball($pot->ball);
        $this->diameter = 2 * $this->simulator->ball->radius;
        $this->chance = new PotChance($this->simulator, $only, $pot, $player, $this->alone);
        $this->ghost = $this->at->toward($this->alone->toward, -$this->diameter);
        $this->others = array_diff_key($layout->balls, [BallId::CUE => true, $pot->ball => true]);
        $lane = 0;
        foreach ($this->others as $id => $other) {
            $far = $this->at->distanceTo($other);
            $turn = Angle::wrap($this->at->angleTo($other) - $this->alone->toward);
            $half = asin(min(1.0, $this->diameter / max($far, $this->diameter)));
            // As far as it goes before it drops, and where it may go.
            if (abs($turn) - $half < $this->alone->span() && $far * cos($turn) < $this->alone->distance + self::BEHIND) {
                $this->hinders[$id] = [$turn - $half, $turn + $half];
                $lane |= 1 << $id;
            }
        }
        $this->lane = $lane;
        foreach ($cache->grids->positions->nodes() as $node => [$x, $y]) {
            $this->addNode($node, $x, $y);
        }
    }

    /** Takes a node in when the ball can be cut from there. */
    private function addNode(int $node, float $x, float $y): void
    {
        $dx = $this->ghost->x - $x;
        $dy = $this->ghost->y - $y;
        $long = sqrt($dx * $dx + $dy * $dy);
        if ($long < self::NEAREST || !$this->chance->free($x, $y)) {
            return;
        }
        $cut = $this->chance->cutFrom($x, $y);
        if (abs($cut) > self::THINNEST) {
            return;
        }
        $cue = new Point($x, $y);
        $stroke = new Stroke($this->chance->readingSpeed($x, $y), 0.0, Defaults::READING_TIP);
        $way = atan2($dy, $dx);
        $aimed = new AimedStroke($way, $stroke);
        $elevation = LeastElevation::at($cue, [], $aimed, $this->simulator->geometry, $this->simulator->ball);
        if (!is_finite($elevation)) {
            return;
        }
        $error = $this->chance->errors($cue, new AimedStroke($way, $stroke->raised($elevation)));
        $step = (rad2deg($cut) + ArrivalGrid::WIDEST) / ArrivalGrid::CUT_STEP;
        $lower = (int) max(0, min(ArrivalGrid::CUTS - 2, floor($step)));
        $this->place[$node] = \count($this->nodes);
        $this->nodes[] = $node;
        $this->cut[] = $lower;
        $this->part[] = max(0.0, min(1.0, $step - $lower));
        $this->distance[] = ArrivalGrid::distance($long);
        $this->blocked[] = $this->inTheWay($x, $y, $long);
        $this->sigma[] = max(hypot($error->aim, self::TIP * $error->tip), 1e-6);
        $this->x[] = $x;
        $this->y[] = $y;
    }

    /** Balls on the cue ball's way to the ghost ball, so long (m), one bit each. */
    private function inTheWay(float $x, float $y, float $long): int
    {
        $near = $this->diameter * $this->diameter * 0.98;
        $dx = $this->ghost->x - $x;
        $dy = $this->ghost->y - $y;
        $mask = 0;
        foreach ($this->others as $id => $other) {
            $ox = $other->x - $x;
            $oy = $other->y - $y;
            $along = ($ox * $dx + $oy * $dy) / $long;
            $along = $along < 0.0 ? 0.0 : ($along > $long ? $long : $along);
            $px = $ox - $along * $dx / $long;
            $py = $oy - $along * $dy / $long;
            if ($px * $px + $py * $py < $near) {
                $mask |= 1 << $id;
            }
        }

        return $mask;
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
        $long = hypot($this->ghost->x - $x, $this->ghost->y - $y);
        if ($n < 0 || $long < self::NEAREST || 0 !== ($this->inTheWay($x, $y, $long) & $remaining)) {
            return 0.0;
        }
        $hinder = $remaining & $this->lane;
        $edges = $this->edges[$hinder] ??= $this->ghosts($this->window($hinder, 0));

        return [] === $edges ? 0.0 : self::between($edges, $x, $y, self::LARGER[0] * $this->sigma[$n]);
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
        foreach ($this->x as $n => $x) {
            $chances[] = self::between($edges, $x, $this->y[$n], $larger * $this->sigma[$n]);
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
            $this->at->x - $this->diameter * cos($this->alone->toward + $low),
            $this->at->y - $this->diameter * sin($this->alone->toward + $low),
            $this->at->x - $this->diameter * cos($this->alone->toward + $high),
            $this->at->y - $this->diameter * sin($this->alone->toward + $high),
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
