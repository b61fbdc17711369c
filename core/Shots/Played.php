<?php

declare(strict_types=1);

namespace ZigLane\Core\Shots;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Rail;
use ZigLane\Core\Geometry\Point;
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

    /** Where the cue ball first meets a rail or a ball, by the type of the event; null when it meets none. */
    public function meetsAt(EventType $type): ?Point
    {
        foreach ($this->states->events as $event) {
            if ($type === $event->type && 0 === $event->slot) {
                return new Point($event->x, $event->y);
            }
        }

        return null;
    }

    /** Whether the cue ball meets neither a rail nor a jaw before it meets a ball. */
    public function isDirect(): bool
    {
        foreach ($this->states->events as $event) {
            if (0 === $event->slot && \in_array($event->type, [EventType::BallCushion, EventType::BallFacing], true)) {
                return false;
            }
            if (EventType::BallBall === $event->type) {
                break;
            }
        }

        return true;
    }

    /** Whether the cue ball is in the air above a ball before it meets one. */
    public function flewOver(int $ball): bool
    {
        $place = $this->table->layout->ball($ball);
        $until = INF;
        foreach ($this->states->events as $event) {
            if (EventType::BallBall === $event->type) {
                $until = $event->time;
                break;
            }
        }
        foreach ($this->states->paths[0] ?? [] as $piece) {
            if ($piece->from < $until && $piece->fliesOver($place, $this->table->diameter)) {
                return true;
            }
        }

        return false;
    }

    /** Whether the ball of the shot went into its pocket from its first contact, without another and off no cushion. */
    public function isPottedStraight(): bool
    {
        $ball = $this->table->pot->ball;

        return $this->isPotted() && 1 === \count($this->contacts($ball)) && [] === $this->rails($ball, contacts: 1);
    }
}
