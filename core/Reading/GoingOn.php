<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Potting\PotChance;
use ZigLane\Core\Potting\ShotSampler;
use ZigLane\Core\Settings\Defaults;

/**
 * From which cut angles a ball leads on to the one after it: for each angle a few ordinary strokes without side are played,
 * and those count that leave the following ball likely enough.
 */
final readonly class GoingOn
{
    /** Cuts tried, degrees: this far to either side, in such steps. */
    private const WIDEST = 60;
    private const STEP = 15;

    /** A cut that leads on stands for those this near, degrees. */
    private const AROUND = 10;

    /** Cue ball's distances tried until one is free, m. */
    private const DISTANCES = [0.5, 0.3, 0.8];

    private const HEIGHTS = [-0.4, 0.0, 0.35];
    private const SPEEDS = [1.0, 1.6, 2.4];

    /** Below this a pot is no way to go on by. */
    private const LEAST_POT = 0.2;

    /**
     * @param list<array{int, float}> $shares [cut in degrees, signed as in PotReading; share of strokes that lead on]
     */
    private function __construct(public array $shares) {}

    /**
     * @param list<PotChance> $after  pots of the following ball, without the first on the table
     * @param float           $chance that the following ball must be left at
     */
    public static function of(
        Simulator $simulator,
        Layout $layout,
        Player $player,
        int $ball,
        Pocket $pocket,
        array $after,
        float $chance = Defaults::ZONE_CHANCE,
    ): self {
        $pot = new PotChance($simulator, $layout, $ball, $pocket, $player);
        $shares = [];
        for ($cut = -self::WIDEST; $cut <= self::WIDEST; $cut += self::STEP) {
            $shares[] = [$cut, self::share($simulator, $layout, $pot, deg2rad($cut), $after, $chance)];
        }

        return new self($shares);
    }

    /**
     * The side of the shot's line from which the cue ball goes on more easily: "left" or "right" as the player stands;
     * null when it makes no odds.
     */
    public function rightSide(): ?string
    {
        $left = $right = 0.0;
        foreach ($this->shares as [$cut, $share]) {
            // Cutting the ball to the right, the cue ball lies to the left of the line.
            if ($cut > 0) {
                $left += $share;
            } elseif ($cut < 0) {
                $right += $share;
            }
        }

        return match (true) {
            $left > 1.25 * $right + 0.3 => 'left',
            $right > 1.25 * $left + 0.3 => 'right',
            default => null,
        };
    }

    /** Whether the ball after can be reached from a cut, rad: at least one of the strokes from a cut near it leads on. */
    public function leadsOn(float $cut): bool
    {
        return $this->margin($cut) >= 0.0;
    }

    /** How far a cut (rad) lies inside what leads on, rad; negative outside. */
    public function margin(float $cut): float
    {
        $degrees = rad2deg($cut);
        $best = -180.0;
        foreach ($this->bands() as [$low, $high]) {
            $best = max($best, min($degrees - $low, $high - $degrees));
        }

        return deg2rad($best);
    }

    /**
     * The cuts that lead on, each standing for those around it.
     *
     * @return list<array{float, float}> degrees, ascending
     */
    private function bands(): array
    {
        $bands = [];
        foreach ($this->shares as [$at, $share]) {
            if ($share > 0.0) {
                $last = \count($bands) - 1;
                if ($last >= 0 && $bands[$last][1] >= $at - self::AROUND) {
                    $bands[$last][1] = (float) $at + self::AROUND;
                } else {
                    $bands[] = [(float) $at - self::AROUND, (float) $at + self::AROUND];
                }
            }
        }

        return $bands;
    }

    /** Mean share over all cuts: how natural it is to go on. */
    public function ease(): float
    {
        return array_sum(array_column($this->shares, 1)) / \count($this->shares);
    }

    /**
     * @param list<PotChance> $after
     */
    private static function share(Simulator $simulator, Layout $layout, PotChance $pot, float $cut, array $after, float $chance): float
    {
        $window = $pot->window();
        $at = $layout->ball($pot->ball);
        $ghost = $at->toward($window->toward, -2 * $simulator->ball->radius);
        $way = $window->toward - $cut;
        foreach (self::DISTANCES as $far) {
            $cue = $ghost->toward($way, -$far);
            if (!$pot->free($cue->x, $cue->y)) {
                continue;
            }
            $tried = $led = 0;
            $easy = $pot->readingSpeed($cue->x, $cue->y);
            foreach (self::SPEEDS as $times) {
                foreach (self::HEIGHTS as $height) {
                    ++$tried;
                    $speed = min($easy * $times, 6.0);
                    $read = $pot->at($cue->x, $cue->y, $speed, 0.0, $height, self::LEAST_POT);
                    if ($read->chance < self::LEAST_POT) {
                        continue;
                    }
                    $stop = self::stop($simulator, $layout->with(BallId::CUE, $cue), $pot, $read->aim, $speed, $height, $read->elevation);
                    if (null === $stop) {
                        continue;
                    }
                    foreach ($after as $next) {
                        if ($next->fromPlace($stop[0], $stop[1], $chance)->chance >= $chance) {
                            ++$led;
                            break;
                        }
                    }
                }
            }

            return $led / $tried;
        }

        return 0.0;
    }

    /**
     * Where the cue ball stops; null when the ball stays up, the cue ball falls, or another ball is moved.
     *
     * @return array{float, float}|null
     */
    private static function stop(
        Simulator $simulator,
        Layout $layout,
        PotChance $pot,
        float $aim,
        float $speed,
        float $height,
        float $elevation,
    ): ?array {
        $sampler = new ShotSampler($simulator, $layout, $pot->ball, $pot->pocket);
        $state = $sampler->run($aim, $speed, 0.0, $height, $elevation);
        if (null === $state || !$sampler->pots($state) || $sampler->scratches($state) || [] !== $sampler->moved($state)) {
            return null;
        }

        return [$state->x[0], $state->y[0]];
    }
}
