<?php

declare(strict_types=1);

namespace ZigLane\Core\Chance;

use ZigLane\Core\Ball\BallId;
use ZigLane\Core\Cue\CueStrike;
use ZigLane\Core\Cue\Shot;
use ZigLane\Core\Player\ExecutionError;
use ZigLane\Core\Settings\Defaults;
use ZigLane\Core\Simulation\Internal\KernelState;
use ZigLane\Core\Simulation\Layout;
use ZigLane\Core\Simulation\Simulator;
use ZigLane\Core\Table\Pocket;

/**
 * The chance of a pot by playing the shot many times on the whole table, each time with other errors: slow, and the
 * measure of what is fast.
 */
final readonly class PotSampling
{
    public function __construct(private Simulator $simulator) {}

    /** Share of tries in which the ball, hit first, drops in that pocket. */
    public function chance(Layout $layout, int $ball, Pocket $pocket, Shot $shot, ExecutionError $error, int $tries): float
    {
        $slot = (int) array_search($ball, array_keys($layout->balls), true);
        $made = 0;
        foreach (ErrorSamples::of($tries) as [$aim, $speed, $side, $height]) {
            $a = $shot->tip->side + $error->tip * $side;
            $b = $shot->tip->height + $error->tip * $height;
            if (hypot($a, $b) > Defaults::MISCUE_LIMIT) {
                continue;
            }
            [$vx, $vy, $wx, $wy, $wz] = CueStrike::given(
                $shot->aim + $error->aim * $aim,
                $shot->speed * max(0.05, 1.0 + $error->speed * $speed),
                $a,
                $b,
                $shot->elevation,
                $this->simulator->cue,
                $this->simulator->ball,
            );
            $state = new KernelState();
            foreach ($layout->balls as $id => $place) {
                if (BallId::CUE === $id) {
                    $state->add($place->x, $place->y, $vx, $vy, $wx, $wy, $wz);
                } else {
                    $state->add($place->x, $place->y);
                }
            }
            $this->simulator->kernel()->run($state, mostRails: PotChance::MOST_RAILS);
            $made += $state->firstHit === $slot && $state->pocket[$slot] === $pocket->index() ? 1 : 0;
        }

        return $made / $tries;
    }
}
