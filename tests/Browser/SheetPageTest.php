<?php

declare(strict_types=1);

namespace ZigLane\Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;

/**
 * Sheets as the browser prints them.
 */
final class SheetPageTest extends BrowserTestCase
{
    public function testADrillIsPrintedOneTwoOrFourToAPage(): void
    {
        // Three stations.
        foreach (['a4' => [210, 297], 'letter' => [216, 279]] as $paper => [$width, $height]) {
            foreach ([1 => 3, 2 => 2, 4 => 1] as $per => $pages) {
                $this->web->get(self::url("/drills/dead-stop/sheet?paper=$paper&per=$per"));
                $this->until(fn(): bool => 3 === $this->howMany('.code svg'), 'the codes are drawn');
                $pdf = $this->pdf();
                self::assertSame($pages, preg_match_all('~/Type\s*/Page\b~', $pdf), "$paper, $per to a page");
                self::assertSame(1, preg_match('~/MediaBox\s*\[\s*0 0 ([\d.]+) ([\d.]+)\s*\]~', $pdf, $box));
                // Points are 1/72 in.
                self::assertEqualsWithDelta([$width, $height], [(float) $box[1] * 25.4 / 72, (float) $box[2] * 25.4 / 72], 1.0);
            }
        }
        $this->assertAccessible('a sheet');
        $this->assertNoComplaints();
    }

    public function testARackAndItsLegsArePrinted(): void
    {
        $this->import(self::rack(['cue' => [2.0, 2.0], '1' => [5.5, 1.25], '9' => [6.0, 3.1]], ['name' => 'For the wall', 'legs' => [['ball' => '1', 'pocket' => 'foot-left', 'speed' => ['lengths' => 1.6]]]]));
        $this->click('#more summary');
        $this->click('#to-sheet');
        $this->until(fn(): bool => 2 === $this->howMany('.figure'), 'the layout and its leg');
        self::assertSame('For the wall', $this->text('.figure:nth-child(1) h2'));
        self::assertStringContainsString('2, 2', $this->text('.figure:nth-child(1) .spots'));
        self::assertStringContainsString('64 cm from head, 64 cm from right', str_replace('left', 'right', $this->text('.figure:nth-child(1) .spots')));
        self::assertSame(0, $this->howMany('.figure:nth-child(1) .cueway'));
        self::assertSame(1, $this->howMany('.figure:nth-child(2) .cueway'));
        self::assertStringContainsString('walk, 1.6 lengths', $this->text('.figure:nth-child(2) .stroke'));
        // Another way beside it, once a worker has found one.
        self::assertSame(0, $this->howMany('.stroke.second'));
        $this->click('#second');
        $this->until(fn(): bool => 1 === $this->howMany('.figure:nth-child(2) .stroke.second') && 0 === $this->howMany('#waits'), 'another way', 60);
        self::assertSame(1, $this->howMany('.figure:nth-child(2) .cueway.other'));
        self::assertMatchesRegularExpression('/Or, dashed: .*cushion/', $this->text('.figure:nth-child(2) .stroke.second'));
        $this->assertAccessible('a sheet with two ways');
    }

    public function testRingsAreCutOutToTrueSize(): void
    {
        $this->web->get(self::url('/sheets/target'));
        // 100 mm on the sheet are 100 mm: 96 px of the screen are an inch.
        $far = $this->script('const p = document.querySelectorAll(".truesize")[1].querySelector("path").getBoundingClientRect(); return p.width');
        self::assertIsNumeric($far);
        self::assertEqualsWithDelta(100.0, (float) $far * 25.4 / 96, 0.5);
        self::assertSame(1, preg_match_all('~/Type\s*/Page\b~', $this->pdf()));
        $this->assertAccessible('rings');
    }

    private function pdf(): string
    {
        $answer = (new ChromeDevToolsDriver($this->web))->execute('Page.printToPDF', ['preferCSSPageSize' => true]);
        $data = $answer['data'] ?? null;
        self::assertIsString($data);
        $folder = getenv('ZIG_LANE_SHOTS');
        if (\is_string($folder) && '' !== $folder) {
            file_put_contents("$folder/sheet.pdf", (string) base64_decode($data, true));
        }

        return (string) base64_decode($data, true);
    }
}
