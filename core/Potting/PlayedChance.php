<?php

declare(strict_types=1);

namespace ZigLane\Core\Potting;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Physics\AimedStroke;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Player\ErrorSample;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Shots\Intent;

/**
 * The chance of a shot of any kind, by playing it with the player's errors: the ball that is meant must be hit first, the other drop in
 * its pocket, and the cue ball stay up. For shots that no window can be propagated through: cushions and second balls on the way.
 */
final readonly class PlayedChance
{
    /** Tries that a person is shown the chance of: it is then off by a point or two. */
    public const SHOWN = 800;

    private ShotSampler $sampler;
    private int $slot;
    private int $first;

    public function __construct(private Simulator $simulator, private Layout $layout, private Pot $pot, Intent $intent)
    {
        $this->sampler = new ShotSampler($simulator, $layout, $pot);
        $slots = array_flip(array_keys($layout->balls));
        $this->slot = $slots[$pot->ball];
        $this->first = $slots[$intent->first($pot->ball)];
    }

    /**
     * @param list<ErrorSample> $samples
     *
     * @return float 0–1
     */
    public function under(AimedStroke $stroke, Player $player, array $samples): float
    {
        $error = (new Judgement($this->simulator, $this->layout))->errors($player, $stroke);
        $made = 0;
        foreach ($samples as $sample) {
            $state = $this->sampler->under($error, $sample, $stroke);
            if (
                null !== $state
                && $state->firstHit === $this->first
                && $state->pocket[$this->slot] === $this->pot->pocket->index()
                && !$state->isDown(0)
            ) {
                ++$made;
            }
        }

        return $made / max(1, \count($samples));
    }
}
