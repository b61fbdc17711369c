<?php

declare(strict_types=1);

namespace ZigLane\Core\Wording;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Rail;
use ZigLane\Core\Rack\ShotSpec;
use ZigLane\Core\Shots\Intent;
use ZigLane\Core\Shots\ShotKind;

/**
 * A stated shot in a few words.
 */
final readonly class ShotTitle
{
    private function __construct() {}

    /** What the shot is meant to do: its ball and pocket, and by what way; or its direction. */
    public static function of(ShotSpec $spec): string
    {
        return null === $spec->ball
            ? \sprintf('%s %.1f°', $spec->intent->isSafety() ? 'safety,' : 'aim', $spec->aimDeg)
            : \sprintf('%s → %s', self::way($spec->intent, $spec->ball), $spec->pocket?->spoken());
    }

    /** "5 → foot left". */
    public static function pot(Pot $pot): string
    {
        return \sprintf('%s → %s', BallId::spoken($pot->ball), $pot->pocket->spoken());
    }

    private static function way(Intent $intent, int $ball): string
    {
        $ball = BallId::spoken($ball);
        $other = null === $intent->other ? '' : BallId::spoken($intent->other);
        $rails = implode(', ', array_map(static fn(Rail $rail): string => $rail->value, $intent->rails));

        return match ($intent->kind) {
            ShotKind::Pot, ShotKind::Safety => $ball,
            ShotKind::Bank => "$ball off $rails",
            ShotKind::Kick => "off $rails, the $ball",
            ShotKind::RailFirst => "$rails rail first, the $ball",
            ShotKind::Combination => null === $intent->then
                ? "$other into the $ball"
                : \sprintf('%s into the %s into the %s', $other, BallId::spoken($intent->then), $ball),
            ShotKind::Kiss => "$ball off the $other",
            ShotKind::Jump => "over the $other, the $ball",
            ShotKind::Swerve => "round the $other, the $ball",
            ShotKind::Carom => "off the $other, the $ball",
        };
    }
}
