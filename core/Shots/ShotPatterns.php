<?php

declare(strict_types=1);

namespace ZigLane\Core\Shots;

use ZigLane\Core\Shots\Bank\BankPattern;
use ZigLane\Core\Shots\Carom\CaromPattern;
use ZigLane\Core\Shots\Combination\CombinationPattern;
use ZigLane\Core\Shots\Jump\JumpPattern;
use ZigLane\Core\Shots\Kick\KickPattern;
use ZigLane\Core\Shots\Kiss\KissPattern;
use ZigLane\Core\Shots\RailFirst\RailFirstPattern;
use ZigLane\Core\Shots\Swerve\SwervePattern;

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
            ShotKind::RailFirst => new RailFirstPattern(),
            ShotKind::Kiss => new KissPattern(),
            ShotKind::Jump => new JumpPattern(),
            ShotKind::Swerve => new SwervePattern(),
        };
    }
}
