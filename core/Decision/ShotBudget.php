<?php

declare(strict_types=1);

namespace ZigLane\Core\Decision;

/**
 * How hard strokes are searched for.
 */
final readonly class ShotBudget
{
    /**
     * @param int                    $every   of the spread strokes every so manieth is played
     * @param bool                   $special banks, kicks, combinations and caroms are solved for
     * @param list<array{int, int}> $rungs   strokes that are kept, and the tries under which they are judged
     * @param int                    $ofAKind strokes of each kind that are looked at after that
     * @param int                    $more    and their tries
     * @param int                    $stirred of those so many are moved step by step
     * @param int                    $tries   of the last judgement
     * @param int                    $replies tables after the best strokes from which the answer is searched for
     */
    private function __construct(
        public int $every,
        public bool $special,
        public array $rungs,
        public int $ofAKind,
        public int $more,
        public int $stirred,
        public int $tries,
        public int $replies,
    ) {}

    /** A first answer, in about half a second. */
    public static function quick(): self
    {
        return new self(5, false, [[40, 3], [16, 8]], 3, 16, 0, 48, 0);
    }

    /** For the answer to a stroke, in a fifth of a second. */
    public static function reply(): self
    {
        return new self(2, false, [[80, 3], [20, 8]], 2, 12, 0, 32, 0);
    }

    /** For a season of matches: one to two seconds. */
    public static function season(): self
    {
        return new self(2, true, [[80, 3], [30, 10]], 3, 24, 1, 72, 6);
    }

    /** For the shot that is played next. */
    public static function settled(): self
    {
        return new self(1, true, [[160, 3], [60, 12]], 6, 36, 2, 240, 12);
    }
}
