<?php

declare(strict_types=1);

namespace ZigLane\App\Command;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Logbook\AttemptFile;
use ZigLane\Core\Logbook\Fit\FittedErrors;
use ZigLane\Core\Logbook\Fit\PlayerFit;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;

/**
 * Fits a player's errors to attempts in a file; needs no database.
 */
#[AsCommand('lane:fit', 'Says from attempts how exactly a player shoots: errors of aim, speed and tip with 90 % intervals')]
final class LaneFitCommand extends Command
{
    /** Larger files are not read, bytes. */
    private const LARGEST = 64 << 20;

    protected function configure(): void
    {
        $this->addArgument('file', InputArgument::REQUIRED, 'attempts, one JSON object a line, or - for standard input');
        $this->addOption('level', null, InputOption::VALUE_REQUIRED, 'whose errors the fit begins with', Level::League->value);
        $this->addOption(
            'refits',
            null,
            InputOption::VALUE_REQUIRED,
            'how often the shots are shot again to free the result of what the method adds; 0: of what it adds on average',
            '0',
        );
        $this->addOption('rng', null, InputOption::VALUE_REQUIRED, 'seed of those', '1');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $file = $input->getArgument('file');
        try {
            $fit = new PlayerFit(Player::of(Say::one($input, 'level', Level::class)));
            $refits = (int) Say::number($input, 'refits', 0, 100);
            $random = new Generator((int) Say::number($input, 'rng', 0, 1_000_000_000));
            $read = 0;
            foreach (AttemptFile::read(JsonFile::text($file, self::LARGEST)) as $attempt) {
                $fit->add($attempt);
                ++$read;
            }
            if (0 === $read) {
                throw new InvalidInput('', 'there is no attempt in the file');
            }
        } catch (InvalidInput $e) {
            return Say::refuse($output, $e);
        }
        Say::json($output, self::described($read, 0 === $refits ? $fit->fitted()->usual() : $fit->corrected($refits, $random)));

        return Command::SUCCESS;
    }

    /**
     * @return array<string, mixed>
     */
    private static function described(int $read, FittedErrors $fitted): array
    {
        $percent = static fn(float $share): float => 100 * $share;
        $millimetres = static fn(float $metres): float => 1000 * $metres;

        return [
            'attempts' => $read,
            'used' => $fitted->attempts,
            'aim' => self::estimate('deg', $fitted->aim, rad2deg(...)),
            'speed' => self::estimate('percent', $fitted->speed, $percent),
            'tip' => self::estimate('mm', $fitted->tip, $millimetres),
            'bias' => self::estimate('aimDeg', $fitted->aimBias, rad2deg(...), 'aim')
                + self::estimate('speedPercent', $fitted->speedBias, $percent, 'speed'),
        ];
    }

    /**
     * @param array{float, float, float} $values value, low, high
     * @param \Closure(float): float     $unit
     * @param string                     $of     before the names of the ends, where there are several
     *
     * @return array<string, float>
     */
    private static function estimate(string $name, array $values, \Closure $unit, string $of = ''): array
    {
        $values = array_map(static fn(float $value): float => round($unit($value), 4), $values);

        return [$name => $values[0], lcfirst($of . 'Low') => $values[1], lcfirst($of . 'High') => $values[2]];
    }
}
