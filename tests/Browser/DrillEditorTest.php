<?php

declare(strict_types=1);

namespace ZigLane\Tests\Browser;

/**
 * A drill made in the editor: areas dragged, checked by the simulated player, kept and tried.
 */
final class DrillEditorTest extends BrowserTestCase
{
    public function testADrillIsMadeOfARack(): void
    {
        $name = 'Round the corner ' . bin2hex(random_bytes(3));
        $this->import(self::rack(['cue' => [5.0, 1.6], '1' => [6.6, 0.9], '9' => [1.0, 3.0]], ['name' => $name, 'legs' => [['ball' => '1', 'pocket' => 'foot-left', 'speed' => ['lengths' => 1.6]]]]));
        $this->click('#more summary');
        $this->click('#to-drill');
        $this->until(fn(): bool => $this->howMany('#drill-form') > 0, 'the editor');
        self::assertSame($name, $this->value('[name="name"]'));
        $this->assertAccessible('the drill editor');
        // Two rings: the first is worth more. Both are dragged to where the cue ball goes, the second made wider.
        $this->click('#add-circle');
        $this->click('#add-circle');
        self::assertSame('2 1', $this->script('return [...document.querySelectorAll("#rules input[type=number]")].map(i => i.value).join(" ")'));
        foreach ([1, 0] as $n) {
            $this->dragOn("[data-n=\"$n\"].goal", 6.6, 2.2);
        }
        $this->dragOn('[data-n="1"].sizer', 7.7, 3.3);
        // By keys: the chosen one moves an eighth of a diamond.
        $this->script('document.getElementById("edit-table").dispatchEvent(new KeyboardEvent("keydown", { key: "ArrowLeft", bubbles: true }))');
        self::assertSame(2, $this->howMany('#areas .goal'));
        // A polygon, ended at its first corner, and taken away again.
        $this->click('#add-polygon');
        foreach ([[2.0, 1.0], [3.0, 1.0], [2.5, 2.0], [2.0, 1.0]] as [$x, $y]) {
            [$px, $py] = $this->onTable($x, $y);
            $this->touch($px, $py);
        }
        $this->until(fn(): bool => 3 === $this->howMany('#rules li'), 'the polygon');
        $this->click('#rules li:nth-child(3) button');
        $this->click('#check');
        $this->until(fn(): bool => str_contains($this->text('#checked'), 'professional:'), 'the pars', 60);
        self::assertStringContainsString('It can be done', $this->text('#checked'));
        // Bad input is told and nothing is lost.
        $this->script('document.querySelector("[name=tries]").value = 51');
        $this->script('document.getElementById("drill-form").noValidate = true');
        $this->click('#keep');
        $this->until(fn(): bool => str_contains($this->text('#problem'), 'Tries'), 'it is told');
        $this->script('document.querySelector("[name=tries]").value = 4');
        $this->click('#keep');
        $this->until(fn(): bool => $this->howMany('#train') > 0, 'it is kept');
        self::assertSame($name, $this->text('h1'));
        self::assertStringContainsString('4 shots, 8 points at most.', $this->text('.drillpage'));
        $this->click('#test');
        $this->until(fn(): bool => str_contains($this->text('#title'), '1 of 4'), 'it can be tried');
        $this->assertNoComplaints();
    }

    public function testARunAndDrawnPlacesAreMade(): void
    {
        $name = 'Two in a row ' . bin2hex(random_bytes(3));
        $legs = [['ball' => '1', 'pocket' => 'foot-left', 'speed' => ['lengths' => 1.4]], ['ball' => '9', 'pocket' => 'foot-right', 'speed' => ['lengths' => 1.2]]];
        $this->import(self::rack(['cue' => [5.0, 1.6], '1' => [6.6, 0.9], '9' => [6.2, 3.0]], ['name' => $name, 'legs' => $legs]));
        $this->click('#more summary');
        $this->click('#to-drill');
        $this->until(fn(): bool => $this->howMany('#drill-form') > 0, 'the editor');
        $this->choose('#course', 'run');
        self::assertSame('Runs of a test', $this->text('#tries-label'));
        self::assertSame('3', $this->value('[name="tries"]'));
        $this->assertAccessible('the drill editor, for a run');
        $this->click('#add-band');
        self::assertSame(2, $this->howMany('#rules li select'), 'the ball, and after which shot');
        $this->dragOn('[data-n="0"].goal', 6.0, 2.0);
        $this->click('#check');
        $this->until(fn(): bool => str_contains($this->text('#checked'), 'first-year:'), 'the first of the pars', 60);
        // Put back, with drawn places and a ball that is to stop away from another.
        $this->choose('#course', 'stations');
        $this->choose('#spread li:nth-child(1) select', '0.5');
        self::assertTrue($this->one('#cuts')->isDisplayed());
        $this->choose('#add-need', 'apart');
        self::assertSame(1, $this->howMany('#needs li'));
        $this->click('#needs li button');
        self::assertSame(0, $this->howMany('#needs li'));
        $this->choose('#course', 'run');
        $this->click('[name="whole"]');
        $this->click('#keep');
        $this->until(fn(): bool => $this->howMany('#train') > 0, 'it is kept');
        self::assertStringContainsString('3 runs; only a complete one counts.', $this->text('.drillpage'));
        $this->click('#test');
        $this->until(fn(): bool => str_contains($this->text('#title'), 'Run 1 of 3: 1 → foot left'), 'it can be tried');
        $this->assertNoComplaints();
    }

    /** Chooses of a list. */
    private function choose(string $css, string $value): void
    {
        $this->script('const list = document.querySelector(arguments[0]); list.value = arguments[1]; list.dispatchEvent(new Event("change", { bubbles: true }))', $css, $value);
    }

    /** Drags an element to a place on the table, diamonds. */
    private function dragOn(string $css, float $x, float $y): void
    {
        [$fromX, $fromY] = self::numbers($this->script('const b = document.querySelector(arguments[0]).getBoundingClientRect(); return [b.x + b.width / 2, b.y + b.height / 2]', $css));
        $this->slide([$fromX, $fromY], $this->onTable($x, $y), static function (): void {});
    }

    /** @return array{float, float} px of the screen */
    private function onTable(float $x, float $y): array
    {
        [$px, $py] = self::numbers($this->script('const s = document.getElementById("edit-table"); const p = new DOMPoint(arguments[0] * s.dataset.length / 8, arguments[1] * s.dataset.length / 8).matrixTransform(s.querySelector(".frame").getScreenCTM()); return [p.x, p.y]', $x, $y));

        return [$px, $py];
    }
}
