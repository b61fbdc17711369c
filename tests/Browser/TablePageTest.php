<?php

declare(strict_types=1);

namespace ZigLane\Tests\Browser;

use Facebook\WebDriver\WebDriverKeys;

final class TablePageTest extends BrowserTestCase
{
    /** Three balls in a line that a player would run in three easy legs. */
    private const THREE = ['cue' => [2.0, 1.6], '7' => [1.0, 1.0], '8' => [2.6, 3.0], '9' => [5.0, 3.0]];

    public function testABallIsDraggedAndStaysWhereItWasPut(): void
    {
        $this->one('#new-name')->sendKeys('Dragged');
        $this->click('form[action$="/racks"] button');
        $this->until(fn(): bool => '4.5, 1' === $this->value('#at-4') || $this->howMany('#at-4') > 0, 'the new rack opens');
        [$x, $y] = array_map(floatval(...), explode(',', $this->value('#at-3')));
        $this->drag($x, $y, 1.5, 0.75);
        $this->until(fn(): bool => str_starts_with($this->value('#at-3'), '1.5'), 'the 3 has moved');
        [$x, $y] = array_map(floatval(...), explode(',', $this->value('#at-3')));
        self::assertEqualsWithDelta([1.5, 0.75], [$x, $y], 0.02);
        $this->web->navigate()->refresh();
        self::assertEqualsWithDelta([1.5, 0.75], array_map(floatval(...), explode(',', $this->value('#at-3'))), 0.02);
        self::assertStringContainsString('3 at 1.5', (string) $this->one('#ball-3')->getAttribute('aria-label'));
        $this->click('#undo-button');
        $this->until(fn(): bool => !str_starts_with($this->value('#at-3'), '1.5'), 'undo puts it back');
        $this->click('#redo-button');
        $this->until(fn(): bool => str_starts_with($this->value('#at-3'), '1.5'), 'redo moves it again');
        $this->assertNoComplaints();
    }

    public function testABallDraggedOntoAnotherGoesBackWithAWord(): void
    {
        $this->import(self::rack(self::THREE));
        $this->drag(5.0, 3.0, 2.62, 3.02);
        $this->until(fn(): bool => str_contains($this->text('#problem'), 'The 9 cannot lie there: overlaps the 8 by'), 'the overlap is refused');
        self::assertSame('5, 3', $this->value('#at-9'));
        $this->assertNoComplaints();
    }

    /** Walked round, the table is seen from each side; balls are dragged and nudged as they are seen, and the side is remembered. */
    public function testTheTableIsSeenFromTheSideWhereOneStands(): void
    {
        $this->import(self::rack(self::THREE));
        foreach (['top' => [0.0, -0.125], 'right' => [-0.125, 0.0], 'bottom' => [0.0, 0.125], 'left' => [0.125, 0.0]] as $head => [$dx, $dy]) {
            $this->keys('w');
            $this->until(fn(): bool => str_contains((string) $this->one('#table')->getAttribute('aria-label'), "head rail $head"), "the head rail at the $head");
            [$x, $y] = array_map(floatval(...), explode(',', $this->value('#at-9')));
            $this->script("document.getElementById('ball-9').focus()");
            $this->keys(WebDriverKeys::ARROW_RIGHT);
            $to = [$x + $dx, $y + $dy];
            $this->until(fn(): bool => $to === array_map(floatval(...), explode(',', $this->value('#at-9'))), "right on the screen, head rail at the $head");
        }
        $this->click('#turn-table');
        $this->click('#turn-table');
        $this->web->navigate()->refresh();
        self::assertStringContainsString('head rail right', (string) $this->one('#table')->getAttribute('aria-label'));
        $this->drag(5.0, 3.0, 3.5, 1.0);
        $this->until(fn(): bool => str_starts_with($this->value('#at-9'), '3.5'), 'dragged as it is seen');
        $this->assertNoComplaints();
    }

