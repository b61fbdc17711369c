<?php

declare(strict_types=1);

namespace ZigLane\Core\Potting;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Settings\Defaults;

/**
 * The reference pot, and the error of aim that a level needs to make its share of it.
 *
 * Straight in on the house's nine-foot table: one metre from the cue ball to the ball, one metre on to the middle of a
 * corner's mouth, 30° off the long rail (a two-metre line square to a corner does not fit on the table), with the reading
 * stroke.
 */
final readonly class Calibration
{
    private const METRE = 1.0;
    private const OFF_RAIL = M_PI / 6;
    private const BISECTIONS = 24;

    public Layout $layout;
    private Simulator $simulator;

    public function __construct()
    {
        $this->simulator = new Simulator();
        $mouth = $this->simulator->geometry->pocket(Pocket::FootLeft)->mouthMiddle();
        // Back from the mouth, up the table and away from the left rail.
        $ball = $mouth->toward(M_PI - self::OFF_RAIL, self::METRE);
        $this->layout = new Layout([0 => $mouth->toward(M_PI - self::OFF_RAIL, 2 * self::METRE), 1 => $ball]);
    }

    /** Chance of the reference pot. */
    public function chance(Player $player): float
    {
        $cue = $this->layout->ball(0);

        return $this->pot($player)->fromPlace($cue->x, $cue->y)->chance;
    }

    /** The reference pot for a player. */
    public function pot(Player $player): PotChance
    {
        return new PotChance($this->simulator, $this->layout, new Pot(1, Pocket::FootLeft), $player);
    }

    /** The table it is on. */
    public function simulator(): Simulator
    {
        return $this->simulator;
    }

    /** Error of aim, rad, with which a level makes its share; its errors of speed and tip being given. */
    public function aim(Level $level): float
    {
        $low = 0.0;
        $high = deg2rad(5.0);
        for ($i = 0; $i < self::BISECTIONS; ++$i) {
            $middle = ($low + $high) / 2;
            if ($this->chance(Player::of($level)->withAim($middle)) > Defaults::REFERENCE_POT[$level->value]) {
                $low = $middle;
            } else {
                $high = $middle;
            }
        }

        return ($low + $high) / 2;
    }
}
