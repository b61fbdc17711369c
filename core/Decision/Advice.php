<?php

declare(strict_types=1);

namespace ZigLane\Core\Decision;

use ZigLane\Core\Rack\Rack;

/**
 * Whether to go or to play safe, and what that rests on.
 */
final readonly class Advice
{
    /**
     * @param Rack                  $rack    as it is played from: on an open table no group is taken
     * @param OptionKind            $choice  the best by the chance to win the rack
     * @param array<string, Tried> $options by the kind's value: to go as the plan begins, the best safety, the best of both, a push-out
     * @param bool                  $even    the two best are too near each other to be told apart
     * @param float|null            $turnsAt chance of the first pot from which to go is the better; null when nothing turns it
     * @param bool                  $byRule  what the player's threshold rule says: go
     * @param float|null            $pass    chance to win the rack when the other player, who has pushed out, shoots again; null where
     *                                       that cannot be asked, 0–1
     * @param bool                  $another what is gone for is another shot than the plan begins with
     * @param float|null            $planned and the chance to win as the plan begins, 0–1; null where that is gone for, or nothing goes
     */
    public function __construct(
        public Rack $rack,
        public OptionKind $choice,
        public array $options,
        public bool $even,
        public ?float $turnsAt,
        public bool $byRule,
        public ?float $pass = null,
        public bool $another = false,
        public ?float $planned = null,
    ) {}

    /** The same where the plan begins with what is gone for. */
    public function asPlanned(): self
    {
        return new self($this->rack, $this->choice, $this->options, $this->even, $this->turnsAt, $this->byRule, $this->pass);
    }

    /** The stroke of an option; null when there is none. */
    public function of(OptionKind $kind): ?Tried
    {
        return $this->options[$kind->value] ?? null;
    }

    /** The stroke that is advised; null when there is none, and where the other player shoots. */
    public function chosen(): ?Tried
    {
        return $this->of($this->choice);
    }

    /** Chance to win the rack, 0–1. */
    public function win(): float
    {
        return OptionKind::Pass === $this->choice ? (float) $this->pass : ($this->chosen()?->win() ?? 0.0);
    }
}
