<?php

declare(strict_types=1);

namespace ZigLane\Core\Games;

/**
 * What the rules make of a shot.
 */
final readonly class Verdict
{
    /**
     * @param FoulCall|null $foul the gravest foul, or null
     * @param bool          $won  the rack is won by this shot
     * @param bool          $lost the rack is lost by this shot
     */
    public function __construct(public ?FoulCall $foul, public bool $won, public bool $lost = false) {}

    /** Whether there was no foul. */
    public function legal(): bool
    {
        return null === $this->foul;
    }
}
