<?php

declare(strict_types=1);

namespace ZigLane\Core\Games;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\ShotResult;

/**
 * The fouls that all four games share.
 */
trait CommonFouls
{
    /** The gravest foul of a shot; null for none. */
    private function foul(Layout $before, ShotResult $result): ?FoulCall
    {
        if ($result->scratched()) {
            return new FoulCall(Foul::Scratch, pocket: $result->pocketed[BallId::CUE] ?? null);
        }
        if ([] !== $result->offTable) {
            return new FoulCall(Foul::OffTable, ball: $result->offTable[0]);
        }
        if (null === $result->firstHit) {
            return new FoulCall(Foul::NoHit);
        }
        $due = $this->legalTargets($before);
        if (!\in_array($result->firstHit, $due, true)) {
            return new FoulCall(Foul::WrongBallFirst, ball: $result->firstHit, due: $due);
        }

        return $result->railAfterHit ? null : new FoulCall(Foul::NoRail);
    }
}
