<?php

declare(strict_types=1);

namespace ZigLane\App\Reading;

use ZigLane\App\View\ReachView;
use ZigLane\App\Work\Work;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Rack\Rack;

/**
 * Whether the cue ball can be brought to a place by the next pot.
 */
final class FindWay implements Work
{
    public static function kind(): string
    {
        return 'reach';
    }

    /**
     * @param list<mixed> $question Rack and Point
     *
     * @return \Generator<int, ReachView>
     */
    public function answers(array $question): \Generator
    {
        [$rack, $place] = $question;
        \assert($rack instanceof Rack && $place instanceof Point);
        yield ReachView::of($rack, $place);
    }
}
