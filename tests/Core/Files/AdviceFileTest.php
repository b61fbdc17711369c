<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Files;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Decision\Adviser;
use ZigLane\Core\Decision\ShotBudget;
use ZigLane\Core\Files\AdviceFile;
use ZigLane\Core\Planning\Planner;
use ZigLane\Core\Planning\SearchBudget;
use ZigLane\Tests\Core\Reading\Read;

final class AdviceFileTest extends TestCase
{
    /** What a page is shown straight away and what is read from a file are the same. */
    public function testWhatIsShownIsWhatIsRead(): void
    {
        $rack = Read::rack(['cue' => [5.9, 1.2], 1 => [7.1, 2.8], 9 => [7.7, 3.8], 7 => [1, 1]]);
        $advice = (new Adviser($rack, $rack->player, new Planner($rack, SearchBudget::quick()), ShotBudget::quick()))->advise(null, null, 0.0);
        $shown = AdviceFile::shown($advice);
        $written = json_decode(json_encode(AdviceFile::describe($advice), \JSON_THROW_ON_ERROR), false, 64, \JSON_THROW_ON_ERROR);
        self::assertInstanceOf(\stdClass::class, $written);
        self::assertNotSame([], $shown['shots']);
        self::assertEqualsWithDelta($shown, AdviceFile::read($written), 5e-5);
    }
}
