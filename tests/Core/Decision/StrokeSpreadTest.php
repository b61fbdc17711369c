<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Decision;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Decision\StrokeSpread;
use ZigLane\Core\Physics\AimedStroke;
use ZigLane\Tests\Core\Reading\Read;

final class StrokeSpreadTest extends TestCase
{
    /** A part of the strokes is of all speeds, tips and directions: every eighth were all of the softest once. */
    public function testAPartHasAllSpeedsAndTips(): void
    {
        $spread = new StrokeSpread(Read::rack(['cue' => [2.5, 1.2], 1 => [6.5, 1.0], 9 => [1.3, 3.0]]));
        $all = $spread->strokes();
        $kinds = self::kinds($all);
        foreach (range(2, 9) as $every) {
            $part = $spread->strokes($every);
            self::assertEqualsWithDelta(\count($all) / $every, \count($part), 1.0 + 0.05 * \count($all) / $every);
            self::assertSame($kinds, self::kinds($part), "every $every");
        }
    }

    /**
     * @param list<AimedStroke> $strokes
     *
     * @return array{int, int} how many speeds and tips there are
     */
    private static function kinds(array $strokes): array
    {
        $speeds = $tips = [];
        foreach ($strokes as $one) {
            $speeds[(string) $one->stroke->speed] = true;
            $tips["{$one->stroke->side} {$one->stroke->height}"] = true;
        }

        return [\count($speeds), \count($tips)];
    }
}
