<?php

declare(strict_types=1);

namespace ZigLane\Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use ZigLane\Core\Rack\Files\JsonText;
use ZigLane\Core\Rack\Files\RackFile;
use ZigLane\Tests\Core\Photo\Photograph;

/**
 * Takes the pictures in docs/screenshots from the demo racks: "bin/zig-lane screenshots". Not a test, so it is not named
 * like one; it only borrows the tests' browser.
 */
final class Screenshots extends BrowserTestCase
{
    use PointsAtPictures;

    public function testTakeThem(): void
    {
        $folder = getenv('ZIG_LANE_SHOTS') ?: \dirname(__DIR__, 2) . '/docs/screenshots';
        @mkdir($folder, recursive: true);
        $this->web->get(self::url('/'));
        $rack = self::url((string) parse_url((string) $this->one('.rackcard a')->getAttribute('href'), \PHP_URL_PATH));
        $views = [
            'racks' => [self::url('/'), 1280, 800],
            'layout' => [$rack, 1280, 800],
            'leg' => [$rack . '?leg=2', 1280, 800],
        ];
        foreach ($views as $name => [$url, $width, $height]) {
            $this->screen($width, $height);
            $this->web->get($url);
            $this->until(fn(): bool => 'complete' === $this->script('return document.readyState') && true === $this->script('return document.fonts.status === "loaded"'), $name);
            if ('racks' !== $name) {
                $this->until(fn(): bool => str_contains($this->text('[data-chance-of="1"]'), '%') && (!str_contains($url, 'leg=') || '' !== $this->text('#position-words')), "$name: the chances");
            }
            $this->web->takeScreenshot("$folder/$name.png");
        }
        $cluster = self::url((string) parse_url($this->demo('Seven-foot cluster'), \PHP_URL_PATH));
        foreach (['reading' => ["$cluster?read=3", 1280, 800]] as $name => [$url, $width, $height]) {
            $this->screen($width, $height);
            $this->web->get($url);
            $this->until(fn(): bool => $this->howMany('#zone .hatched') > 0 && str_contains($this->text('#from'), '%'), $name);
            $this->web->takeScreenshot("$folder/$name.png");
        }
        $this->runOut($rack, $folder);
        $this->atTheTable($rack, $folder);
        $this->logbook($folder);
        $this->goOrSafe($folder);
        $this->breakShot($folder);
        $this->routes($cluster, $folder);
        $this->photo($folder);
        $this->screen(1280, 800);
        $this->web->get(self::url('/drills/eight-bays'));
        $this->web->takeScreenshot("$folder/drill.png");
        $this->choice($folder);
        $this->coach($folder);
        $this->measure();
        $this->web->takeScreenshot("$folder/measure.png");
        $this->screen(1280, 800);
        $this->web->get(self::url('/breaks?game=nine-ball&level=league'));
        for ($n = 0; $n < 300 && !str_contains($this->text('#breaks-found'), 'Small figures'); ++$n) {
            usleep(300000);
        }
        $this->web->takeScreenshot("$folder/breaks.png");
    }

    /** Plans the first ball of a rack and looks for its routes. */
    private function routes(string $rack, string $folder): void
    {
        $this->screen(1280, 800);
        $this->web->get($rack);
        $this->click('#add-leg');
        $this->until(fn(): bool => $this->howMany('#find-routes') > 0, 'a leg');
        $this->click('#find-routes');
        $this->until(fn(): bool => $this->howMany('#route-list.settled') > 0 && !$this->one('#stop-routes')->isDisplayed(), 'routes');
        $this->click('[data-compare=A]');
        $this->click('[data-compare=B]');
        $this->script('document.activeElement.blur(); scrollTo(0, 0)');
        $this->web->takeScreenshot("$folder/routes.png");
        $this->web->get($rack);
        $this->click('#undo-button');
        $this->until(fn(): bool => 0 === $this->howMany('#card-1'), 'undone');
    }

