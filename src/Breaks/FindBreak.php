<?php

declare(strict_types=1);

namespace ZigLane\App\Breaks;

use ZigLane\App\Work\Work;
use ZigLane\Core\Breaks\BreakSearch;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;

/**
 * The breaks of a game that go on most often for a level.
 */
final class FindBreak implements Work
{
    /** Breaks that are shown. */
    private const SHOWN = 8;

    public static function kind(): string
    {
        return 'break';
    }

    /**
     * @param list<mixed> $question GameName, Level, widest gap between racked balls (m)
     *
     * @return \Generator<int, BreakList>
     */
    public function answers(array $question): \Generator
    {
        [$game, $level, $gap] = $question;
        \assert($game instanceof GameName && $level instanceof Level && \is_float($gap));
        foreach ((new BreakSearch($game, Player::of($level), gap: $gap))->ranked() as $breaks) {
            yield new BreakList(\array_slice($breaks, 0, self::SHOWN));
        }
    }
}
