<?php

declare(strict_types=1);

namespace ZigLane\Tests\App;

use Symfony\Bundle\FrameworkBundle\Console\Application;
use Symfony\Component\Console\Tester\CommandTester;
use ZigLane\Core\Line\LegState;
use ZigLane\Core\Line\LinePlayer;
use ZigLane\Core\Wording\LegWording;

final class DemoTest extends AppTestCase
{
    private function load(): void
    {
        $tester = new CommandTester((new Application(self::$kernel))->find('zig-lane:demo'));
        self::assertSame(0, $tester->execute([]));
    }

    public function testFourRacksAreLoadedOnceAndOneIsPlannedToTheNine(): void
    {
        $this->load();
        $racks = $this->store()->page();
        self::assertCount(4, $racks);
        $complete = $racks[0]->rack ?? self::fail('It cannot be read.');
        $legs = LinePlayer::for($complete)->play($complete);
        self::assertCount(9, $legs);
        foreach ($legs as $leg) {
            self::assertSame(LegState::Holds, $leg->state, implode(' ', array_map(LegWording::fault(...), $leg->faults)));
        }
        self::assertTrue($legs[8]->verdict?->won);

        $this->load();
        self::assertSame(4, $this->store()->counts()[0]);
    }

    public function testWhatAPersonDidWithThemStays(): void
    {
        $this->load();
        [$first, $second] = $this->store()->page();
        $id = $first->record->id();
        $this->store()->change($id, $this->version($id), 'rename', $this->open($id)->rack->named('Mine now'));
        $this->store()->delete($second->record->id(), $second->record->version());
        $this->load();
        self::assertSame(3, $this->store()->counts()[0]);
        self::assertSame('Mine now', $this->open($first->record->id())->rack->name);
    }
}
