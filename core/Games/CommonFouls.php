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
    /**
     * @return array{Foul, string}|array{null, ''} the gravest foul and its words
     */
    private function foul(Layout $before, ShotResult $result): array
    {
        if ($result->scratched()) {
            return [Foul::Scratch, \sprintf('Scratch: the cue ball drops in the %s pocket.', $result->pocketed[BallId::CUE]->spoken())];
        }
        if (null === $result->firstHit) {
            return [Foul::NoHit, 'Foul: the cue ball touches no ball.'];
        }
        $targets = $this->legalTargets($before);
        if (!\in_array($result->firstHit, $targets, true)) {
            $due = 1 === \count($targets) ? 'the ' . $targets[0] : 'a ball of the group';

            return [Foul::WrongBallFirst, \sprintf('Foul: the cue ball touches the %d first, not %s.', $result->firstHit, $due)];
        }
        if (!$result->railAfterHit) {
            return [Foul::NoRail, 'Foul: after the contact no ball drops or touches a rail.'];
        }

        return [null, ''];
    }
}
