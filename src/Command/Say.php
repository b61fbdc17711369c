<?php

declare(strict_types=1);

namespace ZigLane\App\Command;

use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use ZigLane\Core\InvalidInput;

/**
 * What the lane commands share: JSON to standard output, messages to standard error, options that are numbers.
 */
final class Say
{
    /** Exit code for unusable input. */
    public const UNUSABLE = 2;

    private function __construct() {}

    /**
     * @param array<string, mixed> $answer
     */
    public static function json(OutputInterface $output, array $answer, int $flags = 0): void
    {
        $output->writeln(
            json_encode($answer, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES | $flags),
            OutputInterface::OUTPUT_RAW,
        );
    }

    public static function refuse(OutputInterface $output, \Throwable $why): int
    {
        self::errors($output)->writeln($why->getMessage(), OutputInterface::OUTPUT_RAW);

        return self::UNUSABLE;
    }

    public static function errors(OutputInterface $output): OutputInterface
    {
        return $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
    }

    /**
     * @throws InvalidInput when the option is not a number between two bounds
     */
    public static function number(InputInterface $input, string $option, float $low, float $high): float
    {
        $value = $input->getOption($option);
        if (!is_numeric($value) || (float) $value < $low || (float) $value > $high) {
            throw new InvalidInput(
                "--$option",
                \sprintf('%s is not a number from %s to %s', \is_scalar($value) ? $value : 'that', $low, $high),
            );
        }

        return (float) $value;
    }

    /**
     * @template T of \BackedEnum
     *
     * @param class-string<T> $enum
     *
     * @return T
     *
     * @throws InvalidInput when the option is none of its values
     */
    public static function one(InputInterface $input, string $option, string $enum): \BackedEnum
    {
        $value = $input->getOption($option);

        return (\is_string($value) ? $enum::tryFrom($value) : null)
            ?? throw new InvalidInput(
                "--$option",
                \sprintf(
                    'is none of %s',
                    implode(', ', array_map(static fn(\BackedEnum $e): string => (string) $e->value, $enum::cases())),
                ),
            );
    }
}
