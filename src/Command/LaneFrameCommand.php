<?php

declare(strict_types=1);

namespace ZigLane\App\Command;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use ZigLane\Core\Camera\FrameFile;
use ZigLane\Core\Camera\SimulatedCamera;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Rack\Files\JsonText;
use ZigLane\Core\Rack\Files\RackFile;

/**
 * A made-up camera: the frame that one above a rack's table would send.
 */
#[AsCommand('lane:frame', 'Prints the frame of a made-up camera above a rack’s table')]
final class LaneFrameCommand extends Command
{
    protected function configure(): void
    {
        $this->addArgument('file', InputArgument::REQUIRED, 'a rack file');
        $this->addOption('noise', null, InputOption::VALUE_REQUIRED, 'mm, one standard deviation', '4');
        $this->addOption('dropout', null, InputOption::VALUE_REQUIRED, '% of balls that it does not see', '0');
        $this->addOption('mistaken', null, InputOption::VALUE_REQUIRED, '% of balls that it takes for another', '0');
        $this->addOption('rng', null, InputOption::VALUE_REQUIRED, 'seed', '1');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        try {
            $rack = RackFile::read(JsonText::decode(JsonFile::text($input->getArgument('file'), RackFile::LARGEST_TEXT)));
            $camera = new SimulatedCamera(
                new Generator((int) Say::number($input, 'rng', 0, 1_000_000_000)),
                Say::number($input, 'noise', 0, 100) / 1000,
                Say::number($input, 'dropout', 0, 100) / 100,
                Say::number($input, 'mistaken', 0, 100) / 100,
            );
        } catch (InvalidInput $e) {
            return Say::refuse($output, $e);
        }
        Say::json($output, FrameFile::write($camera->frame($rack->layout, new \DateTimeImmutable()), $rack->table->size));

        return Command::SUCCESS;
    }
}