    /** Chooses at a rack, and looks at what the choice costs. */
    private function choice(string $folder): void
    {
        $this->web->get(self::url('/choices'));
        $this->script('document.querySelector("#wish-who").value = "level:league"');
        $this->click('#next-rack');
        $this->until(fn(): bool => 6 === $this->howMany('#picks button'), 'a rack', 90);
        $this->click('#picks button:nth-child(6)');
        [$x, $y] = self::numbers($this->script('const s = document.getElementById("choice-table"); const p = new DOMPoint(5.2 * s.dataset.length / 8, 2.6 * s.dataset.width / 4).matrixTransform(s.querySelector(".frame").getScreenCTM()); return [p.x, p.y]'));
        $this->touch($x, $y);
        $this->script('const s = document.getElementById("choice-speed"); s.value = 60; s.dispatchEvent(new Event("input"))');
        $this->click('#answer');
        $this->until(fn(): bool => 1 === $this->howMany('#headline'), 'what it costs', 90);
        $this->web->takeScreenshot("$folder/choice.png");
    }

    /** Sets a drill and a rack, and looks at the demo player. */
    private function coach(string $folder): void
    {
        foreach (['drill:rows-back' => 'Straight back, then a little side', 'drill:eight-bays' => 'One a day'] as $what => $note) {
            $this->web->get(self::url('/coach'));
            $this->script('document.querySelector("[name=\"players[]\"]").checked = true; document.querySelector("#assign-what").value = arguments[0]', $what);
            $this->one('#assign-note')->sendKeys($note);
            $this->click('#assign-go');
            $this->until(fn(): bool => $this->howMany('#set tbody tr') > 0, 'it is set');
        }
        $this->web->get(self::url('/coach?player=Robin%20Vale'));
        $this->web->takeScreenshot("$folder/coach.png");
    }

    /** Plans a rack, once more with a pocket pinned, and looks at both. */
    private function runOut(string $rack, string $folder): void
    {
        $this->screen(1280, 800);
        foreach (['', 'foot-right'] as $pinned) {
            $this->web->get("$rack?plan=0");
            if ('' !== $pinned) {
                $this->script("document.getElementById('pin-pocket-6').value = '$pinned'");
            }
            $this->click('#plan-run');
            $this->until(fn(): bool => $this->howMany('#stop-plan') > 0, 'planning');
            for ($n = 0; $n < 400 && 0 === $this->howMany('#take-plan'); ++$n) {
                usleep(250000);
            }
            $this->until(fn(): bool => $this->howMany('#says li') > 0, 'settled');
            if ('' === $pinned) {
                $this->web->takeScreenshot("$folder/run-out.png");
                $this->screen(390, 844);
                $this->web->get("$rack?plan=0");
                $this->until(fn(): bool => $this->howMany('#says li') > 0, 'on a phone');
                $this->web->takeScreenshot("$folder/phone-run-out.png");
                $this->screen(1280, 800);
            }
        }
        $this->click('#compare-plans');
        $this->until(fn(): bool => $this->howMany('#plan-table') > 0, 'side by side');
        $this->web->takeScreenshot("$folder/plans.png");
    }

    /** The first shot at the table, on a phone. */
    private function atTheTable(string $rack, string $folder): void
    {
        $this->screen(390, 844);
        $this->script('localStorage.clear()');
        $this->web->get("$rack/table");
        for ($n = 0; $n < 400 && 'shoot' !== $this->one('#at-table')->getAttribute('data-phase'); ++$n) {
            usleep(250000);
        }
        $this->until(fn(): bool => '' === $this->text('#told'), 'settled', 60);
        $this->web->takeScreenshot("$folder/phone-at-table.png");
        $this->screen(1280, 800);
    }

    /** The demo logbook: percentages, and a rack against its plan. */
    private function logbook(string $folder): void
    {
        foreach (['percentages' => '/logbook/percentages', 'plan-against-run' => '/logbook/runs/made-up-run-007-3'] as $name => $path) {
            $this->web->get(self::url($path));
            $this->until(fn(): bool => $this->howMany('.logtable') > 0, $name);
            $this->web->takeScreenshot("$folder/$name.png");
        }
    }

