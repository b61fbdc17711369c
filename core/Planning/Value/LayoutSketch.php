<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

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
    /** What a ball keeps that goes nowhere: it will have been moved by then, or not (our own choice). */
    private const STUCK = 0.15;

    /** So many shots are looked at; those after them are taken to be like the last of these. */
    private const DEEP = 6;

    /** Where the order is free so many balls are compared for each shot after the first. */
    private const LOOKED = 3;

    /** Balls shot first that are followed. */
    private const FOLLOWED = 3;

    private SketchedPots $pots;

    /** @var array<int, float> by balls on the table */
    private array $onward = [];

    /**
     * @param array<int, Point> $places object balls as they lie
     * @param float             $steady share of a later ball's chance that is that of the best place, 0–1
     */
    public function __construct(
        Simulator $simulator,
        Player $player,
        array $places,
        float $steady,
    ) {
        $this->pots = new SketchedPots($simulator, $player, $places, $steady);
    }

    /**
     * The same with some balls elsewhere; what does not change is taken over.
     *
     * @param array<int, Point> $places
     */
    public function moving(array $places): self
    {
        $sketch = clone $this;
        $sketch->pots = $this->pots->moving($places);
        $sketch->onward = [];

        return $sketch;
    }

    /**
     * The chance of a ball once it is its turn, 0–1.
     *
     * @param int $bits balls on the table
     */
    public function share(int $ball, int $bits): float
    {
        return $this->pots->share($ball, $bits);
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
            $chances[$ball] = $this->pots->chanceFrom($x, $y, $ball, $remaining->balls());
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
            foreach ($this->easiest($rules->due($remaining)) as $ball) {
                $share = $this->pots->share($ball, $remaining->balls());
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
     * Of the balls that may be shot those that would be the easiest with all balls on the table.
     *
     * @param list<int> $due
     *
     * @return list<int>
     */
    private function easiest(array $due): array
    {
        if (\count($due) <= self::LOOKED) {
            return $due;
        }
        $shares = array_map($this->pots->firstShare(...), array_combine($due, $due));
        arsort($shares);

        return \array_slice(array_keys($shares), 0, self::LOOKED);
    }
}
