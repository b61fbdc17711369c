<?php

declare(strict_types=1);

namespace ZigLane\Tests\Browser;

/**
 * A player looks for a break and breaks a rack with it.
 */
final class BreaksPageTest extends BrowserTestCase
{
    public function testABreakIsFoundAndPlayed(): void
    {
        $this->web->get(self::url('/'));
        $this->click('.ways a[href="/breaks"]');
        $this->until(fn(): bool => $this->howMany('#try-breaks') > 0, 'the page');
        $this->script('document.getElementById("break-game").value = "ten-ball"');
        $this->click('#try-breaks');
        $this->until(fn(): bool => str_contains($this->text('#breaks-found'), 'Breaking racks'), 'it is tried');
        for ($n = 0; $n < 100 && 0 === $this->howMany('#best-break'); ++$n) {
            usleep(300000);
        }
        self::assertMatchesRegularExpression('/^(Full at|Past|Three quarters of) the head ball.*: a ball drops in \d+ %, a scratch in \d+ %/', $this->text('#best-break'));
        $this->assertAccessible('breaks');
        // Going on asks no more, so that the worker leaves it.
        $this->click('.breaktable tbody tr:first-child button');
        $this->until(fn(): bool => $this->howMany('#table') > 0, 'the rack');
        self::assertStringContainsString('ten-ball', $this->text('#main'));
        $this->assertNoComplaints();
    }
}
