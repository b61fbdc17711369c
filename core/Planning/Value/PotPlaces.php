<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Geometry\Point;
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
 * The nodes of the grid from which one ball, alone on the table, can be cut into one pocket, and how exactly a player points the cue there.
 *
 * @internal
 */
final class PotPlaces
{
    /** Thinner than this is no shot, rad. */
    private const THINNEST = 1.31;

    /** What an error of the tip (radii) adds to that of the direction, rad: squirt less throw, fitted to PotChance. */
    private const TIP = 0.04;

    /** Cue balls nearer than this to the ghost ball have no room, m. */
    public const NEAREST = 0.02;

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

    /** @var list<float> standard deviation of the cue's direction, rad */
    public array $sigma = [];

    /** @var list<float> m */
    public array $x = [];

    /** @var list<float> m */
    public array $y = [];

    /** @var list<float> to the ghost ball, m */
    public array $long = [];

    public readonly Point $at;

    /** Place of the cue ball at the contact that sends the ball to the middle of the mouth. */
    public readonly Point $ghost;

    /** Square of the distance at which the cue ball meets another, a little less, m². */
    private readonly float $near;

    private readonly PotChance $chance;

    /** @var array<string, list<int>> places in nodes, by the place of another ball */
    private array $blocked = [];

    /** @param AcceptanceWindow $alone what drops, the ball alone on the table */
    public function __construct(
        private readonly Simulator $simulator,
        CueBallGrid $positions,
        Layout $layout,
        Pot $pot,
        Player $player,
        public readonly AcceptanceWindow $alone,
    ) {
        $only = new Layout(array_intersect_key($layout->balls, [BallId::CUE => true, $pot->ball => true]));
        $this->at = $layout->ball($pot->ball);
        $this->chance = new PotChance($simulator, $only, $pot, $player, $alone);
        $this->ghost = $this->at->toward($alone->toward, -2 * $simulator->ball->radius);
        $this->near = (2 * $simulator->ball->radius) ** 2 * 0.98;
        foreach ($positions->nodes() as $node => [$x, $y]) {
            $this->addNode($node, $x, $y);
        }
    }

    /**
     * The nodes from which another ball is on the cue ball's way.
     *
     * @return list<int> places in nodes
     */
    public function blockedBy(Point $other): array
    {
        $key = \sprintf('%.7F %.7F', $other->x, $other->y);
        if (!isset($this->blocked[$key])) {
            $blocked = [];
            foreach ($this->x as $n => $x) {
                if ($this->isOnTheWay($other, $x, $this->y[$n], $this->long[$n])) {
                    $blocked[] = $n;
                }
            }
            $this->blocked[$key] = $blocked;
        }

        return $this->blocked[$key];
    }

    /** Whether another ball is on the cue ball's way to the ghost ball, so long (m). */
    public function isOnTheWay(Point $other, float $x, float $y, float $long): bool
    {
        $dx = $this->ghost->x - $x;
        $dy = $this->ghost->y - $y;
        $ox = $other->x - $x;
        $oy = $other->y - $y;
        $along = ($ox * $dx + $oy * $dy) / $long;
        $along = $along < 0.0 ? 0.0 : ($along > $long ? $long : $along);
        $px = $ox - $along * $dx / $long;
        $py = $oy - $along * $dy / $long;

        return $px * $px + $py * $py < $this->near;
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
        $this->sigma[] = max(hypot($error->aim, self::TIP * $error->tip), 1e-6);
        $this->x[] = $x;
        $this->y[] = $y;
        $this->long[] = $long;
    }
}
