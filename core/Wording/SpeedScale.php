<?php

declare(strict_types=1);

namespace ZigLane\Core\Wording;

use ZigLane\Core\InvalidInput;

/**
 * Speeds by name, as paces: how far the cue ball alone would roll, in table lengths.
 */
final readonly class SpeedScale
{
    /** Table lengths by name, rising (our own names). */
    public const USUAL = [
        'touch' => 0.3,
        'creep' => 0.6,
        'stroll' => 1.0,
        'walk' => 1.5,
        'lag' => 2.0,
        'jog' => 2.5,
        'trot' => 3.0,
        'run' => 4.0,
        'sprint' => 5.0,
        'charge' => 6.5,
    ];

    /** Names of a scale; characters of one; table lengths. */
    public const FEWEST = 3;
    public const MOST = 10;
    public const LONGEST = 12;
    private const SOFTEST = 0.1;
    private const HARDEST = 9.0;

    /**
     * @param non-empty-array<string, float> $names table lengths by name, rising
     *
     * @throws InvalidInput that says which is wrong
     */
    public function __construct(public array $names = self::USUAL)
    {
        if (\count($names) < self::FEWEST || \count($names) > self::MOST) {
            throw new InvalidInput('', \sprintf('%d paces: there must be %d to %d', \count($names), self::FEWEST, self::MOST));
        }
        $before = 0.0;
        foreach ($names as $name => $lengths) {
            if (1 !== preg_match('/^\p{L}[\p{L} \'-]*$/uD', $name) || mb_strlen($name) > self::LONGEST) {
                throw new InvalidInput('', \sprintf('"%s" is no name: 1 to %d letters', mb_strimwidth($name, 0, 30, '…'), self::LONGEST));
            }
            if ($lengths < self::SOFTEST || $lengths > self::HARDEST || $lengths <= $before) {
                throw new InvalidInput('', \sprintf(
                    '"%s" at %s lengths: from %s to %s, each more than the one before',
                    $name,
                    round($lengths, 2),
                    self::SOFTEST,
                    self::HARDEST,
                ));
            }
            $before = $lengths;
        }
    }

    /** The name nearest to so many table lengths: speeds are told apart by their ratio. */
    public function name(float $lengths): string
    {
        $nearest = INF;
        $best = '';
        foreach ($this->names as $name => $far) {
            $apart = abs(log($far / max(0.01, $lengths)));
            if ($apart < $nearest) {
                [$nearest, $best] = [$apart, $name];
            }
        }

        return $best;
    }

    /** "touch 0.3, creep 0.6, …", as it is stored. */
    public function text(): string
    {
        $parts = [];
        foreach ($this->names as $name => $lengths) {
            $parts[] = $name . ' ' . round($lengths, 2);
        }

        return implode(',', $parts);
    }

    /** @throws InvalidInput when a text is none of text() */
    public static function ofText(string $text): self
    {
        $names = [];
        foreach (explode(',', $text) as $part) {
            if (1 !== preg_match('/^(.+) ([0-9.]+)$/uD', $part, $found) || !is_numeric($found[2])) {
                throw new InvalidInput('', 'the paces cannot be read');
            }
            $names[$found[1]] = (float) $found[2];
        }

        return new self($names);
    }
}
