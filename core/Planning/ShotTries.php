<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Physics\BallStates;
use ZigLane\Core\Player\ErrorSample;
use ZigLane\Core\Potting\PotChance;
use ZigLane\Core\Potting\ShotSampler;
use ZigLane\Core\Rack\Rack;

/**
 * A planned shot played with the player's errors in it.
 */
final readonly class ShotTries
{
    /**
     * @param Rack                  $rack   as the shot finds it
     * @param list<BallStates|null> $states what becomes of each try; null for a miscue
     */
    private function __construct(public Rack $rack, public ShotSampler $sampler, public array $states) {}

    /**
     * @param Rack              $rack    with the player and the group
     * @param list<ErrorSample> $samples one for each try
     *
     * @return self|null null when the shot cannot be played
     */
    public static function of(PlannedShot $shot, Rack $rack, array $samples): ?self
    {
        $rack = $shot->rackBefore($rack);
        $stroke = $shot->played($rack)?->stroke();
        if (null === $stroke) {
            return null;
        }
        $sampler = new ShotSampler($rack->simulator(), $rack->layout, $shot->pot);
        $chance = new PotChance($rack->simulator(), $rack->layout, $shot->pot, $rack->player);
        $error = $chance->errors($rack->layout->ball(BallId::CUE), $stroke);

        return new self(
            $rack,
            $sampler,
            array_map(static fn(ErrorSample $sample): ?BallStates => $sampler->under($error, $sample, $stroke), $samples),
        );
    }
}
