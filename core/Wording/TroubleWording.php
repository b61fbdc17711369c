<?php

declare(strict_types=1);

namespace ZigLane\Core\Wording;

use ZigLane\Core\Reading\Indirect;
use ZigLane\Core\Reading\Trouble\Alone;
use ZigLane\Core\Reading\Trouble\Cluster;
use ZigLane\Core\Reading\Trouble\FrozenToRail;
use ZigLane\Core\Reading\Trouble\InTheOnlyWay;
use ZigLane\Core\Reading\Trouble\NearRail;
use ZigLane\Core\Reading\Trouble\NoPocket;
use ZigLane\Core\Reading\Trouble\OnePocket;
use ZigLane\Core\Reading\Trouble\Opener;
use ZigLane\Core\Reading\Trouble\OpensInTurn;
use ZigLane\Core\Reading\Trouble\SameLane;
use ZigLane\Core\Reading\Trouble\ShutIn;
use ZigLane\Core\Reading\Trouble\Trouble;

/**
 * Trouble in a sentence: what it is and what it forces.
 */
final class TroubleWording
{
    private function __construct() {}

    /** A whole sentence, or two. */
    public static function sentence(Trouble $trouble): string
    {
        return match (true) {
            $trouble instanceof NoPocket => \sprintf(
                'The %d goes nowhere directly: the angle closes every pocket, so it must be moved.%s',
                $trouble->ball,
                self::otherWay($trouble->otherWay),
            ),
            $trouble instanceof OpensInTurn => \sprintf(
                'The %d only goes once %s: shot first anyway, so only position matters.',
                $trouble->ball,
                self::moved($trouble->blockers),
            ),
            $trouble instanceof ShutIn => self::shutIn($trouble),
            $trouble instanceof OnePocket => self::onePocket($trouble),
            $trouble instanceof InTheOnlyWay => \sprintf(
                'The %d stands in the only way of the %d, to the %s pocket: it forces a finer shot or must be moved first.',
                $trouble->blocker,
                $trouble->ball,
                $trouble->pocket->spoken(),
            ),
            $trouble instanceof SameLane => \sprintf(
                '%s need the same lane, the %s pocket: the first of them must go down cleanly, for one hung there shuts it for the other.',
                ucfirst(BallNames::each($trouble->balls)),
                $trouble->pocket->spoken(),
            ),
            $trouble instanceof Cluster => self::cluster($trouble),
            $trouble instanceof FrozenToRail => \sprintf(
                'The %d is frozen to the %s rail: it goes along the rail only, thin misses stay up, and the cue ball must come from its own side.',
                $trouble->ball,
                $trouble->rail,
            ),
            $trouble instanceof NearRail => \sprintf(
                'The %d lies %.0f cm off the %s rail: the pockets along it take it only from a fine angle.',
                $trouble->ball,
                max(1, $trouble->gap * 100),
                $trouble->rail,
            ),
            $trouble instanceof Alone => \sprintf(
                'The %d lies alone, %.0f diamonds from the next ball: the cue ball must travel there and back%s.',
                $trouble->ball,
                $trouble->diamonds,
                $trouble->inOrder ? ' when it is due' : ', or leave it for last',
            ),
            default => throw new \LogicException('Trouble without words: ' . $trouble::class),
        };
    }

    private static function shutIn(ShutIn $trouble): string
    {
        $then = match (true) {
            null !== $trouble->opener => '; ' . self::opener($trouble->opener),
            $trouble->inOrder => ', and that comes later in the order: it must be moved on purpose',
            default => '',
        };

        return \sprintf(
            'The %d only goes once %s%s.%s',
            $trouble->ball,
            self::moved($trouble->by),
            $then,
            self::otherWay($trouble->otherWay),
        );
    }

    private static function onePocket(OnePocket $trouble): string
    {
        $only = $trouble->only;
        $narrow = $only->narrowed()
            ? \sprintf(', and %s takes %.0f %% of that', BallNames::each($only->blockers), 100 * (1 - $only->share()))
            : '';

        return \sprintf(
            'The %d has one pocket, %s%s: position must come to that side%s.',
            $trouble->ball,
            $only->pocket->spoken(),
            $narrow,
            [] === $trouble->lost ? '' : ', until ' . self::moved($trouble->lost),
        );
    }

    private static function cluster(Cluster $trouble): string
    {
        return \sprintf(
            '%s lie together%s%s%s.',
            ucfirst(BallNames::each($trouble->balls)),
            $trouble->touching ? ', touching' : '',
            [] === $trouble->shut
                ? ', but each goes somewhere: play them from the open side'
                : \sprintf(': %s cannot go until they are opened', BallNames::each($trouble->shut)),
            null === $trouble->opener ? '' : '; ' . self::opener($trouble->opener),
        );
    }

    private static function opener(Opener $opener): string
    {
        return \sprintf('the %d into the %s pocket has the angle to move the %d', $opener->ball, $opener->pocket->spoken(), $opener->moves);
    }

    private static function otherWay(?Indirect $way): string
    {
        return null === $way ? '' : \sprintf(' Or %s.', PotWording::indirect($way));
    }

    /**
     * @param list<int> $balls
     */
    private static function moved(array $balls): string
    {
        return BallNames::each($balls) . (1 === \count($balls) ? ' has moved' : ' have moved');
    }
}
