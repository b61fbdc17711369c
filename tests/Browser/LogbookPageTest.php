<?php

declare(strict_types=1);

namespace ZigLane\Tests\Browser;

use Facebook\WebDriver\WebDriverBy;

/**
 * The logbook as a person goes through it: sessions, shots, percentages, one shot corrected; and a plan behind a link.
 */
final class LogbookPageTest extends BrowserTestCase
{
    public function testTheDemoLogbookIsReadAndCorrected(): void
    {
        $this->web->get(self::url('/logbook'));
        $this->assertAccessible('sessions');
        self::assertStringContainsString('made up', $this->text('#sessions'));
        $this->click('#sessions tbody tr:first-child th a');
        $this->until(fn(): bool => $this->howMany('#shots tbody tr') > 0, 'the shots of a session');
        $this->assertAccessible('shots');
        $this->script("document.getElementById('by-outcome').value = 'made'");
        $this->click('#show');
        $this->until(fn(): bool => str_contains((string) $this->web->getCurrentURL(), 'outcome=made'), 'filtered');
        $this->click('#shots tbody tr:first-child th a');
        $this->until(fn(): bool => $this->howMany('#correct') > 0, 'one shot');
        $this->click('#correct summary');
        $this->assertAccessible('one shot');
        $this->script("document.getElementById('f-made').value = '0'; document.getElementById('f-missed').value = 'thick'");
        $this->click('#save');
        $this->until(fn(): bool => str_contains($this->text('.answer'), 'Missed thick'), 'corrected');
        $this->script("document.getElementById('correct').open = true; document.getElementById('f-made').value = '1'");
        $this->click('#save');
        $this->until(fn(): bool => str_contains($this->text('.answer'), 'Made'), 'as it was');
        $this->click('#delete-shot');
        $this->until(fn(): bool => $this->howMany('#just-deleted') > 0, 'deleted');
        $this->click('#just-deleted button');
        $this->until(fn(): bool => $this->howMany('#delete-shot') > 0, 'put back');
        $this->assertNoComplaints();
    }

    public function testPercentagesAreReadOnAPhone(): void
    {
        $this->screen(390, 844);
        foreach (['cut', 'distance', 'pocket'] as $by) {
            $this->web->get(self::url("/logbook/percentages?by=$by"));
            self::assertGreaterThan(3, $this->howMany('#shares tbody tr'));
        }
        $this->assertAccessible('percentages');
        self::assertFalse($this->script('return document.documentElement.scrollWidth > innerWidth'), 'nothing sticks out');
        $this->assertNoComplaints();
    }

    public function testAPlanIsSharedByALink(): void
    {
        $this->import(self::rack(['cue' => [5.0, 2.0], '9' => [6.5, 3.0]], ['name' => 'To be shared']));
        $this->click('#mode-run');
        $this->until(fn(): bool => $this->howMany('#plan-run') > 0, 'the run-out');
        $this->click('#plan-run');
        $this->until(fn(): bool => $this->howMany('#share-plan') > 0, 'planned', 60);
        $this->click('#share-plan');
        $this->until(fn(): bool => $this->howMany('#make-link') > 0, 'links');
        $this->click('#make-link');
        $this->until(fn(): bool => $this->howMany('#links tbody tr') > 0, 'a link');
        $this->assertAccessible('links');
        $this->web->findElement(WebDriverBy::linkText('open'))->click();
        $this->until(fn(): bool => $this->howMany('.sharedcards a') > 1, 'the shared plan');
        $this->assertAccessible('a shared plan');
        $this->click('.sharedcards a:nth-of-type(2)');
        $this->until(fn(): bool => $this->howMany('#play') > 0, 'one shot of it');
        $this->click('#play');
        $this->until(fn(): bool => !str_starts_with($this->text('#clock-out'), '0.0 '), 'it plays');
        $this->assertNoComplaints();
    }
}
