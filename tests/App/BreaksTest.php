<?php

declare(strict_types=1);

namespace ZigLane\Tests\App;

use Symfony\Component\Process\Process;
use ZigLane\App\Breaks\BreakList;
use ZigLane\Core\Breaks\BreakTries;
use ZigLane\Core\Rack\BreakAim;
use ZigLane\Core\Rack\BreakStroke;

/**
 * Which break: what the page says, and what is wrong with what it is asked. That a worker finds one is the browser's to test.
 */
final class BreaksTest extends AppTestCase
{
    public function testThePage(): void
    {
        $this->browser->request('GET', '/breaks');
        self::assertSame(200, $this->code());
        $html = (string) $this->browser->getResponse()->getContent();
        self::assertStringContainsString('Try the breaks', $html);
        self::assertStringNotContainsString('straight-pool', $html);
    }

    public function testWhatIsWrongIsSaid(): void
    {
        foreach ([
            ['game' => 'snooker'], ['game' => 'nine-ball', 'level' => 'grand'], ['game' => 'nine-ball', 'racked' => 'glued'], ['game' => 'straight-pool'],
        ] as $query) {
            $this->browser->request('GET', '/breaks', $query);
            self::assertSame(422, $this->code(), (string) json_encode($query));
            self::assertStringContainsString('id="problem"', (string) $this->browser->getResponse()->getContent());
        }
    }

    /** A break that was found is played as it was told. */
    public function testABreakIsPlayed(): void
    {
        $places = [];
        foreach (BreakAim::cases() as $aim) {
            $this->browser->request('POST', '/racks/break', ['game' => 'eight-ball', 'number' => '7', 'speed' => '8', 'aside' => '1.2', 'aim' => $aim->value]);
            self::assertSame(303, $this->code());
            preg_match('~/racks/(\d+)~', (string) $this->browser->getResponse()->headers->get('Location'), $found);
            $places[] = serialize($this->open((int) ($found[1] ?? 0))->rack->layout);
        }
        self::assertCount(3, array_unique($places));
    }

    public function testTheListSaysWhatItShows(): void
    {
        $tries = new BreakTries(new BreakStroke(8.0, 1.2, BreakAim::Cut));
        $list = new BreakList([$tries]);
        self::assertSame('Three quarters of the head ball, 1.2 diamonds from the middle, at 8.0 m/s', $list->words($tries));
        self::assertStringStartsWith($list->words($tries), $list->best());
    }

    public function testTheCommandRefusesStraightPool(): void
    {
        $process = new Process([\PHP_BINARY, 'bin/console', 'lane:break', '--game', 'straight-pool'], \dirname(__DIR__, 2));
        self::assertSame(2, $process->run());
        self::assertStringContainsString('game: is opened by a break shot', $process->getErrorOutput());
    }
}
