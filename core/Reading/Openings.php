<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading;

use ZigLane\Core\Aiming\PocketWindow;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Geometry\Angle;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Potting\AcceptanceWindow;
use ZigLane\Core\Potting\AcceptanceWindows;

/**
 * What goes: every ball of a layout into every pocket. The cue ball does not count: it will have gone.
 */
final readonly class Openings
{
    /** Directions tried to find out who is in the way. */
    private const PROBES = 15;

    /**
     * @param array<int, array<string, Opening>> $all by ball and pocket
     */
    private function __construct(private array $all, private Layout $layout) {}

    /**
     * @param self|null              $before  a reading on the same table: what none of the balls moved since can have changed is taken
     *                                        over
     * @param AcceptanceWindows|null $windows of this table, as far as they are known
     */
    public static function of(Simulator $simulator, Layout $layout, ?self $before = null, ?AcceptanceWindows $windows = null): self
    {
        $windows ??= new AcceptanceWindows($simulator);
        $all = [];
        $moved = null === $before ? [] : self::moved($before->layout, $layout);
        foreach ($layout->objectBalls() as $ball) {
            foreach (Pocket::cases() as $pocket) {
                $old = $before->all[$ball][$pocket->value] ?? null;
                $all[$ball][$pocket->value] = null !== $before && null !== $old && !isset($moved[$ball]) && !self::touched(
                    $simulator,
                    $layout,
                    $ball,
                    $pocket,
                    $moved,
                )
                    ? $old
                    : self::opening($simulator, $layout, $ball, $pocket, $windows);
            }
        }

        return new self($all, $layout);
    }

    /**
     * @return array<int, list<Point>> object balls that lie elsewhere, came or went: where they were and are
     */
    private static function moved(Layout $before, Layout $after): array
    {
        $moved = [];
        foreach (array_unique([...$before->objectBalls(), ...$after->objectBalls()]) as $ball) {
            $was = $before->has($ball) ? $before->ball($ball) : null;
            $is = $after->has($ball) ? $after->ball($ball) : null;
            if (null === $was || null === $is || $was->x !== $is->x || $was->y !== $is->y) {
                $moved[$ball] = array_values(array_filter([$was, $is]));
            }
        }

        return $moved;
    }

    /**
     * @param array<int, list<Point>> $moved
     */
    private static function touched(Simulator $simulator, Layout $layout, int $ball, Pocket $pocket, array $moved): bool
    {
        if ([] === $moved) {
            return false;
        }
        $alone = new AcceptanceWindow($simulator, $layout, new Pot($ball, $pocket), alone: true);

        return self::anyNear($layout->ball($ball), array_merge(...array_values($moved)), $alone, 2 * $simulator->ball->radius);
    }

    /** How one ball goes in one pocket. */
    public function get(int $ball, Pocket $pocket): Opening
    {
        return $this->all[$ball][$pocket->value];
    }

    /**
     * @return array<string, Opening> by pocket
     */
    public function ofBall(int $ball): array
    {
        return $this->all[$ball] ?? [];
    }

    /**
     * Those a ball goes in, the widest first.
     *
     * @return list<Opening>
     */
    public function going(int $ball): array
    {
        return self::widest($this->ofBall($ball));
    }

    /**
     * The same for one ball of a layout, without reading the others.
     *
     * @param AcceptanceWindows|null $windows of this table, as far as they are known
     *
     * @return list<Opening>
     */
    public static function goingOf(Simulator $simulator, Layout $layout, int $ball, ?AcceptanceWindows $windows = null): array
    {
        return self::widest(array_map(
            static fn(Pocket $pocket): Opening => self::opening($simulator, $layout, $ball, $pocket, $windows),
            Pocket::cases(),
        ));
    }

    /**
     * @param array<Opening> $openings
     *
     * @return list<Opening>
     */
    private static function widest(array $openings): array
    {
        $going = array_values(array_filter($openings, static fn(Opening $o): bool => $o->goes()));
        usort($going, static fn(Opening $a, Opening $b): int => $b->free <=> $a->free);

        return $going;
    }

    /**
     * @return list<int>
     */
    public function balls(): array
    {
        return array_keys($this->all);
    }

    /**
     * How one ball goes in one pocket.
     *
     * @param AcceptanceWindows|null $windows of this table, as far as they are known
     */
    public static function opening(
        Simulator $simulator,
        Layout $layout,
        int $ball,
        Pocket $pocket,
        ?AcceptanceWindows $windows = null,
    ): Opening {
        $windows ??= new AcceptanceWindows($simulator);
        $shape = $simulator->geometry->pocket($pocket);
        $from = $layout->ball($ball);
        $alone = $windows->alone($layout, new Pot($ball, $pocket));
        [$low, $high] = PocketWindow::openMouth($shape, $from, $simulator->geometry->reach);
        // Flatter than this the far jaw covers the whole mouth, and what drops is off a rail first.
        if ($high <= $low && $alone->distance > 0.2) {
            return new Opening($ball, $pocket, 0.0, 0.0, [], $alone->distance);
        }
        $speed = $alone->readingSpeed();
        $open = self::width($alone->near($speed));
        $others = array_map(
            $layout->ball(...),
            array_values(array_filter($layout->objectBalls(), static fn(int $b): bool => $b !== $ball)),
        );
        if (!self::anyNear($from, $others, $alone, 2 * $simulator->ball->radius)) {
            return new Opening($ball, $pocket, $open, $open, [], $alone->distance);
        }
        $among = $windows->among($layout, new Pot($ball, $pocket));
        $free = self::width($among->near($speed));

        return new Opening(
            $ball,
            $pocket,
            $free,
            $open,
            $free < 0.98 * $open ? self::blockers($among, $alone, $speed) : [],
            $alone->distance,
        );
    }

    /**
     * @param list<array{float, float}> $intervals
     */
    private static function width(array $intervals): float
    {
        return array_sum(array_map(static fn(array $i): float => $i[1] - $i[0], $intervals));
    }

    /**
     * Whether any of the places lies where a ball may pass.
     *
     * @param list<Point> $others
     */
    private static function anyNear(Point $from, array $others, AcceptanceWindow $window, float $diameter): bool
    {
        foreach ($others as $other) {
            $far = $from->distanceTo($other);
            if ($far > $window->distance + 3 * $diameter) {
                continue;
            }
            $off = abs(Angle::wrap($from->angleTo($other) - $window->toward));
            if ($off < $window->span() + asin(min(1.0, $diameter / max($far, $diameter)))) {
                return true;
            }
        }

        return false;
    }

    /**
     * @return list<int>
     */
    private static function blockers(AcceptanceWindow $among, AcceptanceWindow $alone, float $speed): array
    {
        $count = [];
        foreach ($alone->near($speed) as [$low, $high]) {
            for ($i = 0; $i < self::PROBES; ++$i) {
                $hit = $among->meets($low + ($high - $low) * ($i + 0.5) / self::PROBES, $speed);
                if (null !== $hit) {
                    $count[$hit] = ($count[$hit] ?? 0) + 1;
                }
            }
        }
        arsort($count);

        return array_keys($count);
    }
}
