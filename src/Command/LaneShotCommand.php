<?php

declare(strict_types=1);

namespace ZigLane\App\Command;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use ZigLane\Core\Aiming\AimRefused;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Rack\Files\ShotFile;

/**
 * Plays one shot from a file; needs no database.
 */
#[AsCommand('lane:shot', 'Plays one shot on a rack and prints what happens as JSON')]
final class LaneShotCommand extends Command
{
    protected function configure(): void
    {
        $this->addArgument('file', InputArgument::REQUIRED, 'JSON file { "rack": …, "shot": … }, or - for standard input');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $file = $input->getArgument('file');
        try {
            $answer = ShotFile::answer(JsonFile::read($file, ShotFile::LARGEST));
        } catch (InvalidInput|AimRefused $e) {
            return Say::refuse($output, $e);
        }
        Say::json($output, $answer);

        return Command::SUCCESS;
    }
}
