<?php

declare(strict_types=1);

namespace ZigLane\Core\Games;

/**
 * What the rules make of a shot.
 */
final readonly class Verdict
{
    /**
     * @param Foul|null $foul the gravest foul, or null
     * @param string    $why  the foul in words, or ''
     * @param bool      $won  the rack is won by this shot
     * @param bool      $lost the rack is lost by this shot
     */
    public function __construct(
        public ?Foul $foul,
        public string $why,
        public bool $won,
        public bool $lost = false,
    ) {}

    /** Whether there was no foul. */
    public function legal(): bool
    {
        return null === $this->foul;
    }
}
