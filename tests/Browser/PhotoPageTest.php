<?php

declare(strict_types=1);

namespace ZigLane\Tests\Browser;

use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Rack\Files\JsonText;
use ZigLane\Core\Rack\Files\RackFile;
use ZigLane\Tests\Core\Photo\Photograph;

/**
 * A table laid out from a drawn picture, by touch on a phone.
 */
final class PhotoPageTest extends BrowserTestCase
{
    use PointsAtPictures;

    protected function setUp(): void
    {
        parent::setUp();
        $this->onAPhone();
    }

    protected function tearDown(): void
    {
        parent::tearDown();
        $this->onAPhone(false);
    }

    public function testATableIsLaidOutFromAPicture(): void
    {
        // The picture shows a table that lies otherwise.
        $lying = ['cue' => [2.0, 2.0], '1' => [4.5, 1.25], '2' => [6.5, 2.5], '9' => [5.6, 3.1]];
        $rack = RackFile::read(JsonText::decode(json_encode(self::rack($lying), \JSON_THROW_ON_ERROR)));
        $geometry = $rack->simulator()->geometry;
        $photo = Photograph::of($rack->layout, $geometry);
        $file = sys_get_temp_dir() . '/zig-lane-table-' . bin2hex(random_bytes(4)) . '.jpg';
        file_put_contents($file, $photo->jpeg);
        $this->import(self::rack(['cue' => [1.0, 1.0], '5' => [4.0, 2.0]], ['name' => 'From a photo']));
        $address = $this->web->getCurrentURL();
        $this->bring('#from-photo');
        $this->tapOn('#from-photo');
        $this->until(fn(): bool => $this->howMany('#picture') > 0, 'the page');
        $this->assertAccessible('choosing a picture');
        $this->one('#picture')->sendKeys($file);
        $this->until(fn(): bool => $this->howMany('#shot') > 0, 'the picture is there');
        unlink($file);
        $this->until(fn(): bool => str_contains($this->text('#ask'), 'head left corner'), 'the first tip is asked for');
        $this->assertAccessible('pointing at tips');
        // Eight tips; the third is pointed at wrongly first.
        $tips = $photo->tips(8);
        $n = 0;
        foreach ($tips as [$u, $v]) {
            $this->pointAt(2 === $n ? $u - 90 : $u, $v);
            ++$n;
            $this->until(fn(): bool => $n === $this->howMany('#over .tipcross'), "tip $n");
        }
        $wrong = array_keys($tips)[2];
        $this->until(fn(): bool => str_contains($this->text('#doubt'), 'does not fit the others: foot right corner, cushion on the long rail'), 'it is named');
        self::assertSame($wrong, $this->one('#over .tipcross.wrong')->getAttribute('data-tip'));
        self::assertFalse($this->one('#to-balls')->isDisplayed());
        // Taken hold of and dragged to where it belongs.
        $this->dragFinger($tips[$wrong][0] - 90, $tips[$wrong][1], $tips[$wrong][0], $tips[$wrong][1]);
        $this->until(fn(): bool => $this->one('#to-balls')->isDisplayed(), 'it fits');
        self::assertSame(6, $this->howMany('#over .nose'));
        $this->bring('#to-balls');
        $this->tapOn('#to-balls');
        $n = 0;
        foreach ($rack->layout->balls as $place) {
            [$u, $v] = $photo->ball($place);
            $this->pointAt($u + 3, $v - 3);
            ++$n;
            $this->until(fn(): bool => $n === $this->howMany('#found li'), "ball $n");
        }
        // A reload loses nothing.
        $this->web->navigate()->refresh();
        $this->until(fn(): bool => 4 === $this->howMany('#found li'), 'they are still there');
        // Numbers are guessed; they are set to what they are.
        foreach (array_keys($rack->layout->balls) as $row => $ball) {
            $this->script('const s = document.getElementById("ball-" + arguments[0]); s.value = arguments[1]; s.dispatchEvent(new Event("change"))', $row, 0 === $ball ? 'cue' : (string) $ball);
        }
        $this->assertAccessible('the balls of a picture');
        self::assertSame('Put these 4 balls on the table', $this->text('#take-balls'));
        $this->bring('#take-balls');
        $this->tapOn('#take-balls');
        $this->until(fn(): bool => $this->howMany('#workspace') > 0, 'back at the rack');
        self::assertSame($address, strtok($this->web->getCurrentURL(), '?'));
        foreach ($rack->layout->balls as $ball => $place) {
            $seen = self::numbers($this->script('const b = document.querySelector(`#table .ball[data-ball="${arguments[0]}"]`); return [+b.dataset.x, +b.dataset.y]', 0 === $ball ? 'cue' : (string) $ball));
            self::assertLessThan(0.02, (new Point($seen[0] / 1000, $seen[1] / 1000))->distanceTo($place), "ball $ball");
        }
        $this->assertNoComplaints();
    }

    private function dragFinger(float $fromU, float $fromV, float $toU, float $toV): void
    {
        $this->slide($this->onPicture($fromU, $fromV), $this->onPicture($toU, $toV), fn() => self::assertTrue($this->one('#loupe')->isDisplayed(), 'the magnifier'));
        self::assertFalse($this->one('#loupe')->isDisplayed());
    }

    private function bring(string $css): void
    {
        $this->script('document.querySelector(arguments[0]).scrollIntoView({ block: "center" })', $css);
    }
}
