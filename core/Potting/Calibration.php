<?php

declare(strict_types=1);

namespace ZigLane\Core\Potting;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Equipment\TableSize;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\Stroke;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Settings\Defaults;

/**
 * Five pots that players know their share of, on the house's nine-foot table, and the error of aim that a level needs to make its own.
 */
final readonly class Calibration
{
    /** The pot that a player is told of. */
    public const TOLD = 'long-rolled';

    /** Golden-section steps on the logarithm of the error, and its ends, rad. */
    private const STEPS = 18;
    private const LEAST = 0.0003;
    private const MOST = 0.02;

    /** The stop shot: speed, m/s, and height of the tip. */
    private const STOP_SPEED = 2.9;
    private const STOP_HEIGHT = -0.36;

    private Simulator $simulator;

    /** @var array<string, array{Layout, Pot, ?Stroke}> by name; without a stroke it is the reading stroke */
    private array $shots;

    /** @var array<string, AcceptanceWindow> what drops, by name: the same for every player */
    private array $windows;

    public function __construct()
    {
        $this->simulator = new Simulator();
        $pot = new Pot(1, Pocket::FootLeft);
        $mouth = $this->simulator->geometry->pocket(Pocket::FootLeft)->mouthMiddle();
        $spot = static fn(float $x, float $y): Point => TableSize::NineFoot->pointAt($x, $y);
        // From corner to corner, eight feet from the cue ball to the pocket, the ball half way.
        $back = $mouth->angleTo($spot(0.2, 3.8));
        $long = new Layout([0 => $mouth->toward($back, 2.44), 1 => $mouth->toward($back, 1.22)]);
        // Two feet from the pocket, 35° off the long rail, and four feet from the cue ball.
        $cut = $mouth->toward(deg2rad(145), 0.61);
        $frozen = new Point($spot(6, 0)->x, $this->simulator->geometry->reach);
        $this->shots = [
            'spot' => [new Layout([0 => $spot(2, 3), 1 => $spot(6, 2)]), $pot, null],
            'long-rolled' => [$long, $pot, null],
            'long-stopped' => [$long, $pot, new Stroke(self::STOP_SPEED, 0.0, self::STOP_HEIGHT)],
            'cut' => [new Layout([0 => $cut->toward(deg2rad(190), 1.22), 1 => $cut]), $pot, null],
            'frozen' => [new Layout([0 => $frozen->toward(deg2rad(150), 0.7), 1 => $frozen]), $pot, null],
        ];
        $this->windows = array_map(
            fn(array $shot): AcceptanceWindow => new AcceptanceWindow($this->simulator, $shot[0], $shot[1]),
            $this->shots,
        );
    }

    /**
     * @return list<string> the pots' names
     */
    public function names(): array
    {
        return array_keys($this->shots);
    }

    /** A player's chance (0–1) of one of the pots. */
    public function chance(Player $player, string $name = self::TOLD): float
    {
        [$layout, $pot, $stroke] = $this->shots[$name];
        $chance = new PotChance($this->simulator, $layout, $pot, $player, $this->windows[$name]);
        $cue = $layout->ball(0);
        if (null === $stroke) {
            return $chance->fromPlace($cue->x, $cue->y)->chance;
        }

        return $chance->with($cue, $stroke)->chance;
    }

    /** Error of aim, rad, with which a level comes nearest to its shares (least squares); its errors of speed and tip being given. */
    public function aim(Level $level): float
    {
        $off = fn(float $log): float => array_sum(array_map(
            fn(string $name): float => ($this->chance(Player::of($level)->withAim(exp($log)), $name)
                - Defaults::LEVEL_POTS[$level->value][$name]) ** 2,
            $this->names(),
        ));
        [$low, $high] = [log(self::LEAST), log(self::MOST)];
        $golden = (sqrt(5) - 1) / 2;
        for ($i = 0; $i < self::STEPS; ++$i) {
            [$one, $two] = [$high - $golden * ($high - $low), $low + $golden * ($high - $low)];
            if ($off($one) < $off($two)) {
                $high = $two;
            } else {
                $low = $one;
            }
        }

        return exp(($low + $high) / 2);
    }
}
