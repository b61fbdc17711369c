<?php

declare(strict_types=1);

namespace ZigLane\Tests\Browser;

/**
 * A player measures the table and shoots on it.
 */
final class MeasurePageTest extends BrowserTestCase
{
    public function testReadingsBecomeATableThatARackUses(): void
    {
        $name = 'Measured ' . bin2hex(random_bytes(3));
        $this->web->get(self::url('/measure'));
        $this->fill(['roll' => ['distance' => '300', 'time' => '2']]);
        $this->click('#work-out');
        $this->until(fn(): bool => $this->howMany('#problems') > 0, 'the impossible is explained');
        self::assertStringContainsString('would be slowed 15 times', $this->text('#problems'));
        self::assertSame(0, $this->howMany('#keep-table'), 'nothing can be kept');

        $this->fill(['roll' => ['distance' => '150', 'time' => '6']]);
        $this->click('#work-out');
        $this->until(fn(): bool => $this->howMany('#says-table') > 0, 'the fit');
        self::assertStringContainsString('0.0085 ±', $this->text('#number-roll'));
        self::assertStringContainsString('not measured', $this->text('#number-slide'));
        self::assertStringContainsString('Rolls 17 % longer than the house table', $this->text('#says-table'));
        $this->one('#m-name')->sendKeys($name);
        $this->click('#keep-table');
        $this->until(fn(): bool => str_contains($this->text('#main'), $name), 'the profile is on the list');

        $this->web->get(self::url('/'));
        $this->click('.rackcard a');
        $this->until(fn(): bool => $this->howMany('#tablebox') > 0, 'the rack');
        $this->click('#tablebox summary');
        $this->script('const s = document.getElementById("use-table"); s.value = [...s.options].find((o) => o.text === arguments[0]).value; s.dispatchEvent(new Event("change", { bubbles: true }));', $name);
        $this->until(fn(): bool => str_contains($this->text('#tablebox summary'), $name), 'the rack is played on it');
        $this->click('#undo-button');
        $this->until(fn(): bool => !str_contains($this->text('#tablebox summary'), $name), 'undone');
        $this->script('document.querySelector("#tablebox").open = false');
    }

    /**
     * @param array<string, array<string, string>> $first the first row of each test
     */
    private function fill(array $first): void
    {
        foreach ($first as $test => $row) {
            foreach ($row as $field => $value) {
                $input = $this->one("[name='m[$test][0][$field]']");
                $input->clear();
                $input->sendKeys($value);
            }
        }
    }
}
