<?php

declare(strict_types=1);

namespace ZigLane\Tests\Browser;

/**
 * A coach sets a drill; the player finds it, takes it with the name filled in, and the score comes back.
 */
final class CoachPageTest extends BrowserTestCase
{
    public function testADrillIsSetTakenAndSeen(): void
    {
        $who = 'Eda ' . bin2hex(random_bytes(3));
        $this->web->get(self::url('/coach'));
        $this->assertAccessible('the coach');
        $this->one('#assign-player')->sendKeys($who);
        $this->script('document.querySelector("#assign-what").value = "drill:dead-stop"; document.querySelector("#assign-due").value = "2027-01-15"');
        $this->one('#assign-note')->sendKeys('Stay down');
        $this->click('#assign-go');
        $this->until(fn(): bool => str_contains($this->text('#set'), $who), 'it is set');
        self::assertStringContainsString('15 Jan', $this->text('#set'));
        // The player.
        $this->web->get(self::url('/drills'));
        self::assertStringContainsString("$who: ", $this->text('#set-for-you'));
        $this->script('[...document.querySelectorAll("#set-for-you li")].find(li => li.textContent.includes(arguments[0])).querySelector("a").click()', $who);
        $this->until(fn(): bool => str_contains($this->text('#title'), '1 of 9'), 'the test');
        for ($n = 0; $n < 9; ++$n) {
            $this->click('#buttons button:nth-child(' . (1 + $n % 2) . ')');
        }
        $this->until(fn(): bool => $this->one('#keep')->isDisplayed(), 'the end of it');
        self::assertSame($who, $this->value('#who'));
        $this->click('#keep');
        $this->until(fn(): bool => '' === $this->text('#connection') && $this->one('#once-more')->isDisplayed(), 'it is sent');
        // The coach.
        $this->web->get(self::url('/coach?player=' . rawurlencode($who)));
        $this->until(fn(): bool => str_contains($this->text('#set .results'), 'of'), 'the score');
        self::assertSame(1, $this->howMany('#coach-rounds tbody tr'));
        $this->assertAccessible('a player, for the coach');
        // Another result comes in without a reload.
        $round = ['key' => 'round-' . bin2hex(random_bytes(6)), 'drill' => 'dead-stop', 'step' => 'as it is', 'test' => true, 'at' => gmdate('Y-m-d\TH:i:s\Z', time() + 30), 'player' => $who, 'points' => [2, 2, 2, 2, 2, 2, 2, 2, 1], 'repeats' => 0];
        $this->script('return fetch("/drills/rounds", { method: "POST", headers: { "Content-Type": "application/json" }, body: JSON.stringify({ entries: [arguments[0]] }) })', $round);
        $this->script('document.body.dispatchEvent(new Event("look"))');
        $this->until(fn(): bool => str_contains($this->text('#set .results'), '17 of 18'), 'the new score');
        $this->click('#set button');
        $this->until(fn(): bool => 1 === $this->howMany('#just-ended'), 'it is ended');
        self::assertSame(0, $this->howMany('#set'));
        $this->assertNoComplaints();
    }
}
