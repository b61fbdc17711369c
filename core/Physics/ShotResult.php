<?php

declare(strict_types=1);

namespace ZigLane\Core\Physics;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Pocket;

/**
 * What a shot did.
 */
final readonly class ShotResult
{
    /**
     * @param list<Event>                 $events   in order of time
     * @param array<int, list<PathPiece>> $paths    by ball number, for every ball that moved
     * @param array<int, Pocket>          $pocketed by ball number, in the order they fell
     * @param int|null                    $firstHit the ball that the cue ball touched first
     * @param bool                        $railAfterHit whether a ball met a rail or fell after that contact
     * @param float                       $duration s until everything lay still
     * @param list<int>                   $offTable balls that jumped off the table
     */
    public function __construct(
        public array $events,
        public array $paths,
        public Layout $final,
        public array $pocketed,
        public ?int $firstHit,
        public bool $railAfterHit,
        public float $duration,
        public array $offTable = [],
    ) {}

    /** Whether a ball fell, or left the table. */
    public function isGone(int $ball): bool
    {
        return isset($this->pocketed[$ball]) || \in_array($ball, $this->offTable, true);
    }

    /** Whether the cue ball fell, or left the table. */
    public function scratched(): bool
    {
        return $this->isGone(BallId::CUE);
    }

    /**
     * Where the cue ball covers the first ball as it arrives: its middle aside of that one's, in ball widths, right positive as the player
     * sees it, −1 … 1; null when it meets none, or begins in touch with it.
     */
    public function aside(Layout $before): ?float
    {
        $hit = $this->eventsOf(BallId::CUE, EventType::BallBall)[0] ?? null;
        if (null === $hit) {
            return null;
        }
        foreach (array_reverse($this->paths[BallId::CUE] ?? []) as $piece) {
            if ($piece->from < $hit->time) {
                $time = $hit->time - $piece->from;
                $way = atan2($piece->vy + $piece->ay * $time, $piece->vx + $piece->ax * $time);

                return -sin($piece->at($hit->time)->angleTo($before->ball(array_sum($hit->balls))) - $way);
            }
        }

        return null;
    }

    /**
     * @return list<Event> the cue ball's cushions after its first contact with a ball; none when it touches no ball
     */
    public function cueCushions(): array
    {
        $met = [];
        $hit = false;
        foreach ($this->eventsOf(BallId::CUE, EventType::BallBall, EventType::BallCushion) as $event) {
            if (EventType::BallBall === $event->type) {
                $hit = true;
            } elseif ($hit) {
                $met[] = $event;
            }
        }

        return $met;
    }

    /**
     * @return list<Event> those of one type that concern a ball
     */
    public function eventsOf(int $ball, EventType ...$types): array
    {
        return array_values(array_filter(
            $this->events,
            static fn(Event $e): bool => $e->concerns($ball) && ([] === $types || \in_array($e->type, $types, true)),
        ));
    }
}