    public function testAWholeTableIsTypedInOneLine(): void
    {
        $this->import(self::rack(self::THREE));
        $this->one('#typed-line')->sendKeys('cue 2,2 3 at 4.5 1 7 frozen roof 2');
        $this->click('#lay-out');
        $this->until(fn(): bool => str_contains($this->text('#problem'), 'At "roof" after "7 frozen", a rail (head, foot, left, right)'), 'the word is named');
        self::assertSame('cue 2,2 3 at 4.5 1 7 frozen roof 2', $this->value('#typed-line'), 'nothing typed is lost');
        $this->script("const l = document.getElementById('typed-line'); l.value = l.value.replace('roof', 'foot rail')");
        $this->click('.typed input[name=only]');
        $this->click('#lay-out');
        $this->until(fn(): bool => 1 === $this->howMany('#at-3') && 0 === $this->howMany('#at-9'), 'the table is laid out');
        self::assertSame(['4.5, 1', '7.913, 2'], [$this->value('#at-3'), $this->value('#at-7')]);
        $this->click('#undo-button');
        $this->until(fn(): bool => 1 === $this->howMany('#at-9'), 'undo brings the old table back');
        $this->assertNoComplaints();
    }

    public function testThreeLegsArePlannedAndKept(): void
    {
        $this->import(self::rack(self::THREE));
        foreach ([7, 8, 9] as $leg => $ball) {
            $this->click('#add-leg');
            $this->until(fn(): bool => str_contains($this->text('#inspector h2'), 'Leg ' . ($leg + 1) . ": the $ball"), "leg for the $ball");
            $this->until(fn(): bool => str_contains($this->text('#reading'), "the $ball drops") || str_contains($this->text('#reading'), "The $ball drops"), "the $ball drops");
        }
        self::assertSame(3, $this->howMany('#strip .card.holds'));
        self::assertStringContainsString('Run out', $this->text('#strip .terminus'));
        $reading = $this->text('#reading');
        $this->web->navigate()->refresh();
        self::assertSame($reading, $this->text('#reading'), 'the page opens on the same leg again');
        self::assertSame(3, $this->howMany('#strip .card.holds'));
        $this->assertNoComplaints();
    }

    public function testAPocketIsPickedOnTheDrawingAndTheLaterLegsAreMarked(): void
    {
        $this->import(self::rack(self::THREE));
        $this->click('#add-leg');
        $this->until(fn(): bool => 1 === $this->howMany('#card-1'), 'the first leg');
        $this->click('#add-leg');
        $this->until(fn(): bool => 1 === $this->howMany('#card-2'), 'the second leg');
        $this->click('#card-1');
        $this->until(fn(): bool => str_contains($this->text('#inspector h2'), 'Leg 1'), 'leg 1 is shown');
        $this->click('.pocket-pick[data-pocket="foot-right"] .ring');
        $this->until(fn(): bool => str_contains($this->text('#fault-1'), 'wrong side of the 7 for the foot right pocket'), 'the pocket is refused in words');
        self::assertSame(1, $this->howMany('#strip .card.breaks'));
        self::assertSame(1, $this->howMany('#strip .card.waits'), 'the later leg is marked, not dropped');
        $this->click('#undo-button');
        $this->until(fn(): bool => 2 === $this->howMany('#strip .card.holds'), 'undo mends the line');
        $this->assertNoComplaints();
    }

