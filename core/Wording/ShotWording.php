<?php

declare(strict_types=1);

namespace ZigLane\Core\Wording;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Rail;
use ZigLane\Core\Finding;
use ZigLane\Core\Planning\Finding\AlongTheLine;
use ZigLane\Core\Planning\Finding\BreaksCluster;
use ZigLane\Core\Planning\Finding\BumpsFree;
use ZigLane\Core\Planning\Finding\KeptShot;
use ZigLane\Core\Planning\Finding\KeyShot;
use ZigLane\Core\Planning\Finding\NotDirect;
use ZigLane\Core\Planning\Finding\RaisedCue;
use ZigLane\Core\Planning\Finding\RightSide;
use ZigLane\Core\Planning\Finding\RoundTheTable;
use ZigLane\Core\Planning\Finding\RunsInto;
use ZigLane\Core\Planning\Finding\Told;
use ZigLane\Core\Planning\Finding\WinsByAnother;
use ZigLane\Core\Planning\PlannedShot;
use ZigLane\Core\Routes\RouteSummary;
use ZigLane\Core\Shots\ShotKind;

/**
 * What a shot of a plan is and turns on, in sentences.
 */
final class ShotWording
{
    /** Shares below this are told as hardly any. */
    private const HARDLY = 0.005;

    /** A side from which the rest goes less often than so, as a share of the other, is no side to be on. */
    private const HARDLY_A_WAY = 0.06;

    private function __construct() {}

    /** The route in the trade's words. */
    public static function route(PlannedShot $shot): string
    {
        if (null !== $shot->family) {
            return RouteWording::family($shot->family);
        }
        $intent = $shot->spec->intent;
        $rails = implode(', ', array_map(static fn(Rail $rail): string => $rail->value, $intent->rails));
        $other = null === $intent->other ? '' : BallId::spoken($intent->other);

        return match ($intent->kind) {
            ShotKind::Pot, ShotKind::Safety => self::isKept($shot) ? 'your own stroke' : 'by its direction',
            ShotKind::Bank => "bank off $rails",
            ShotKind::Kick => "kick off $rails",
            ShotKind::RailFirst => "$rails rail first",
            ShotKind::Combination => "combination, the $other first",
            ShotKind::Carom => "carom off the $other",
            ShotKind::Kiss => "off the $other",
            ShotKind::Jump => "over the $other",
            ShotKind::Swerve => "round the $other",
        };
    }

    private static function isKept(PlannedShot $shot): bool
    {
        return [] !== array_filter($shot->findings, static fn(Finding $finding): bool => $finding instanceof KeptShot);
    }

    /**
     * Why the shot is played so.
     *
     * @return list<string> whole sentences
     */
    public static function why(PlannedShot $shot): array
    {
        return array_map(self::sentence(...), $shot->findings);
    }

    /** One finding in a whole sentence. */
    public static function sentence(Finding $finding): string
    {
        return match (true) {
            $finding instanceof Told => $finding->text,
            $finding instanceof KeptShot => 'Kept as you planned it.',
            $finding instanceof WinsByAnother => "The $finding->ball drops with it when all goes as drawn, and wins the rack.",
            $finding instanceof NotDirect => self::notDirect($finding),
            $finding instanceof RouteSummary => RouteWording::summary($finding),
            $finding instanceof RightSide => self::side($finding),
            $finding instanceof AlongTheLine => \sprintf(
                $finding->along
                    ? 'Comes along the line of the %d: a little short or long still leaves it.'
                    : 'Crosses the line of the %d: the speed must be right.',
                $finding->ball,
            ),
            $finding instanceof RunsInto, $finding instanceof BumpsFree, $finding instanceof BreaksCluster => self::moving($finding),
            $finding instanceof KeyShot => $finding->breaksNext
                ? "The $finding->ball is the key ball: it leaves the cue ball for the break ball, the $finding->for."
                : "The $finding->ball is the key ball: it leads to the $finding->for.",
            $finding instanceof RaisedCue => \sprintf(
                'Raise the cue %.0f°: %s stands behind the cue ball.',
                $finding->degrees,
                $finding->rail ? 'a rail' : 'a ball',
            ),
            $finding instanceof RoundTheTable => null === $finding->plainer
                ? \sprintf('Goes round %s cushions (%s).', Numbers::word(\count($finding->rails)), implode(', ', $finding->rails))
                : \sprintf(
                    'Round %s cushions rather than a shorter way: %s would keep about %.0f %%.',
                    Numbers::word(\count($finding->rails)),
                    RouteWording::family($finding->plainer),
                    100 * $finding->chance,
                ),
            default => throw new \LogicException('A finding without words: ' . $finding::class),
        };
    }

    private static function side(RightSide $side): string
    {
        $part = $side->chance > 0.0 ? $side->other / $side->chance : 0.0;

        return \sprintf(
            'Stay on the right side of the %d, %s of its line: from the other side %s.',
            $side->ball,
            $side->side->value,
            $part < self::HARDLY_A_WAY ? 'there is hardly a way on' : 'the rest goes about ' . Numbers::asOften($part),
        );
    }

    private static function notDirect(NotDirect $finding): string
    {
        $what = match ($finding->kind) {
            ShotKind::Pot, ShotKind::Safety => 'No plain pot',
            ShotKind::RailFirst => 'Rail first',
            default => 'A ' . $finding->kind->value,
        };

        return match (true) {
            null === $finding->direct => "$what: nothing goes directly.",
            null !== $finding->wins && null !== $finding->directWins => \sprintf(
                '%s: it wins the rack in about %.0f %%, a direct pot instead in about %.0f %%.',
                $what,
                100 * $finding->wins,
                100 * $finding->directWins,
            ),
            $finding->direct < self::HARDLY => "$what: a direct pot instead would hardly ever run the rack out.",
            default => \sprintf('%s: a direct pot instead would run the rack out in about %.0f %%.', $what, 100 * $finding->direct),
        };
    }

    /** What is moved on the way. */
    private static function moving(RunsInto|BumpsFree|BreaksCluster $finding): string
    {
        $balls = Numbers::list($finding->balls);

        return match (true) {
            $finding instanceof RunsInto => "Runs into the $balls on the way.",
            $finding instanceof BumpsFree => "Bumps the $balls to where it goes: as it lies, it does not from much of the table.",
            null === $finding->insurance => "Breaks the cluster of the $balls on the way.",
            default => "Breaks the cluster of the $balls on the way."
                . " The $finding->insurance is the insurance ball: it goes wherever the cue ball stops.",
        };
    }
}
