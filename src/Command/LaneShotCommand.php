<?php

declare(strict_types=1);

namespace ZigLane\App\Command;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use ZigLane\Core\Aim\AimRefused;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Rack\JsonText;
use ZigLane\Core\Rack\ShotFile;

/**
 * Plays one shot from a file; needs no database.
 */
#[AsCommand('lane:shot', 'Plays one shot on a rack and prints what happens as JSON')]
final class LaneShotCommand extends Command
{
    private const UNUSABLE = 2;

    protected function configure(): void
    {
        $this->addArgument('file', InputArgument::REQUIRED, 'JSON file { "rack": …, "shot": … }, or - for standard input');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $errors = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
        $file = $input->getArgument('file');
        try {
            $answer = ShotFile::answer(JsonText::decode(self::contents($file), ShotFile::LARGEST));
        } catch (InvalidInput|AimRefused $e) {
            $errors->writeln($e->getMessage(), OutputInterface::OUTPUT_RAW);

            return self::UNUSABLE;
        }
        $output->writeln(json_encode($answer, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES), OutputInterface::OUTPUT_RAW);

        return Command::SUCCESS;
    }

    /**
     * @throws InvalidInput when it cannot be read
     */
    private static function contents(string $file): string
    {
        if ('-' !== $file && (!is_file($file) || !is_readable($file))) {
            throw new InvalidInput('', "$file: there is no such file, or it cannot be read");
        }
        // One byte more than allowed is enough to see that it is too large.
        $text = file_get_contents('-' === $file ? 'php://stdin' : $file, length: ShotFile::LARGEST + 1);
        if (false === $text) {
            throw new InvalidInput('', "$file: cannot be read");
        }

        return $text;
    }
}