    public function testAScratchIsReported(): void
    {
        $this->import(self::rack(['cue' => [6.0, 2.0], '1' => [7.0, 1.0], '9' => [2.0, 3.0]], ['legs' => [
            ['ball' => '1', 'pocket' => 'foot-left', 'speed' => ['lengths' => 2.5], 'tip' => ['side' => 0, 'height' => 0.4]],
        ]]));
        $this->click('#card-1');
        $this->until(fn(): bool => str_contains($this->text('#fault-1'), 'Scratch: the cue ball drops in the foot left pocket.'), 'the scratch is said');
        self::assertStringContainsString('breaks', $this->text('#card-1'));
        self::assertStringContainsString('Scratch', $this->text('#card-1'));
        // Draw instead of follow mends it: drag the tip to the bottom of the face.
        $face = $this->one('#tip');
        (new \Facebook\WebDriver\Interactions\WebDriverActions($this->web))->moveToElement($face, 0, 25)->click()->perform();
        $this->until(fn(): bool => 0 === $this->howMany('#fault-1') && str_contains($this->text('#tip-clock'), '6 o’clock'), 'draw keeps the cue ball out');
        self::assertLessThan(-0.3, (float) $this->value('#tip-height'));
        $this->assertNoComplaints();
    }

    public function testABrokenFileIsRefusedWithItsMessage(): void
    {
        $this->import(str_replace('[5,3]', '[5,4.3]', json_encode(self::rack(self::THREE), \JSON_THROW_ON_ERROR)));
        self::assertStringContainsString('was not imported. Balls.9[1]: 4.3 is outside the table (0–4)', $this->text('#problem'));
        $this->import('{"format": "zig-lane/rack", oops}');
        self::assertStringContainsString('Not valid JSON at line 1, column 29', $this->text('#problem'));
    }

    public function testMovingTheSpeedShowsWhatItWouldDoBeforeItIsLetGo(): void
    {
        $this->import(self::rack(self::THREE));
        $this->click('#add-leg');
        $this->until(fn(): bool => 1 === $this->howMany('#lengths'), 'the leg');
        $before = $this->text('#reading');
        $rest = (string) $this->one('.leg.chosen .stop')->getAttribute('transform');
        // A drag in progress: "input" without "change".
        $this->script('const r = document.getElementById("lengths"); r.value = 3.2; r.dispatchEvent(new Event("input", { bubbles: true }));');
        $this->until(fn(): bool => str_starts_with($this->text('#speed-out'), '3.20 lengths'), 'the new speed is shown');
        $this->until(fn(): bool => $rest !== $this->one('.leg.chosen .stop')->getAttribute('transform'), 'and the new route');
        $this->web->navigate()->refresh();
        self::assertSame($before, $this->text('#reading'), 'what was only tried is not stored');
        $this->assertNoComplaints();
    }

    public function testPlaybackMovesTheBallsAndEnds(): void
    {
        $this->import(self::rack(self::THREE));
        $this->click('#add-leg');
        $this->until(fn(): bool => 1 === $this->howMany('#play'), 'something to play');
        $start = (string) $this->one('#ball-cue')->getAttribute('transform');
        $this->script('document.getElementById("pace").value = "4"');
        $this->click('#play');
        $this->until(fn(): bool => $start !== $this->one('#ball-cue')->getAttribute('transform'), 'the cue ball moves');
        $this->until(fn(): bool => str_contains((string) $this->one('#ball-7')->getAttribute('class'), 'gone'), 'the 7 drops');
        $this->until(fn(): bool => 'Play leg 1' === $this->text('#play'), 'it ends');
        // And by hand: to the start again.
        $this->script('const c = document.getElementById("clock"); c.value = 0; c.dispatchEvent(new Event("input", { bubbles: true }));');
        $this->until(fn(): bool => !str_contains((string) $this->one('#ball-7')->getAttribute('class'), 'gone'), 'the 7 is back');
        $this->assertNoComplaints();
    }

    /** A change is stored while the leg plays already: what is redrawn goes on playing. */
    public function testPlayingGoesOnWhenThePageIsRedrawn(): void
    {
        $this->import(self::rack(self::THREE));
        $this->keys('n');
        $this->until(fn(): bool => str_contains($this->text('#inspector h2'), 'Leg 1'), 'a leg');
        $kept = fn(): mixed => $this->script('return document.querySelector("#leg-form [name=version]").value');
        $version = $kept();
        $this->script('document.getElementById("pace").value = "0.25"');
        $this->keys('s', WebDriverKeys::ARROW_RIGHT, 'p');
        $this->until(fn(): bool => $version !== $kept() && 0 === $this->howMany('.htmx-request'), 'the speed is kept');
        $this->until(fn(): bool => 'Pause leg 1' === $this->text('#play'), 'and it plays on');
        $this->assertNoComplaints();
    }

