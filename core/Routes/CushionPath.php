<?php

declare(strict_types=1);

namespace ZigLane\Core\Routes;

use ZigLane\Core\Equipment\Rail;
use ZigLane\Core\Physics\BallStates;
use ZigLane\Core\Physics\EventType;

/**
 * Cushions that a cue ball meets after the contact, and what its side spin does at the first.
 */
final readonly class CushionPath
{
    /** Times closer than this (s) are the same. */
    private const SAME_TIME = 1e-9;

    /**
     * @param list<string> $rails in order
     * @param string       $spin  "running", "reverse" or, without a cushion, ""
     */
    private function __construct(public array $rails, public string $spin) {}

    /**
     * @param BallStates $recorded a shot
     * @param float      $contact  of the cue ball with its first ball, s
     * @param float      $side     of the tip, radii
     */
    public static function of(BallStates $recorded, float $contact, float $side): self
    {
        $rails = [];
        $spin = '';
        foreach ($recorded->events as $event) {
            if (0 !== $event->slot || EventType::BallCushion !== $event->type || $event->time <= $contact) {
                continue;
            }
            if ([] === $rails) {
                $spin = self::runs($recorded, $event->time, $event->other, $side) ? 'running' : 'reverse';
            }
            $rails[] = Rail::at($event->other)->value;
        }

        return new self($rails, $spin);
    }

    /** Right-hand spin takes the cue ball to its own right at a cushion: it runs when the ball goes that way anyhow. */
    private static function runs(BallStates $recorded, float $time, int $cushion, float $side): bool
    {
        foreach ($recorded->paths[0] ?? [] as $piece) {
            if (abs($piece->to - $time) < self::SAME_TIME) {
                // Along the cushion, to the right of one who faces it: see the frame in Physics\Internal\Kernel.
                $along = match ($cushion) {
                    0 => -$piece->vy,
                    1 => $piece->vy,
                    2 => $piece->vx,
                    default => -$piece->vx,
                };

                return $along * $side > 0.0;
            }
        }

        return false;
    }
}
