<?php

declare(strict_types=1);

namespace ZigLane\Tests\Browser;

/**
 * The page at the table on a phone, by touch: from the first shot to the last, with a plan made anew, an undo, and without a connection.
 */
final class AtTablePageTest extends BrowserTestCase
{
    use OnAPhone;

    /** Over the local network: TLS, signed in by the passphrase. */
    public function testARackIsShotFromTheFirstShotToTheLastWithOneReplan(): void
    {
        $this->signIn();
        $this->toTheTable(['cue' => [2.0, 1.0], '1' => [1.0, 2.2], '2' => [6.2, 1.4], '9' => [4.4, 3.2]]);
        $this->assertAccessible('a shot at the table');
        self::assertStringContainsString('1 →', $this->text('#title'));
        self::assertSame('Shot 1', $this->text('#number'));
        self::assertMatchesRegularExpression('/^\d\.\d$/', $this->text('#speed'));
        // Every target is large enough for a thumb.
        $small = $this->script('return [...document.querySelectorAll("button, a, select")].filter(b => b.offsetParent && b.getBoundingClientRect().height < 40).map(b => b.textContent.trim())');
        self::assertSame([], $small);
        // Every line of a drawing is thin beside the drawing, whatever it is measured in.
        $thick = $this->script('return [...document.querySelectorAll("#tip *, #cover *, #behind *")].filter(e => { const s = getComputedStyle(e); return s.stroke !== "none" && parseFloat(s.strokeWidth) * 20 > e.ownerSVGElement.viewBox.baseVal.width && !e.closest("g[transform]"); }).map(e => e.className.baseVal)');
        self::assertSame([], $thick);
        // How long two taps take to show, the longest of several, ms: far below what is felt.
        $took = $this->script('let most = 0; for (let n = 0; n < 5; n += 1) { const t = performance.now(); document.getElementById("made").click(); document.getElementById("undo").click(); most = Math.max(most, performance.now() - t); } return most');
        self::assertIsNumeric($took);
        self::assertLessThan(1000, $took);
        // Made, and in the zone: on to the next.
        $this->tapOn('#made');
        self::assertSame('Where did the cue ball stop?', $this->text('#title'));
        $rest = $this->places('return [+rest.getAttribute("cx"), +rest.getAttribute("cy")]');
        $this->tapAt($rest[0] + 15, $rest[1] + 15);
        $this->until(fn(): bool => str_contains($this->text('#title'), '2 →'), 'the next shot');
        self::assertSame('Shot 2', $this->text('#number'));
        $this->until(fn(): bool => 'all sent' === $this->text('#connection'), 'it is sent');
        // Made, but far from the zone: a new plan, with what it was and is, and why.
        $this->tapOn('#made');
        [$x, $y] = $this->outOfTheZone();
        $this->tapAt($x, $y);
        $this->until(fn(): bool => str_contains($this->text('#told'), 'out of the zone'), 'why it is planned anew', 30);
        self::assertMatchesRegularExpression('/Was (\d+|< 1) %, now (\d+|< 1) % to run out/', $this->text('#told'));
        self::assertStringContainsString('9 →', $this->text('#title'));
        // The last ball, missed; taken back; made.
        $this->tapOn('#miss button[value=thin]');
        $this->tapAt(600, 600);
        self::assertSame('Where did the 9 stop?', $this->text('#title'));
        $this->tapAt(1500, 400);
        $this->until(fn(): bool => 'Your turn is over.' === $this->text('#title'), 'the turn is over');
        self::assertSame([3, 2], $this->logged());
        $this->tapOn('#undo');
        $this->tapOn('#made');
        $this->tapAt(900, 700);
        $this->until(fn(): bool => 'Run out: 3 of 3 made.' === $this->text('#title'), 'run out');
        self::assertSame([3, 3], $this->logged());
        $this->assertNoComplaints();
        // Plan against run.
        $this->tapOn('#log');
        $this->until(fn(): bool => 3 === $this->howMany('#run-shots tbody tr'), 'plan against run');
        self::assertStringContainsString('Run out; the chance was', $this->text('.says'));
        self::assertStringContainsString('out of position', $this->text('#run-shots'));
        $this->assertAccessible('plan against run');
    }

    public function testWhatIsNotedWithoutAConnectionOutlivesAReloadAndIsStoredOnce(): void
    {
        $this->toTheTable(['cue' => [2.0, 1.0], '1' => [1.0, 2.2], '2' => [6.2, 1.4], '9' => [4.4, 3.2]]);
        // What to do from all over the zones is on the device.
        $this->until(fn(): bool => true === $this->script('const r = JSON.parse(Object.entries(localStorage).find(([k]) => k.startsWith("zl-run"))[1]); return Object.keys(r.sheets[0].prepared).length === 2'), 'the zones are worked out', 60);
        $this->until(fn(): bool => true === $this->script('return navigator.serviceWorker.controller !== null'), 'the page is kept on the device');
        $this->connected(false);
        foreach (['2 →', '9 →'] as $next) {
            $this->tapOn('#made');
            $rest = $this->places('return [+rest.getAttribute("cx"), +rest.getAttribute("cy")]');
            $this->tapAt($rest[0] + 20, $rest[1] - 10);
            $this->until(fn(): bool => str_contains($this->text('#title'), $next), 'on without a connection');
        }
        self::assertSame('2 to send', $this->text('#connection'));
        $this->web->navigate()->refresh();
        $this->until(fn(): bool => str_contains($this->text('#title'), '9 →'), 'the same shot after a reload');
        self::assertSame('2 to send', $this->text('#connection'));
        $this->connected(true);
        $this->script('dispatchEvent(new Event("online")); dispatchEvent(new Event("online"))');
        $this->until(fn(): bool => 'all sent' === $this->text('#connection'), 'sent when the line is back');
        $this->web->navigate()->refresh();
        $this->until(fn(): bool => str_contains($this->text('#title'), '9 →'), 'still there');
        $this->script('dispatchEvent(new Event("online"))');
        self::assertSame([2, 2], $this->logged());
    }

