<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading;

use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Physics\BallStates;
use ZigLane\Core\Physics\EventType;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Motion;
use ZigLane\Core\Physics\Simulator;

/**
 * Ways for a ball whose direct ones are closed: it is sent in every direction, and what drops after at most one cushion or
 * one other ball counts.
 */
final class IndirectSearch
{
    private const DIRECTIONS = 600;
    private const SPEED = 2.2;
    private const MOST_RAILS = 4;

    /** Narrower (in directions of the ball, rad) nobody plays it. */
    private const LEAST = 0.02;

    private function __construct() {}

    /**
     * @return list<Indirect> the widest first, one for each ball, pocket and kind
     */
    public static function of(Simulator $simulator, Layout $layout, int $ball): array
    {
        $ids = [$ball, ...array_values(array_filter($layout->objectBalls(), static fn(int $b): bool => $b !== $ball))];
        $step = 2 * M_PI / self::DIRECTIONS;
        $width = [];
        $found = [];
        for ($i = 0; $i < self::DIRECTIONS; ++$i) {
            $state = self::send($simulator, $layout, $ids, $i * $step, false);
            if ([] === array_filter(array_keys($state->pocket), $state->isDown(...))) {
                continue;
            }
            $way = self::classify(self::send($simulator, $layout, $ids, $i * $step, true), $ids);
            if (null !== $way) {
                $key = implode(' ', [$way[0]->value, $way[1], $way[2], $way[3] ?? 0]);
                $width[$key] = ($width[$key] ?? 0.0) + $step;
                $found[$key] = $way;
            }
        }
        $ways = [];
        foreach ($found as $key => [$kind, $potted, $pocket, $off]) {
            if ($width[$key] >= self::LEAST) {
                $ways[] = new Indirect($kind, $ball, $potted, Pocket::at($pocket), $off, $width[$key]);
            }
        }
        usort($ways, static fn(Indirect $a, Indirect $b): int => $b->width <=> $a->width);

        return $ways;
    }

    /**
     * @param list<int> $ids
     */
    private static function send(Simulator $simulator, Layout $layout, array $ids, float $way, bool $record): BallStates
    {
        $state = new BallStates();
        foreach ($ids as $slot => $id) {
            $place = $layout->ball($id);
            $state->add($place->x, $place->y, 0 === $slot ? Motion::sliding(self::SPEED * cos($way), self::SPEED * sin($way)) : null);
        }
        $simulator->run($state, record: $record, mostRails: self::MOST_RAILS);

        return $state;
    }

    /**
     * @param list<int> $ids
     *
     * @return array{IndirectKind, int, int, int|null}|null [kind, ball potted, pocket's number, ball it went off]
     */
    private static function classify(BallStates $state, array $ids): ?array
    {
        $cushions = 0;
        $met = [];
        foreach ($state->events as $event) {
            [$slot, $other] = [$event->slot, $event->other];
            if (EventType::BallBall === $event->type) {
                if (0 !== $slot && 0 !== $other) {
                    return null; // a third ball is in it
                }
                $met[] = $ids[0 === $slot ? $other : $slot];
            } elseif (EventType::BallCushion === $event->type) {
                ++$cushions;
            } elseif (EventType::Pocketed === $event->type) {
                if (0 === $slot) {
                    return match (true) {
                        1 === $cushions && [] === $met => [IndirectKind::Bank, $ids[0], $other, null],
                        0 === $cushions && 1 === \count($met) => [IndirectKind::Carom, $ids[0], $other, $met[0]],
                        default => null,
                    };
                }

                $potted = $ids[$slot] ?? null;

                return null !== $potted && 0 === $cushions && $met === [$potted] ? [
                    IndirectKind::Combination,
                    $potted,
                    $other,
                    null,
                ] : null;
            }
        }

        return null;
    }
}
