<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading;

use ZigLane\Core\Aim\PocketWindow;
use ZigLane\Core\Chance\DropWindow;
use ZigLane\Core\Simulation\Layout;
use ZigLane\Core\Simulation\Simulator;
use ZigLane\Core\Table\Angle;
use ZigLane\Core\Table\Pocket;

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
    private function __construct(private array $all) {}

    public static function of(Simulator $simulator, Layout $layout): self
    {
        $all = [];
        foreach ($layout->objectBalls() as $ball) {
            foreach (Pocket::cases() as $pocket) {
                $all[$ball][$pocket->value] = self::opening($simulator, $layout, $ball, $pocket);
            }
        }

        return new self($all);
    }

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
        $going = array_values(array_filter($this->ofBall($ball), static fn(Opening $o): bool => $o->goes()));
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

    public static function opening(Simulator $simulator, Layout $layout, int $ball, Pocket $pocket): Opening
    {
        $shape = $simulator->geometry->pocket($pocket);
        $from = $layout->ball($ball);
        $alone = new DropWindow($simulator, $layout, $ball, $pocket, alone: true);
        [$low, $high] = PocketWindow::openMouth($shape, $from, $simulator->geometry->reach);
        // Flatter than this the far jaw covers the whole mouth, and what drops is off a rail first.
        if ($high <= $low && $alone->distance > 0.2) {
            return new Opening($ball, $pocket, 0.0, 0.0, [], $alone->distance);
        }
        $speed = $alone->readingSpeed();
        $open = self::width($alone->near($speed));
        if (!self::anyNear($layout, $ball, $alone, 2 * $simulator->ball->radius)) {
            return new Opening($ball, $pocket, $open, $open, [], $alone->distance);
        }
        $among = new DropWindow($simulator, $layout, $ball, $pocket);
        $free = self::width($among->near($speed));

        return new Opening($ball, $pocket, $free, $open, $free < 0.98 * $open ? self::blockers($layout, $among, $alone, $speed) : [], $alone->distance);
    }

    /**
     * @param list<array{float, float}> $intervals
     */
    private static function width(array $intervals): float
    {
        return array_sum(array_map(static fn(array $i): float => $i[1] - $i[0], $intervals));
    }

    /** Whether any other ball lies where this one may pass. */
    private static function anyNear(Layout $layout, int $ball, DropWindow $window, float $diameter): bool
    {
        $from = $layout->ball($ball);
        foreach ($layout->objectBalls() as $other) {
            $far = $from->distanceTo($layout->ball($other));
            if ($other === $ball || $far > $window->distance + 3 * $diameter) {
                continue;
            }
            $off = abs(Angle::wrap($from->angleTo($layout->ball($other)) - $window->toward));
            if ($off < $window->span() + asin(min(1.0, $diameter / max($far, $diameter)))) {
                return true;
            }
        }

        return false;
    }

    /**
     * @return list<int>
     */
    private static function blockers(Layout $layout, DropWindow $among, DropWindow $alone, float $speed): array
    {
        $others = array_values(array_filter($layout->objectBalls(), static fn(int $b): bool => $b !== $among->ball));
        $count = [];
        foreach ($alone->near($speed) as [$low, $high]) {
            for ($i = 0; $i < self::PROBES; ++$i) {
                $state = $among->sent($low + ($high - $low) * ($i + 0.5) / self::PROBES, $speed, stopAtHit: true);
                if ($state->firstHit > 0) {
                    $hit = $others[$state->firstHit - 1];
                    $count[$hit] = ($count[$hit] ?? 0) + 1;
                }
            }
        }
        arsort($count);

        return array_keys($count);
    }
}
