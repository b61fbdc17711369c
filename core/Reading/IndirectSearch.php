<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading;

use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Physics\Internal\Kernel;
use ZigLane\Core\Physics\Internal\KernelState;
use ZigLane\Core\Physics\Layout;
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
        $from = $layout->ball($ball);
        $ids = [$ball, ...array_values(array_filter($layout->objectBalls(), static fn(int $b): bool => $b !== $ball))];
        $step = 2 * M_PI / self::DIRECTIONS;
        $width = [];
        $found = [];
        for ($i = 0; $i < self::DIRECTIONS; ++$i) {
            $state = self::send($simulator, $layout, $ids, $from->x, $from->y, $i * $step, false);
            if ([] === array_filter($state->pocket, static fn(int $p): bool => KernelState::ON_TABLE !== $p)) {
                continue;
            }
            $way = self::classify(self::send($simulator, $layout, $ids, $from->x, $from->y, $i * $step, true), $ids);
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
    private static function send(
        Simulator $simulator,
        Layout $layout,
        array $ids,
        float $x,
        float $y,
        float $way,
        bool $record,
    ): KernelState {
        $state = new KernelState();
        $state->add($x, $y, self::SPEED * cos($way), self::SPEED * sin($way));
        foreach (\array_slice($ids, 1) as $id) {
            $place = $layout->ball($id);
            $state->add($place->x, $place->y);
        }
        $simulator->kernel()->run($state, record: $record, mostRails: self::MOST_RAILS);

        return $state;
    }

    /**
     * @param list<int> $ids
     *
     * @return array{IndirectKind, int, int, int|null}|null [kind, ball potted, pocket's number, ball it went off]
     */
    private static function classify(KernelState $state, array $ids): ?array
    {
        $cushions = 0;
        $met = [];
        foreach ($state->log as [, $kind, $slot, $other]) {
            if (Kernel::EV_BALLS === $kind) {
                if (0 !== $slot && 0 !== $other) {
                    return null; // a third ball is in it
                }
                $met[] = $ids[0 === $slot ? $other : $slot];
            } elseif (Kernel::EV_CUSHION === $kind) {
                ++$cushions;
            } elseif (Kernel::EV_DROP === $kind) {
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
