<?php

declare(strict_types=1);

namespace ZigLane\Core\Shots;

use ZigLane\Core\Shots\Bank\BankPattern;
use ZigLane\Core\Shots\Carom\CaromPattern;
use ZigLane\Core\Shots\Combination\CombinationPattern;
use ZigLane\Core\Shots\Kick\KickPattern;

/**
 * The pattern of each kind of shot.
 */
final class ShotPatterns
{
    private function __construct() {}

    /** Null for a plain pot, which AimSolver aims, and for a safety, which is stated by its direction. */
    public static function of(ShotKind $kind): ?ShotPattern
    {
        return match ($kind) {
            ShotKind::Pot, ShotKind::Safety => null,
            ShotKind::Bank => new BankPattern(),
            ShotKind::Kick => new KickPattern(),
            ShotKind::Combination => new CombinationPattern(),
            ShotKind::Carom => new CaromPattern(),
        };
    }
}
