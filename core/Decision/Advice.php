<?php

declare(strict_types=1);

namespace ZigLane\Core\Decision;

/**
 * Whether to go or to play safe, and what that rests on.
 */
final readonly class Advice
{
    /**
     * @param OptionKind $choice   the best by the chance to win the rack
     * @param Tried|null $go       as the plan begins; null when no ball goes
     * @param Tried|null $safe     the best safety found; null when there is none
     * @param Tried|null $twoWay   the best of both; null when there is none
     * @param bool       $even     the two best are too near each other to be told apart
     * @param float|null $turnsAt  chance of the first pot from which to go is the better; null when nothing turns it
     * @param bool       $byRule   what the player's threshold rule says: go
     */
    public function __construct(
        public OptionKind $choice,
        public ?Tried $go,
        public ?Tried $safe,
        public ?Tried $twoWay,
        public bool $even,
        public ?float $turnsAt,
        public bool $byRule,
    ) {}

    /** The option that is advised; null when there is none at all. */
    public function chosen(): ?Tried
    {
        return match ($this->choice) {
            OptionKind::Go => $this->go,
            OptionKind::Safe => $this->safe,
            OptionKind::TwoWay => $this->twoWay,
        };
    }

    /** Chance to win the rack, 0–1. */
    public function win(): float
    {
        return $this->chosen()?->win() ?? 0.0;
    }
}
