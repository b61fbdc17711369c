<?php

declare(strict_types=1);

namespace ZigLane\App\Reading;

use ZigLane\App\View\PositionView;
use ZigLane\App\Work\Work;
use ZigLane\Core\Line\LinePlayer;
use ZigLane\Core\Rack\Rack;

/**
 * The chances of a line's legs, and how the chosen one lies to the next ball's zone.
 */
final class JudgeLegs implements Work
{
    public static function kind(): string
    {
        return 'legs';
    }

    /**
     * @param list<mixed> $question Rack, and the number of the chosen leg
     *
     * @return \Generator<int, PositionView>
     */
    public function answers(array $question): \Generator
    {
        [$rack, $chosen] = $question;
        \assert($rack instanceof Rack && \is_int($chosen));
        yield PositionView::of($rack, LinePlayer::for($rack)->play($rack), $chosen);
    }
}
