<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Routes\RouteChances;

/**
 * What a planned shot comes to, 0–1.
 */
final readonly class ShotChances
{
    /**
     * @param float $pot      chance of the pot, the cue ball staying up
     * @param float $position chance of the pot and a good place for the rest
     * @param float $runOut   chance to run out from here on
     */
    public function __construct(public float $pot, public float $position, public float $runOut) {}

    /**
     * @param bool $last whether nothing is left after the shot: then every place is good
     */
    public static function of(RouteChances $chances, bool $last): self
    {
        return new self($chances->pot, $last ? $chances->pot : $chances->position, $chances->value);
    }
}
