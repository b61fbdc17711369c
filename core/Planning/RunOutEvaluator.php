<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Planning\Value\PotApproach;
use ZigLane\Core\Planning\Value\RemainingBalls;
use ZigLane\Core\Planning\Value\StateValues;
use ZigLane\Core\Planning\Value\StrokeProposals;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Routes\LazyGrid;
use ZigLane\Core\Routes\NodeEvaluator;
use ZigLane\Core\Routes\NodeValue;
use ZigLane\Core\Routes\PositionEvaluator;

/**
 * What the cue ball is left with after a pot, to the end of the rack: the chance of the next pot (NextPotChance) times what it
 * leads on to, the best over the balls and pockets that StateValues finds promising there. Worked out at the nodes of a 5 cm grid as they
 * are asked for, and interpolated.
 */
final class RunOutEvaluator implements PositionEvaluator, NodeEvaluator
{
    /** Balls and pockets asked for one node. */
    private const ASKED = 2;

    /** Distance of the places at which the chance of a pot is exact, m, times the step. */
    private const FAR = 0.15;

    /** Those with a rough value of less than this share of the best are not. */
    private const NEAR = 0.7;

    /** A place is position from this share on of what the shot leads on to when it is played well (our own choice). */
    public const POSITION = 0.8;

    /** And among the best from this share on. */
    public const HEART = 0.93;

    private readonly LazyGrid $nodes;

    /** @var array<int, Point> by ball */
    private readonly array $places;

    private readonly RemainingBalls $left;
    private readonly StrokeProposals $proposals;

    /**
     * @param int   $ball  about to be potted
     * @param float $leads what the shot leads on to when it is played well, 0–1
     * @param int|null $step the chance of the next pot is exact every so many times FAR; all comes from StateValues when null
     */
    public function __construct(
        Rack $rack,
        private readonly StateValues $stateValues,
        int $ball,
        private readonly float $leads = 1.0,
        private readonly ?int $step = 1,
    ) {
        $this->left = RemainingBalls::of($rack->layout)->without($ball);
        $this->proposals = new StrokeProposals($stateValues);
        $this->nodes = new LazyGrid($rack->simulator()->geometry);
        $this->places = $rack->layout->balls;
    }

    public function valueAt(float $x, float $y): float
    {
        return $this->isExact() ? $this->nodes->between($x, $y, $this)->value : $this->stateValues->valueAt($this->left, $x, $y);
    }

    public function chanceAt(float $x, float $y): float
    {
        if ($this->isExact()) {
            return $this->nodes->between($x, $y, $this)->chance;
        }

        return $this->stateValues->isOver($this->left) ? 1.0 : $this->stateValues->valueAt($this->left, $x, $y);
    }

    public function level(float $leaves = 1.0): float
    {
        return self::POSITION * min($this->leads, $leaves);
    }

    public function next(float $x, float $y): ?Pot
    {
        if ($this->stateValues->isOver($this->left)) {
            return null;
        }

        return $this->isExact()
            ? $this->nodes->nearest($x, $y, $this)->pot
            : ($this->proposals->candidates($this->left, $x, $y)[0] ?? null)?->pot;
    }

    public function disturbed(array $moved, float $x, float $y): float
    {
        if (null !== $this->step) {
            return $this->stateValues->moved->valueOf($this->stateValues, $this->left, $moved, new Point($x, $y));
        }
        $met = 0;
        foreach ($moved as $ball => $place) {
            $met |= 1 << $ball;
        }

        return $this->stateValues->disturbed($this->left, $met, $this->stateValues->valueAt($this->left, $x, $y));
    }

    public function lookOn(): void {}

    private function isExact(): bool
    {
        return null !== $this->step && !$this->stateValues->isOver($this->left);
    }

    public function nodeAt(Point $place): NodeValue
    {
        $best = new NodeValue();
        $candidates = \array_slice($this->proposals->candidates($this->left, $place->x, $place->y), 0, self::ASKED);
        foreach ($candidates as $candidate) {
            if ($candidate->value < self::NEAR * $candidates[0]->value) {
                break;
            }
            $pot = $candidate->pot;
            $next = $this->stateValues->potChance($this->left, $pot, self::FAR * ($this->step ?? 1));
            $chance = $next->at($place->x, $place->y);
            if ($chance <= 0.0) {
                continue;
            }
            $value = $chance * $this->proposals->leads($this->left, $pot, new PotApproach(
                $this->stateValues->grid()->node($place->x, $place->y),
                $next->cutFrom($place->x, $place->y),
                $place->distanceTo($this->places[$pot->ball]),
            ));
            if ($value > $best->value) {
                $best = new NodeValue($value, $chance, $pot);
            }
        }

        return $best;
    }
}
