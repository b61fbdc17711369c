<?php

declare(strict_types=1);

namespace ZigLane\Core\Shots;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Rail;
use ZigLane\Core\Physics\BallStates;
use ZigLane\Core\Physics\EventType;

/**
 * What happened in a recorded run, asked for by ball numbers.
 */
final readonly class Played
{
    /** @var array<int, int> slot by ball number */
    private array $slots;

    public function __construct(public ShotTable $table, private BallStates $states)
    {
        $this->slots = array_flip(array_keys($table->layout->balls));
    }

    /** The ball that the cue ball hit first; null for none. */
    public function firstHit(): ?int
    {
        $ball = array_search($this->states->firstHit, $this->slots, true);

        return false === $ball || BallId::CUE === $ball ? null : $ball;
    }

    /** Whether the ball of the shot lies in its pocket. */
    public function isPotted(): bool
    {
        return $this->states->pocket[$this->slots[$this->table->pot->ball]] === $this->table->pot->pocket->index();
    }

    /**
     * Cushions that a ball met while it had met so many balls, in order.
     *
     * @return list<Rail>
     */
    public function rails(int $ball, int $contacts): array
    {
        $slot = $this->slots[$ball];
        $rails = [];
        $met = 0;
        foreach ($this->states->events as $event) {
            if (EventType::BallBall === $event->type && ($event->slot === $slot || $event->other === $slot)) {
                ++$met;
            } elseif (EventType::BallCushion === $event->type && $event->slot === $slot && $met === $contacts) {
                $rails[] = Rail::at($event->other);
            }
        }

        return $rails;
    }

    /**
     * Balls that a ball met, in order.
     *
     * @return list<int>
     */
    public function contacts(int $ball): array
    {
        $slot = $this->slots[$ball];
        $ids = array_flip($this->slots);
        $contacts = [];
        foreach ($this->states->events as $event) {
            if (EventType::BallBall === $event->type && ($event->slot === $slot || $event->other === $slot)) {
                $contacts[] = $ids[$event->slot === $slot ? $event->other : $event->slot];
            }
        }

        return $contacts;
    }

    /** Whether the ball of the shot went into its pocket from its first contact, without another and off no cushion. */
    public function isPottedStraight(): bool
    {
        $ball = $this->table->pot->ball;

        return $this->isPotted() && 1 === \count($this->contacts($ball)) && [] === $this->rails($ball, contacts: 1);
    }
}
