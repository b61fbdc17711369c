<?php

declare(strict_types=1);

namespace ZigLane\Core\RunOut\Internal;

use ZigLane\Core\Chance\DropWindow;
use ZigLane\Core\Chance\PotChance;
use ZigLane\Core\Cue\LeastElevation;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Random\Normal;
use ZigLane\Core\Settings\Defaults;
use ZigLane\Core\Simulation\Layout;
use ZigLane\Core\Simulation\Simulator;
use ZigLane\Core\Table\Pocket;

/**
 * The chance of one pot from every node of the grid, roughly: the directions in which the ball drops become directions of the
 * cue by plain geometry (the ghost ball of each edge), and a normal error of the cue's direction is summed between them. The
 * exact chance is PotChance's; tests hold this one to it.
 *
 * @internal
 */
final class Field
{
    /** Thinner than this is no shot, rad. */
    private const THINNEST = 1.31;

    /** What an error of the tip (radii) adds to that of the direction, rad: squirt less throw, fitted to PotChance. */
    private const TIP = 0.04;

    /** Paces that are told apart: speeds of the ball as it leaves, m/s, from which the next one counts; speeds asked for. */
    public const FASTER = [1.9, 2.9];
    private const ASKED = [1.52, 2.31, 3.52];

    /** By so much errors of a stroke of that pace are larger: cue speeds of about 3 and 4.5 m/s, see Player::errors(). */
    private const LARGER = [1.0, 1.06, 1.3];

    /** @var list<int> nodes from which the ball can be cut there */
    public array $nodes = [];

    /** @var array<int, int> place in nodes, by node */
    public array $place = [];

    /** @var list<int> lower of the two cuts that the cut lies between, by place in nodes */
    public array $cut = [];

    /** @var list<float> how far to the upper one */
    public array $part = [];

    /** @var list<int> see Rungs::DISTANCES */
    public array $distance = [];

    /** @var list<int> balls that the cue ball would meet first, one bit each */
    public array $blocked = [];

    /** @var list<float> rad */
    private array $sigma = [];

    /** @var list<float> m */
    private array $x = [];

    /** @var list<float> m */
    private array $y = [];

    private readonly DropWindow $alone;

    /** @var array<int, list<list<float>>> chances by pace and place in nodes, by the balls near the lane */
    private array $chances = [];

    /** @var array<int, DropWindow> by the balls near the lane */
    private array $windows = [];

    /** Balls that may hinder the ball on its way, one bit each. */
    public readonly int $lane;

