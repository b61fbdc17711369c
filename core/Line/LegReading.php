<?php

declare(strict_types=1);

namespace ZigLane\Core\Line;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\TableSize;
use ZigLane\Core\Physics\EventType;

/**
 * A leg in one sentence, for those who cannot see the drawing and for those who want it short.
 */
final class LegReading
{
    private function __construct() {}

    /** The leg in one sentence. */
    public static function of(LegOutcome $leg, TableSize $size): string
    {
        $result = $leg->result;
        if (null === $result) {
            return $leg->faults[0] ?? 'Nothing is played.';
        }
        $parts = [];
        $ball = $leg->spec->ball ?? $result->firstHit;
        if (null === $ball || null === $result->firstHit) {
            $parts[] = 'the cue ball touches no ball';
        } elseif (isset($result->pocketed[$ball])) {
            $parts[] = \sprintf('the %d drops in the %s pocket', $ball, $result->pocketed[$ball]->spoken());
        } else {
            $parts[] = "the $ball stays up";
        }
        $rails = 0;
        $hit = false;
        foreach ($result->events as $event) {
            $hit = $hit || (EventType::BallBall === $event->type && $event->concerns(BallId::CUE));
            if ($hit && $event->concerns(BallId::CUE) && EventType::BallCushion === $event->type) {
                ++$rails;
            }
        }
        $cue = 'the cue ball ' . match ($rails) {
            0 => 'touches no cushion',
            1 => 'takes one cushion',
            2 => 'takes two cushions',
            3 => 'takes three cushions',
            default => "takes $rails cushions",
        };
        if ($result->scratched()) {
            $cue .= \sprintf(' and scratches in the %s pocket', $result->pocketed[BallId::CUE]->spoken());
        } elseif ($result->final->has(BallId::CUE)) {
            [$x, $y] = $size->diamondsOf($result->final->ball(BallId::CUE));
            $cue .= \sprintf(' and stops at %.1f, %.1f diamonds', $x, $y);
        }
        $parts[] = $cue;

        return ucfirst(implode('; ', $parts)) . '.';
    }
}
