<?php

declare(strict_types=1);

namespace ZigLane\App\Command;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use ZigLane\Core\Aiming\AimRefused;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Logbook\AttemptFile;
use ZigLane\Core\Logbook\SimulatedPlayer;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Rack\Files\ShotFile;

/**
 * Has the simulated player of a rack shoot a shot; needs no database.
 */
#[AsCommand('lane:shoot', 'Has the player of a rack shoot a shot again and again, and prints the attempts, one a line')]
final class LaneShootCommand extends Command
{
    /** The first attempt's time, and the seconds between two: made up, as the player is. */
    private const BEGAN = '2026-01-01T12:00:00Z';
    private const APART = 40;

    protected function configure(): void
    {
        $this->addArgument('file', InputArgument::REQUIRED, 'JSON file { "rack": …, "shot": … }, or - for standard input');
        $this->addOption('tries', null, InputOption::VALUE_REQUIRED, 'how often', '10');
        $this->addOption('rng', null, InputOption::VALUE_REQUIRED, 'seed of the errors', '1');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $file = $input->getArgument('file');
        try {
            $tries = (int) Say::number($input, 'tries', 1, 1_000_000);
            $random = new Generator((int) Say::number($input, 'rng', 0, 1_000_000_000));
            $player = new SimulatedPlayer(...ShotFile::read(JsonFile::read($file, ShotFile::LARGEST)));
        } catch (InvalidInput|AimRefused $e) {
            return Say::refuse($output, $e);
        }
        $at = new \DateTimeImmutable(self::BEGAN);
        for ($n = 0; $n < $tries; ++$n) {
            $attempt = $player->shoot($random, $at->modify(\sprintf('+%d seconds', $n * self::APART)));
            $output->writeln(AttemptFile::line($attempt), OutputInterface::OUTPUT_RAW);
        }

        return Command::SUCCESS;
    }
}
