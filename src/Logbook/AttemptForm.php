<?php

declare(strict_types=1);

namespace ZigLane\App\Logbook;

use Symfony\Component\HttpFoundation\InputBag;
use ZigLane\Core\Equipment\TableSize;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Logbook\Attempt;
use ZigLane\Core\Logbook\AttemptResult;
use ZigLane\Core\Logbook\LogbookFields;
use ZigLane\Core\Logbook\Miss;
use ZigLane\Core\Physics\Tip;

/**
 * A result corrected by hand.
 */
final class AttemptForm
{
    private function __construct() {}

    /**
     * @param InputBag<string> $form made (1 or 0), missed, cue ("2.5, 1" or nothing for a scratch), said in %, chalk ("0.2, -0.1" in radii)
     *
     * @throws InvalidInput
     */
    public static function change(Attempt $attempt, InputBag $form): Attempt
    {
        $text = static fn(string $key): string => \is_string($form->all()[$key] ?? null) ? trim($form->all()[$key]) : '';
        $made = match ($text('made')) {
            '1' => true,
            '0' => false,
            default => throw new InvalidInput('', 'say whether it was made'),
        };
        $missed = '' === $text('missed') ? null : Miss::tryFrom($text('missed')) ?? throw new InvalidInput('missed', 'is no way to miss');
        $said = '' === $text('said') ? null : self::number($text('said'), 'what was said', 0.0, 100.0) / 100;
        $chalk = '' === $text('chalk') ? null : self::pair($text('chalk'), 'chalk mark', [-0.5, 0.5], [-0.5, 0.5]);

        return $attempt->corrected(new AttemptResult(
            $made,
            self::place($text('cue'), $attempt->rack->table->size),
            $attempt->result->moved,
            $made ? null : $missed,
            $attempt->result->unknown,
            null === $chalk ? null : new Tip(...$chalk),
        ), $said);
    }

    private static function place(string $text, TableSize $size): ?Point
    {
        return '' === $text ? null : LogbookFields::place(
            self::pair($text, 'the cue ball', [-0.2, 8.2], [-0.2, 4.2]),
            'the cue ball',
            $size,
        );
    }

    /**
     * @param array{float, float} $first  from and to
     * @param array{float, float} $second
     *
     * @return array{float, float}
     *
     * @throws InvalidInput
     */
    private static function pair(string $text, string $what, array $first, array $second): array
    {
        $parts = preg_split('/[\s,;]+/', $text, -1, \PREG_SPLIT_NO_EMPTY) ?: [];
        if (2 !== \count($parts)) {
            throw new InvalidInput($what, 'needs two numbers such as 2.5, 1');
        }

        return [self::number($parts[0], $what, ...$first), self::number($parts[1], $what, ...$second)];
    }

    /** @throws InvalidInput */
    private static function number(string $text, string $what, float $low, float $high): float
    {
        if (!is_numeric($text) || !is_finite((float) $text) || (float) $text < $low || (float) $text > $high) {
            throw new InvalidInput($what, \sprintf('"%s" is no number from %s to %s', mb_strimwidth($text, 0, 20, '…'), $low, $high));
        }

        return (float) $text;
    }
}