    public function __construct(private readonly Simulator $simulator, Grid $grid, private readonly Layout $layout, private readonly int $ball, private readonly Pocket $pocket, Player $player)
    {
        $only = new Layout(array_intersect_key($layout->balls, [0 => true, $ball => true]));
        $this->alone = new DropWindow($simulator, $only, $ball, $pocket, alone: true);
        $pot = new PotChance($simulator, $only, $ball, $pocket, $player, $this->alone);
        $g = $simulator->geometry;
        $at = $layout->ball($ball);
        $diameter = 2 * $simulator->ball->radius;
        $ghost = $at->toward($this->alone->toward, -$diameter);
        $others = [];
        foreach ($layout->objectBalls() as $id) {
            if ($id !== $ball) {
                $others[$id] = $layout->ball($id);
            }
        }
        $this->lane = $this->lane($others, $diameter);
        $near = $diameter * $diameter * 0.98;
        foreach ($grid->nodes() as $node => [$x, $y]) {
            $dx = $ghost->x - $x;
            $dy = $ghost->y - $y;
            $long = sqrt($dx * $dx + $dy * $dy);
            if ($long < 0.02 || !$pot->free($x, $y)) {
                continue;
            }
            $cut = $pot->cutFrom($x, $y);
            if (abs($cut) > self::THINNEST) {
                continue;
            }
            $way = atan2($dy, $dx);
            $elevation = LeastElevation::at($x, $y, [], $way, 0.0, Defaults::READING_TIP, $g, $simulator->ball);
            if (!is_finite($elevation)) {
                continue;
            }
            $error = $pot->errors($x, $y, $way, $elevation, $pot->readingSpeed($x, $y));
            $mask = 0;
            foreach ($others as $id => $other) {
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
            $step = (rad2deg($cut) + Rungs::WIDEST) / Rungs::CUT_STEP;
            $lower = (int) max(0, min(Rungs::CUTS - 2, floor($step)));
            $this->place[$node] = \count($this->nodes);
            $this->nodes[] = $node;
            $this->cut[] = $lower;
            $this->part[] = max(0.0, min(1.0, $step - $lower));
            $this->distance[] = Rungs::distance($long);
            $this->blocked[] = $mask;
            $this->sigma[] = max(hypot($error->aim, self::TIP * $error->tip), 1e-6);
            $this->x[] = $x;
            $this->y[] = $y;
        }
    }

    /** Whether the ball drops at all with some of the others on the table. */
    public function goes(int $set): bool
    {
        return [] !== $this->window($set & $this->lane, 0);
    }

    /** The pace at which a ball leaves, by its speed, m/s. */
    public static function pace(float $speed): int
    {
        return $speed < self::FASTER[0] ? 0 : ($speed < self::FASTER[1] ? 1 : 2);
    }

    /**
     * Chances with some of the others on the table, by pace and place in nodes.
     *
     * @param int $set one bit for each ball
     *
     * @return list<list<float>>
     */
    public function chances(int $set): array
    {
        $hinder = $set & $this->lane;

        return $this->chances[$hinder] ??= array_map(fn(int $pace): array => $this->worked($this->window($hinder, $pace), self::LARGER[$pace]), array_keys(self::ASKED));
    }

    /**
     * @return array{}|array{float, float} the widest opening, rad relative to toward
     */
    private function window(int $hinder, int $pace): array
    {
        $window = $this->alone;
        if (0 !== $hinder && isset($this->windows[$hinder])) {
            $window = $this->windows[$hinder];
        } elseif (0 !== $hinder) {
            $balls = [$this->ball => $this->layout->ball($this->ball)];
            foreach ($this->layout->balls as $id => $place) {
                if (0 !== ($hinder >> $id & 1)) {
                    $balls[$id] = $place;
                }
            }
            $window = $this->windows[$hinder] = new DropWindow($this->simulator, new Layout($balls), $this->ball, $this->pocket);
        }
        $best = [];
        $widest = Defaults::LEAST_OPENING;
        foreach ($window->near(self::ASKED[$pace]) as [$low, $high]) {
            if ($high - $low >= $widest) {
                $widest = $high - $low;
                $best = [$low, $high];
            }
        }

        return $best;
    }

    /**
     * @param array{}|array{float, float} $window
     *
     * @return list<float>
     */
    private function worked(array $window, float $larger): array
    {
        if ([] === $window) {
            return array_fill(0, \count($this->nodes), 0.0);
        }
        $at = $this->layout->ball($this->ball);
        $diameter = 2 * $this->simulator->ball->radius;
        [$low, $high] = $window;
        $lowX = $at->x - $diameter * cos($this->alone->toward + $low);
        $lowY = $at->y - $diameter * sin($this->alone->toward + $low);
        $highX = $at->x - $diameter * cos($this->alone->toward + $high);
        $highY = $at->y - $diameter * sin($this->alone->toward + $high);
        $chances = [];
        foreach ($this->x as $n => $x) {
            $y = $this->y[$n];
            // The angle between the lines to both ghost balls.
            $ax = $lowX - $x;
            $ay = $lowY - $y;
            $bx = $highX - $x;
            $by = $highY - $y;
            $wide = abs(atan2($ax * $by - $ay * $bx, $ax * $bx + $ay * $by));
            $chances[] = 2 * Normal::share($wide / 2 / ($larger * $this->sigma[$n])) - 1;
        }

        return $chances;
    }

    /**
     * @param array<int, \ZigLane\Core\Table\Point> $others
     */
    private function lane(array $others, float $diameter): int
    {
        $from = $this->layout->ball($this->ball);
        $mouth = $this->simulator->geometry->pocket($this->pocket)->mouthMiddle();
        $long = max($from->distanceTo($mouth), 1e-6);
        $ux = ($mouth->x - $from->x) / $long;
        $uy = ($mouth->y - $from->y) / $long;
        $mask = 0;
        foreach ($others as $id => $other) {
            $along = ($other->x - $from->x) * $ux + ($other->y - $from->y) * $uy;
            $aside = abs(($other->y - $from->y) * $ux - ($other->x - $from->x) * $uy);
            // A little wider than the ball's own lane: the mouth is wider than the ball.
            if ($along > -0.5 * $diameter && $along < $long + 2 * $diameter && $aside < 1.7 * $diameter) {
                $mask |= 1 << $id;
            }
        }

        return $mask;
    }
}
