<?php

declare(strict_types=1);

namespace ZigLane\Core\Experiments\Matches;

use ZigLane\Core\Decision\OptionKind;
use ZigLane\Core\InvalidInput;

/**
 * Racks of a match as text: one JSON object a line.
 */
final class MatchRackFile
{
    /** Places of chances. */
    private const PLACES = 5;

    private const DEPTH = 8;

    private function __construct() {}

    /** One line, without its end. */
    public static function line(MatchRack $rack): string
    {
        return json_encode([
            'winner' => $rack->winner,
            'shots' => $rack->shots,
            'luck' => round($rack->luck, self::PLACES),
            'predictions' => array_map(
                static fn(Prediction $one): array => [
                    $one->turn,
                    round($one->win, self::PLACES),
                    $one->kind->value,
                    ...(null === $one->luck ? [] : [round($one->luck, self::PLACES)]),
                ],
                $rack->predictions,
            ),
        ], \JSON_THROW_ON_ERROR | \JSON_PRESERVE_ZERO_FRACTION);
    }

    /**
     * @return list<MatchRack> in pairs
     *
     * @throws InvalidInput with the number of the line that is none
     */
    public static function read(string $text): array
    {
        $racks = [];
        foreach ('' === trim($text) ? [] : explode("\n", trim($text)) as $n => $line) {
            $racks[] = self::rack($line) ?? throw new InvalidInput('results', \sprintf('line %d is no rack of a match', $n + 1));
        }
        if (1 === \count($racks) % 2) {
            throw new InvalidInput('results', 'ends in the middle of a pair: take its last line out');
        }

        return $racks;
    }

    private static function rack(string $line): ?MatchRack
    {
        $data = json_decode($line, true, self::DEPTH);
        if (!\is_array($data) || !\array_key_exists('winner', $data) || !\in_array($data['winner'], [null, 0, 1], true)) {
            return null;
        }
        $luck = self::number($data['luck'] ?? null);
        if (!\is_int($data['shots'] ?? null) || null === $luck || !\is_array($data['predictions'] ?? null)) {
            return null;
        }
        $predictions = [];
        foreach ($data['predictions'] as $one) {
            $kind = \is_array($one) && \is_string($one[2] ?? null) ? OptionKind::tryFrom($one[2]) : null;
            $win = \is_array($one) ? self::number($one[1] ?? null) : null;
            if (null === $kind || null === $win || !\in_array($one[0] ?? null, [0, 1], true)) {
                return null;
            }
            $predictions[] = new Prediction($one[0], $win, $kind, self::number($one[3] ?? null));
        }

        return new MatchRack($data['winner'], $data['shots'], $predictions, $luck);
    }

    private static function number(mixed $one): ?float
    {
        return \is_int($one) || \is_float($one) ? (float) $one : null;
    }
}
