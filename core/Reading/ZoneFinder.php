<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Potting\PotChance;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Settings\Defaults;

/**
 * The position zone of a ball of a rack: on the table as it will be at its turn, with the angles cut out that do not lead
 * on to what may follow.
 */
final readonly class ZoneFinder
{
    /** Of the balls that may follow in a free order, the nearest so many are asked; of their pockets the widest so many. */
    private const NEAREST = 3;
    private const WIDEST = 2;

    private Simulator $simulator;

    public function __construct(private Rack $rack)
    {
        $this->simulator = $rack->simulator();
    }

    /** The pot of a ball in a pocket when its turn comes. */
    public function pot(int $ball, Pocket $pocket): PotChance
    {
        return new PotChance($this->simulator, $this->layout($ball), new Pot($ball, $pocket), $this->rack->player);
    }

    /** The table when a ball's turn comes. */
    public function layout(int $ball): Layout
    {
        return WhenDue::layout($this->rack->rules(), $this->rack->layout, $ball);
    }

    /** @param float $chance 0–1, least chance of the pot */
    public function zone(int $ball, Pocket $pocket, float $chance = Defaults::ZONE_CHANCE): Zone
    {
        $layout = $this->layout($ball);

        return Zone::of($this->simulator, $layout, $this->pot($ball, $pocket), $this->goingOn($ball, $pocket, $chance), $chance);
    }

    /** From which angles a pot leads on to what may follow; null when nothing follows or nothing goes. */
    public function goingOn(int $ball, Pocket $pocket, float $chance = Defaults::ZONE_CHANCE): ?GoingOn
    {
        $layout = $this->layout($ball);
        $after = WhenDue::after($this->rack->rules(), $this->rack->layout, $ball);
        if ([] === $after) {
            return null;
        }
        $at = $layout->ball($ball);
        $after = $layout->nearestTo($at, $after);
        $then = $layout->without($ball);
        $pots = [];
        foreach (\array_slice($after, 0, self::NEAREST) as $next) {
            foreach (\array_slice(Openings::goingOf($this->simulator, $then, $next), 0, self::WIDEST) as $opening) {
                $pots[] = new PotChance($this->simulator, $then, new Pot($next, $opening->pocket), $this->rack->player);
            }
        }

        return [] === $pots ? null : GoingOn::of($this->simulator, $layout, $this->pot($ball, $pocket), $pots, $chance);
    }
}