    /** A kind of shot is chosen for a leg: by another ball, off a rail, and straight again. */
    public function testAKindOfShotIsChosenByHand(): void
    {
        $this->import(self::rack(['cue' => [4.0, 1.6], '1' => [6.1, 1.1], '9' => [7.2, 0.65]], ['legs' => [['ball' => '9', 'pocket' => 'foot-left', 'speed' => ['mps' => 2.0]]]]));
        $this->click('#card-1');
        $this->until(fn(): bool => $this->howMany('#kind') > 0, 'the leg');
        $choose = fn(string $id, string $value): mixed => $this->script("const s = document.getElementById('$id'); s.value = '$value'; s.dispatchEvent(new Event('change', {bubbles: true}))");
        $choose('kind', 'combination');
        $this->until(fn(): bool => str_contains($this->text('#card-1'), '1 into the 9'), 'by the 1');
        $this->until(fn(): bool => str_contains($this->text('#reading'), 'The 9 drops in the foot left pocket'), 'it drops');
        self::assertStringContainsString('Hit on the 1', $this->text('#readout'));
        $this->until(fn(): bool => str_contains($this->text('#card-1'), '%'), 'its chance');
        $this->assertAccessible('a combination');
        $choose('kind', 'kick');
        $this->until(fn(): bool => $this->howMany('#rail1') > 0, 'off a rail');
        $choose('rail1', 'right');
        $this->until(fn(): bool => str_contains($this->text('#card-1'), 'off right, the 9'), 'the rail that was chosen');
        $choose('kind', 'jump');
        $this->until(fn(): bool => str_contains($this->text('.caution'), 'ask the house'), 'the caution');
        $choose('kind', 'pot');
        $this->until(fn(): bool => 0 === $this->howMany('#rail1') && $this->howMany('#find-routes') > 0, 'straight again');
        $this->assertNoComplaints();
    }

    /** Going elsewhere while a change is on its way: the change is kept, and the place that was asked for is shown. */
    public function testGoingElsewhereWaitsForAChange(): void
    {
        $this->import(self::rack(self::THREE));
        $this->click('#add-leg');
        $this->until(fn(): bool => str_contains($this->text('#inspector h2'), 'Leg 1'), 'the leg is planned');
        for ($time = 0; $time < 3; ++$time) {
            $this->script('const form = document.querySelector("#leg-form"); form.elements.lengths.value = ' . (1.5 + $time / 4) . '; form.requestSubmit(); document.querySelector("#card-0").click()');
            $this->until(fn(): bool => str_contains($this->text('#inspector h2'), 'Layout') && 0 === $this->howMany('.htmx-request'), 'the layout is shown');
            self::assertSame(1, $this->howMany('#workspace'));
            $this->click('#card-1');
            $this->until(fn(): bool => str_starts_with($this->text('#speed-out'), \sprintf('%.2f lengths', 1.5 + $time / 4)), 'the change was kept');
        }
        $height = (float) $this->value('#tip-height');
        $this->keys('t', WebDriverKeys::ARROW_DOWN, '[');
        $this->until(fn(): bool => str_contains($this->text('#inspector h2'), 'Layout') && 0 === $this->howMany('.htmx-request'), 'the layout, though the tip still moved');
        $this->keys(']');
        $this->until(fn(): bool => abs((float) $this->value('#tip-height') - $height + 0.05) < 1e-6, 'the tip was kept');
    }

