<?php

declare(strict_types=1);

namespace ZigLane\App\Command;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Potting\Calibration;
use ZigLane\Core\Settings\Defaults;

/**
 * Fits the levels' errors of aim to pots whose share is known; needs no database.
 */
#[AsCommand('lane:levels', 'Fits the levels’ errors of aim to well-known pots, and says what the settings hold')]
final class LevelsCommand extends Command
{
    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $calibration = new Calibration();
        $levels = [];
        foreach (Level::cases() as $level) {
            $pots = [];
            foreach ($calibration->names() as $name) {
                $pots[$name] = [
                    'wanted' => Defaults::LEVEL_POTS[$level->value][$name],
                    'withSettings' => round($calibration->chance(Player::of($level), $name), 3),
                ];
            }
            $levels[$level->value] = [
                'fittedAimDeg' => round(rad2deg($calibration->aim($level)), 4),
                'settingsAimDeg' => Defaults::LEVEL_AIM_DEG[$level->value],
                'pots' => $pots,
            ];
        }
        Say::json($output, $levels, \JSON_PRETTY_PRINT);

        return Command::SUCCESS;
    }
}
