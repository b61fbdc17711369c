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
     * @param int|null   $other the ball that the cue ball hits first in a combination or a carom, that the ball goes off in a
     *                          kiss, or that the cue ball jumps over or goes round
     *
     * @param int|null   $then  the ball that the first sends into the one to be potted, in a combination of three balls
     *
     * @throws InvalidInput when the kind of shot does not go with them
     */
    public function __construct(
        public ShotKind $kind = ShotKind::Pot,
        public array $rails = [],
        public ?int $other = null,
        public ?int $then = null,
    ) {
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
                ? \sprintf('a %s needs another ball: %s which', $kind->value, $kind->otherKey())
                : \sprintf('a %s has no other ball', $kind->value));
        }
        if (BallId::CUE === $other) {
            throw new InvalidInput('other', 'is the cue ball');
        }
        if (null !== $then && ShotKind::Combination !== $kind) {
            throw new InvalidInput('then', \sprintf('a %s has no third ball', $kind->value));
        }
        if (null !== $then && ($then === $other || BallId::CUE === $then)) {
            throw new InvalidInput('then', 'must be another object ball');
        }
    }

    /** The ball that the cue ball must hit first, when this one is to be potted. */
    public function first(int $ball): int
    {
        return $this->kind->hitsOther() ? $this->other ?? $ball : $ball;
    }

    /** Whether two balls are meant to meet, beside the cue ball and the one that it hits first. */
    public function brings(int $one, int $two, int $ball): bool
    {
        $pairs = match ($this->kind) {
            ShotKind::Combination => null === $this->then
                ? [[$this->other, $ball]]
                : [[$this->other, $this->then], [$this->then, $ball]],
            ShotKind::Carom => [[BallId::CUE, $ball]],
            ShotKind::Kiss => [[$this->other, $ball]],
            default => [],
        };

        return \in_array([$one, $two], $pairs, true) || \in_array([$two, $one], $pairs, true);
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
