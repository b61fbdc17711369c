<?php

declare(strict_types=1);

namespace ZigLane\Tests\Browser;

/**
 * A drill at the table, by touch on a phone, without a connection in between.
 */
final class DrillPageTest extends BrowserTestCase
{
    use OnAPhone;

    public function testADrillIsTrainedAndTestedWithoutAConnectionInBetween(): void
    {
        $who = 'Ada ' . bin2hex(random_bytes(3));
        $this->web->get(self::url('/drills'));
        $this->assertAccessible('the drills');
        $this->web->get(self::url('/drills/dead-stop'));
        $this->assertAccessible('a drill');
        // Training: a shot is repeated until it works, with a hint.
        $this->tapOn('#train');
        $this->until(fn(): bool => str_contains($this->text('#title'), '1 of 9'), 'the first shot');
        $this->assertAccessible('a drill at the table');
        self::assertStringContainsString('Pace', $this->text('#hint'));
        self::assertStringContainsString('upright', (string) $this->one('[data-station="0"] .lane-table')->getAttribute('class'));
        $small = $this->script('return [...document.querySelectorAll("button, a")].filter(b => b.offsetParent && b.getBoundingClientRect().height < 40).map(b => b.textContent.trim())');
        self::assertSame([], $small);
        $this->tapOn('#buttons button:last-child');
        self::assertStringContainsString('1 of 9', $this->text('#title'));
        self::assertStringContainsString('1 repeated', $this->text('#score'));
        $this->tapOn('#buttons button:first-child');
        self::assertStringContainsString('2 of 9: cue ball 1.8 diamonds back', $this->text('#title'));
        $this->tapOn('#undo');
        self::assertStringContainsString('1 of 9', $this->text('#title'));
        // The test: no hint, each shot once.
        $this->web->get(self::url('/drills/dead-stop/go?mode=test'));
        $this->until(fn(): bool => str_contains($this->text('#title'), '1 of 9'), 'the test');
        self::assertSame(0, $this->howMany('#hint'));
        $this->until(fn(): bool => true === $this->script('return !!navigator.serviceWorker.controller'), 'it is kept on the device', 20);
        $this->web->navigate()->refresh();
        $this->until(fn(): bool => str_contains($this->text('#title'), '1 of 9'), 'the test again');
        $this->connected(false);
        foreach ([1, 1, 2, 3, 1, 1, 2] as $n) {
            $this->tapOn("#buttons button:nth-child($n)");
        }
        // A reload without a connection loses nothing.
        $this->web->navigate()->refresh();
        $this->until(fn(): bool => str_contains($this->text('#title'), '8 of 9'), 'it goes on');
        self::assertSame('10 points', $this->text('#score'));
        $this->tapOn('#buttons button:nth-child(1)');
        $this->tapOn('#buttons button:nth-child(1)');
        self::assertStringContainsString('14 points', $this->text('#result'));
        $this->script('document.getElementById("who").value = arguments[0]', $who);
        $this->tapOn('#keep');
        $this->until(fn(): bool => '1 to send' === $this->text('#connection'), 'it waits');
        $this->connected(true);
        $this->script('window.dispatchEvent(new Event("online")); window.dispatchEvent(new Event("online"))');
        $this->until(fn(): bool => '' === $this->text('#connection'), 'it is sent');
        $this->web->get(self::url('/drills/dead-stop?player=' . rawurlencode($who)));
        self::assertSame(1, $this->howMany('#rounds tbody tr'));
        self::assertStringContainsString('Best 14, last 14 (passed).', $this->text('#progress'));
    }
}
