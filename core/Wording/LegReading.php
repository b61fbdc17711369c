<?php

declare(strict_types=1);

namespace ZigLane\Core\Wording;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\TableSize;
use ZigLane\Core\Line\LegOutcome;
use ZigLane\Core\Physics\ShotResult;

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
            return [] === $leg->faults ? 'Nothing is played.' : LegWording::fault($leg->faults[0]);
        }

        return ucfirst(self::ball($leg->spec->ball ?? $result->firstHit, $result) . '; ' . self::cueBall($result, $size)) . '.';
    }

    private static function ball(?int $ball, ShotResult $result): string
    {
        if (null === $ball || null === $result->firstHit) {
            return 'the cue ball touches no ball';
        }

        return match (true) {
            isset($result->pocketed[$ball]) => \sprintf('the %d drops in the %s pocket', $ball, $result->pocketed[$ball]->spoken()),
            $result->isGone($ball) => "the $ball leaves the table",
            default => "the $ball stays up",
        };
    }

    private static function cueBall(ShotResult $result, TableSize $size): string
    {
        $rails = \count($result->cueCushions());
        $say = 'the cue ball ' . match ($rails) {
            0 => 'touches no cushion',
            1 => 'takes one cushion',
            2, 3 => \sprintf('takes %s cushions', Numbers::word($rails)),
            default => "takes $rails cushions",
        };
        if ($result->scratched()) {
            $pocket = $result->pocketed[BallId::CUE] ?? null;

            return $say . (null === $pocket ? ' and leaves the table' : " and scratches in the {$pocket->spoken()} pocket");
        }
        if ($result->final->has(BallId::CUE)) {
            return $say . vsprintf(' and stops at %.1f, %.1f diamonds', $size->diamondsOf($result->final->ball(BallId::CUE)));
        }

        return $say;
    }
}