    public function testABallThatLiesElsewhereIsMovedBeforeTheFirstShot(): void
    {
        $this->toTheTable(['cue' => [2.0, 1.0], '1' => [1.0, 2.2], '9' => [4.4, 3.2]]);
        $this->tapOn('#arrange');
        self::assertSame('Drag what lies elsewhere.', $this->text('#title'));
        $this->slide($this->onGlass(...$this->lies('1')), $this->onGlass(1900, 400), static fn() => null);
        $this->until(fn(): bool => abs($this->lies('1')[0] - 1900) < 15, 'it lies there');
        // By click: the browser takes a tap so soon after a slide for the end of its scrolling.
        $this->click('#arranged');
        $moved = fn(): bool => 'shoot' === $this->one('#at-table')->getAttribute('data-phase') && '' === $this->text('#told');
        $this->until($moved, 'the plan from there', 60);
        self::assertEqualsWithDelta([1900, 400], $this->lies('1'), 15);
        self::assertStringContainsString('1 →', $this->text('#title'));
        $this->web->navigate()->refresh();
        $this->until($moved, 'the same plan after a reload', 60);
        self::assertEqualsWithDelta([1900, 400], $this->lies('1'), 15);
    }

    /** Signs in where it is served to the local network, and goes on there. */
    private function signIn(): void
    {
        $lan = getenv('ZIG_LANE_LAN_URL');
        $words = getenv('ZIG_LANE_PASSPHRASE');
        if (!\is_string($lan) || !\is_string($words)) {
            self::fail('Run these through "bin/zig-lane test browser", which serves it to the local network, too.');
        }
        self::$at = rtrim($lan, '/');
        $this->web->get(self::url('/logbook'));
        $this->script('localStorage.clear()');
        self::assertStringEndsWith('/sign-in', $this->web->getCurrentURL());
        $this->assertAccessible('sign-in');
        $this->one('#passphrase')->sendKeys('a wrong passphrase');
        $this->click('#sign-in');
        $this->until(fn(): bool => str_contains($this->text('#problem'), 'That is not the passphrase'), 'a wrong passphrase');
        $this->one('#passphrase')->sendKeys($words);
        $this->click('#sign-in');
        $this->until(fn(): bool => str_ends_with($this->web->getCurrentURL(), '/logbook'), 'signed in');
    }

    /**
     * @param array<string|int, array{float, float}> $balls
     */
    private function toTheTable(array $balls): void
    {
        $this->import(self::rack($balls, ['name' => 'At the table ' . bin2hex(random_bytes(3))]));
        $this->web->get($this->web->getCurrentURL() . '/table');
        $this->until(fn(): bool => 'shoot' === $this->one('#at-table')->getAttribute('data-phase'), 'a shot', 30);
        $this->until(fn(): bool => '' === $this->text('#told'), 'the plan is settled', 60);
    }

    private function tapAt(float $x, float $y): void
    {
        $this->touch(...$this->onGlass($x, $y));
    }

    /**
     * A place on the table, mm, as a place on the screen, px.
     *
     * @return array{float, float}
     */
    private function onGlass(float $x, float $y): array
    {
        return $this->places('const p = new DOMPoint(arguments[0], arguments[1]).matrixTransform(table.querySelector(".frame").getScreenCTM()); return [p.x, p.y]', $x, $y);
    }

    /**
     * Where a ball lies, mm.
     *
     * @return array{float, float}
     */
    private function lies(string $ball): array
    {
        return $this->places('const ball = table.querySelector(`.ball[data-ball="${arguments[0]}"]`); return [+ball.dataset.x, +ball.dataset.y]', $ball);
    }

    /**
     * @return array{float, float}
     */
    private function places(string $script, mixed ...$arguments): array
    {
        [$x, $y] = self::numbers($this->script('const table = document.getElementById("runtable"), rest = table.querySelector(".rest"); ' . $script, ...$arguments));

        return [$x, $y];
    }

    /**
     * A place on the bed that is in no zone and far from every ball, mm.
     *
     * @return array{float, float}
     */
    private function outOfTheZone(): array
    {
        return $this->places('const zone = table.querySelector(".runzone"), balls = [...table.querySelectorAll(".ball")]; for (let x = 150; x < 2400; x += 50) for (let y = 150; y < 1150; y += 50) { const p = table.createSVGPoint(); p.x = x; p.y = y; if (!zone.isPointInFill(p) && balls.every(b => Math.hypot(b.dataset.x - x, b.dataset.y - y) > 150)) return [x, y]; } return [0, 0]');
    }

    /**
     * Shots of this run that the server has, and how many were made.
     *
     * @return array{int, int}
     */
    private function logged(): array
    {
        $this->until(fn(): bool => 'all sent' === $this->text('#connection'), 'all is sent');
        $lines = $this->web->executeAsyncScript('const done = arguments[0]; const run = JSON.parse(Object.entries(localStorage).find(([k]) => k.startsWith("zl-run"))[1]).run.run; fetch("/logbook/shots.jsonl").then(a => a.text()).then(t => done(t.trim().split("\n").filter(l => l.includes(run)).map(l => JSON.parse(l).result.made)));');
        self::assertIsArray($lines);

        return [\count($lines), \count(array_filter($lines))];
    }
}