    /** A rack on which nothing goes, weighed against playing safe. */
    private function goOrSafe(string $folder): void
    {
        $this->screen(1280, 800);
        $rack = self::url((string) parse_url($this->demo('Nothing goes'), \PHP_URL_PATH));
        $this->web->get("$rack?plan=0");
        $this->click('#plan-run');
        for ($n = 0; $n < 200 && 0 === $this->howMany('#take-safe'); ++$n) {
            usleep(250000);
        }
        $this->until(fn(): bool => $this->howMany('#take-safe') > 0, 'weighed');
        $this->web->takeScreenshot("$folder/go-or-safe.png");
    }

    /** A rack of straight pool that stands, planned; its break shot. */
    private function breakShot(string $folder): void
    {
        $this->screen(1280, 800);
        $this->planTheBreak(9, 'Fourteen and the nine');
        $this->click('#to-break');
        $this->until(fn(): bool => $this->howMany('#next-rack') > 0, 'its page');
        $this->web->takeScreenshot("$folder/break-shot.png");
    }

    /** A drawn picture of a table, its tips and balls pointed at. */
    private function photo(string $folder): void
    {
        $balls = ['cue' => [2.4, 2.1], '1' => [4.5, 1.25], '2' => [6.5, 2.5], '3' => [3.0, 0.12], '7' => [5.2, 3.3], '8' => [1.2, 1.0]];
        $rack = RackFile::read(JsonText::decode(json_encode(self::rack($balls), \JSON_THROW_ON_ERROR)));
        $photo = Photograph::of($rack->layout, $rack->simulator()->geometry);
        $file = sys_get_temp_dir() . '/zig-lane-table.jpg';
        file_put_contents($file, $photo->jpeg);
        $this->screen(1280, 800);
        $this->import(self::rack(['cue' => [1.0, 1.0], '5' => [4.0, 2.0]], ['name' => 'The table by the door']));
        $this->web->get($this->web->getCurrentURL() . '/photo');
        $this->one('#picture')->sendKeys($file);
        $this->until(fn(): bool => $this->howMany('#shot') > 0, 'the picture is there');
        unlink($file);
        foreach ($photo->tips(8) as [$u, $v]) {
            $this->pointAt($u, $v);
            usleep(400_000);
        }
        $this->click('#to-balls');
        foreach (array_values($rack->layout->balls) as $n => $place) {
            [$u, $v] = $photo->ball($place);
            $this->pointAt($u + 2, $v - 2);
            $this->until(fn(): bool => $n + 1 === $this->howMany('#found li'), "ball $n");
        }
        $this->script('scrollTo(0, 0)');
        $this->web->takeScreenshot("$folder/photo.png");
    }

    private function demo(string $name): string
    {
        $this->web->get(self::url('/'));

        return (string) $this->web->findElement(WebDriverBy::xpath("//a[contains(., '$name')]"))->getAttribute('href');
    }

    /** Fills in the readings of a fast table, and has them worked out. */
    private function measure(): void
    {
        $this->screen(1280, 800);
        $this->web->get(self::url('/measure'));
        $readings = [
            'roll' => [['distance' => 150, 'time' => 6.0], ['distance' => 122, 'time' => 5.45], ['distance' => 180, 'time' => 6.5]],
            'stun' => [['slide' => 7.2, 'total' => 182], ['slide' => 6.1, 'total' => 150]],
            'rebound' => [['off' => 60, 'in' => 36, 'out' => 38.5], ['off' => 60, 'in' => 60, 'out' => 67], ['off' => 60, 'in' => 100, 'out' => 134]],
            'lengths' => [['clicks' => 1.25, 'lengths' => 3.25]],
        ];
        foreach ($readings as $test => $tries) {
            foreach ($tries as $try => $row) {
                foreach ($row as $field => $value) {
                    $this->one("[name='m[$test][$try][$field]']")->sendKeys((string) $value);
                }
            }
        }
        $this->click('#work-out');
        $this->until(fn(): bool => $this->howMany('#says-table') > 0, 'worked out');
        $this->script('scrollTo(0, 0)');
    }
}
