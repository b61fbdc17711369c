<?php

declare(strict_types=1);

namespace ZigLane\App\Reading;

use ZigLane\App\Work\Work;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Reading\Zone;
use ZigLane\Core\Reading\ZoneFinder;

/**
 * The position zone of a ball and pocket.
 */
final class FindZone implements Work
{
    public static function kind(): string
    {
        return 'zone';
    }

    /**
     * @param list<mixed> $question Rack, ball, Pocket, least chance of the pot 0–1
     *
     * @return \Generator<int, Zone>
     */
    public function answers(array $question): \Generator
    {
        [$rack, $ball, $pocket, $chance] = $question;
        \assert($rack instanceof Rack && \is_int($ball) && $pocket instanceof Pocket && \is_float($chance));
        yield (new ZoneFinder($rack))->zone($ball, $pocket, $chance);
    }
}