    /** Everything with the keyboard alone: set a ball, plan, choose, strike, look, undo. */
    public function testTheKeyboardAloneDoesAllOfIt(): void
    {
        $this->import(self::rack(self::THREE));
        $this->script('document.body.focus()');
        $this->tabTo('ball-8');
        $this->keys(WebDriverKeys::ARROW_RIGHT);
        $this->until(fn(): bool => '2.725, 3' === $this->value('#at-8'), 'an eighth of a diamond along');
        self::assertSame('ball-8', $this->focused(), 'the ball keeps the focus');
        $this->keys(WebDriverKeys::ARROW_UP);
        $this->until(fn(): bool => '2.725, 2.875' === $this->value('#at-8'), 'an eighth across');
        $stored = fn(): int => (int) $this->value('#rename [name=version]');
        $before = $stored();
        $this->tabTo('at-9');
        $this->keys(WebDriverKeys::CONTROL . 'a' . WebDriverKeys::NULL, '4½ 3', WebDriverKeys::ENTER);
        $this->until(fn(): bool => '4.5, 3' === $this->value('#at-9') && 0 === $this->howMany('.htmx-request'), 'typed diamonds');
        self::assertSame($before + 1, $stored(), 'Enter sends it once');
        $this->keys(WebDriverKeys::TAB, 'n');
        $this->until(fn(): bool => str_contains($this->text('#inspector h2'), 'Leg 1: the 7'), 'n plans the next leg');
        $this->keys('2');
        $this->until(fn(): bool => 'true' === $this->one('#pocket-head-right')->getAttribute('checked'), 'a number picks the pocket');
        $this->keys('1');
        $this->until(fn(): bool => str_contains($this->text('#card-1'), 'head left') && 1 === $this->howMany('#card-1'), 'and another one');
        $this->keys('t', WebDriverKeys::ARROW_DOWN, WebDriverKeys::ARROW_DOWN);
        $this->until(fn(): bool => '-0.1' === $this->value('#tip-height'), 'the tip moves');
        $this->until(fn(): bool => str_contains($this->text('#undo-button'), 'Undo') && str_contains((string) $this->one('#undo-button')->getAttribute('title'), 'change leg 1') && 0 === $this->howMany('.htmx-request'), 'and is kept');
        $kept = fn(): mixed => $this->script('return document.querySelector("#leg-form [name=version]").value');
        $version = $kept();
        $this->keys('s', WebDriverKeys::ARROW_RIGHT);
        $this->until(fn(): bool => str_starts_with($this->text('#speed-out'), '2.05 lengths'), 'the speed moves');
        $this->until(fn(): bool => $version !== $kept() && 0 === $this->howMany('.htmx-request'), 'and is kept');
        $this->keys('p');
        $this->until(fn(): bool => 'Pause leg 1' === $this->text('#play'), 'p plays');
        $this->keys('p');
        $this->until(fn(): bool => str_starts_with($this->text('#play'), 'Play'), 'p pauses');
        $this->keys('[');
        $this->until(fn(): bool => str_contains($this->text('#inspector h2'), 'Layout'), 'back to the layout');
        $this->keys(']');
        $this->until(fn(): bool => str_contains($this->text('#inspector h2'), 'Leg 1'), 'on to the leg');
        $this->keys('?');
        $this->until(fn(): bool => true === $this->script('return document.getElementById("help").open'), 'the list of keys');
        $this->keys(WebDriverKeys::ESCAPE);
        $this->tabTo('card-1');
        $this->keys(WebDriverKeys::DELETE);
        $this->until(fn(): bool => 0 === $this->howMany('#card-1'), 'the leg is removed');
        $this->keys('u');
        $this->until(fn(): bool => 1 === $this->howMany('#card-1'), 'and undone');
        $this->assertNoComplaints();
    }

