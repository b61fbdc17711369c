<?php

declare(strict_types=1);

namespace ZigLane\Core\Shots;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Rail;
use ZigLane\Core\InvalidInput;

/**
 * How a ball is meant to get into its pocket.
 */
final readonly class Intent
{
    /**
     * @param list<Rail> $rails in the order in which they are met: by the ball in a bank, by the cue ball in a kick
     * @param int|null   $other the ball that the cue ball hits first, in a combination or a carom
     *
     * @throws InvalidInput when the kind of shot does not go with them
     */
    public function __construct(public ShotKind $kind = ShotKind::Pot, public array $rails = [], public ?int $other = null)
    {
        $most = $kind->mostRails();
        if (\count($rails) > $most || ($most > 0 && [] === $rails)) {
            throw new InvalidInput('rails', 0 === $most
                ? \sprintf('a %s goes over none', $kind->value)
                : \sprintf('a %s goes over 1 to %d of them', $kind->value, $most));
        }
        foreach ($rails as $n => $rail) {
            if ($n > 0 && $rail === $rails[$n - 1]) {
                throw new InvalidInput("rails[$n]", \sprintf('the %s rail comes twice in a row', $rail->value));
            }
        }
        if ($kind->needsOther() !== (null !== $other)) {
            throw new InvalidInput('other', $kind->needsOther()
                ? \sprintf('a %s needs the ball that is hit first', $kind->value)
                : \sprintf('a %s hits no other ball first', $kind->value));
        }
        if (BallId::CUE === $other) {
            throw new InvalidInput('other', 'is the cue ball');
        }
    }

    /** The ball that the cue ball must hit first, when this one is to be potted. */
    public function first(int $ball): int
    {
        return $this->other ?? $ball;
    }

    /** Whether two balls are meant to meet, beside the cue ball and the one that it hits first. */
    public function brings(int $one, int $two, int $ball): bool
    {
        $from = match ($this->kind) {
            ShotKind::Combination => $this->other,
            ShotKind::Carom => BallId::CUE,
            default => null,
        };

        return null !== $from && [min($one, $two), max($one, $two)] === [min($from, $ball), max($from, $ball)];
    }

    /** Whether nothing need be pocketed. */
    public function isSafety(): bool
    {
        return ShotKind::Safety === $this->kind;
    }

    /** Whether the ball is sent straight into its pocket by the cue ball. */
    public function isPlain(): bool
    {
        return ShotKind::Pot === $this->kind;
    }
}