    public function testOnAPhoneTheTableStandsUprightAndWhole(): void
    {
        $this->import(self::rack(self::THREE, ['legs' => [['ball' => '7', 'pocket' => 'head-left', 'speed' => ['lengths' => 1.5]]]]));
        $this->screen(390, 844);
        $this->web->navigate()->refresh();
        $this->until(fn(): bool => str_contains((string) $this->one('#table')->getAttribute('class'), 'upright'), 'it turns upright');
        $box = $this->script('const b = document.querySelector("#frame .rail").getBoundingClientRect(); return [b.left, b.top, b.right, b.bottom, document.documentElement.scrollWidth];');
        [$left, $top, $right, $bottom, $wide] = self::numbers($box);
        self::assertGreaterThanOrEqual(0, $left);
        self::assertLessThanOrEqual(390, $right);
        self::assertLessThanOrEqual(390, $wide, 'nothing makes the page wider than the phone');
        self::assertLessThanOrEqual(844, $bottom, 'the whole table is on the screen');
        self::assertGreaterThan(1.7, ($bottom - $top) / ($right - $left));
        // A ball goes where the finger goes: head rail at the bottom.
        $this->drag(5.0, 3.0, 6.0, 2.0);
        $this->until(fn(): bool => str_starts_with($this->value('#at-9'), '6'), 'dragging works upright');
        $small = $this->script('return [...document.querySelectorAll("#main button, #main a, #main input, #main select, #main summary, .top button")].filter(e => e.offsetParent && e.type !== "hidden" && e.type !== "checkbox" && e.type !== "radio" && Math.min(e.getBoundingClientRect().height) < 40).map(e => e.outerHTML.slice(0, 80));');
        self::assertSame([], $small, 'targets are at least 40 px high');
        $this->assertNoComplaints();
    }

    /** axe-core's rules for WCAG 2 A and AA on every page, contrast included. */
    public function testAFingerThatDragsABallHasALensAboveIt(): void
    {
        $this->import(self::rack(['cue' => [2.0, 1.0], '1' => [5.5, 1.25], '9' => [6.0, 3.1]], ['name' => 'Under the lens']));
        $this->screen(390, 844);
        $this->script('document.getElementById("table").scrollIntoView({ block: "center" })');
        $this->slide($this->onScreen(2.0, 1.0), $this->onScreen(3.0, 2.0), function (): void {
            [$gap, $scale] = self::numbers($this->script('const l = document.querySelector(".lens"), b = l.querySelector(`.ball[data-ball="cue"]`).getBoundingClientRect(), r = l.getBoundingClientRect(); return [Math.hypot(b.x + b.width / 2 - r.x - r.width / 2, b.y + b.height / 2 - r.y - r.height / 2), b.width / document.querySelector(`#frame .ball[data-ball="cue"]`).getBoundingClientRect().width]'));
            self::assertLessThan(3.0, $gap, 'the ball is in its middle');
            self::assertGreaterThan(2.0, $scale, 'larger than on the table');
        });
        $this->until(fn(): bool => str_contains((string) $this->one('#undo-button')->getAttribute('title'), 'cue ball'), 'it lies there');
        self::assertSame(0, $this->howMany('.lens'));
        self::assertEqualsWithDelta([3.0, 2.0], array_map(floatval(...), explode(', ', (string) $this->one('#at-cue')->getAttribute('value'))), 0.1);
    }

    public function testThePagesAreAccessible(): void
    {
        $this->import(self::rack(self::THREE, ['legs' => [['ball' => '7', 'pocket' => 'head-left', 'speed' => ['lengths' => 1.5]], ['ball' => '8', 'pocket' => 'foot-left', 'speed' => ['lengths' => 1.5]]]]));
        $rack = $this->web->getCurrentURL();
        foreach (['/' => self::url('/'), 'layout' => $rack, 'leg' => $rack . '?leg=1', 'broken leg' => $rack . '?leg=2', 'profiles' => self::url('/profiles'), 'a profile' => self::url('/profiles/new/table'), 'measure' => self::url('/measure')] as $name => $url) {
            $this->web->get($url);
            $this->assertAccessible($name);
        }
    }
}
