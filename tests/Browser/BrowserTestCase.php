<?php

declare(strict_types=1);

namespace ZigLane\Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Exception\PhpWebDriverExceptionInterface;
use Facebook\WebDriver\Exception\StaleElementReferenceException;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverElement;
use Facebook\WebDriver\WebDriverKeys;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;
use ZigLane\Core\Planning\BreakShotSearch;
use ZigLane\Core\Rack\Files\JsonText;
use ZigLane\Core\Rack\Files\RackFile;

/**
 * A person at the page: Chromium, driven against the running test instance.
 */
abstract class BrowserTestCase extends TestCase
{
    private static ?Process $driver = null;
    private static ?RemoteWebDriver $session = null;
    private static string $profile = '';

    protected RemoteWebDriver $web;

    public static function setUpBeforeClass(): void
    {
        if (null !== self::$session) {
            return;
        }
        $socket = stream_socket_server('tcp://127.0.0.1:0');
        self::assertIsResource($socket);
        $port = (int) substr((string) strrchr((string) stream_socket_get_name($socket, false), ':'), 1);
        fclose($socket);
        self::$driver = new Process(['chromedriver', "--port=$port", '--log-level=SEVERE']);
        self::$driver->start();
        self::$profile = sys_get_temp_dir() . '/zig-lane-chromium-' . bin2hex(random_bytes(6));
        $options = (new ChromeOptions())->addArguments([
            '--headless=new', '--no-sandbox', '--disable-gpu', '--no-first-run', '--disable-background-networking',
            '--disable-component-update', '--disable-sync', '--disable-quic', '--ignore-certificate-errors', '--window-size=1280,900', '--user-data-dir=' . self::$profile,
        ]);
        $wanted = DesiredCapabilities::chrome();
        $wanted->setCapability(ChromeOptions::CAPABILITY, $options);
        $wanted->setCapability('goog:loggingPrefs', ['browser' => 'ALL']);
        for ($try = 0; ; ++$try) {
            try {
                self::$session = RemoteWebDriver::create("http://127.0.0.1:$port", $wanted, 60000, 60000);
                break;
            } catch (PhpWebDriverExceptionInterface $e) {
                if ($try >= 40) {
                    throw $e;
                }
                usleep(250000);
            }
        }
        // What the page complains of is logged with its particulars, not as "Array(1)".
        (new ChromeDevToolsDriver(self::$session))->execute('Page.addScriptToEvaluateOnNewDocument', [
            'source' => 'const warn = console.warn; console.warn = (...parts) => warn(parts.map((p) => typeof p === "string" ? p : JSON.stringify(p)).join(" "));',
        ]);
        register_shutdown_function(self::close(...));
    }

    private static function close(): void
    {
        try {
            self::$session?->quit();
        } catch (PhpWebDriverExceptionInterface) {
            // It is gone already.
        }
        self::$driver?->stop(2);
        (new Process(['rm', '-rf', self::$profile]))->run();
    }

    protected function setUp(): void
    {
        $this->web = self::$session ?? self::fail('no browser');
        $this->screen(1280, 800);
        $this->web->get(self::url('/'));
        $this->web->manage()->deleteAllCookies();
        $this->web->manage()->getLog('browser');
    }

    protected function tearDown(): void
    {
        if ($this->status()->isSuccess()) {
            return;
        }
        $folder = \dirname(__DIR__, 2) . '/var/test/shots';
        @mkdir($folder, recursive: true);
        $this->web->takeScreenshot($folder . '/' . preg_replace('/\W+/', '-', $this->nameWithDataSet()) . '.png');
    }

    /** Where the pages are, when that is not on loopback. */
    protected static ?string $at = null;

    protected static function url(string $path): string
    {
        $base = self::$at ?? getenv('ZIG_LANE_URL');
        if (!\is_string($base) || '' === $base) {
            self::fail('Run these through "bin/zig-lane test browser", which starts the application.');
        }

        return rtrim($base, '/') . $path;
    }

    /** A screen of that size; narrow ones are phones. */
    protected function screen(int $width, int $height): void
    {
        (new ChromeDevToolsDriver($this->web))->execute('Emulation.setDeviceMetricsOverride', [
            'width' => $width, 'height' => $height, 'deviceScaleFactor' => 1, 'mobile' => $width < 500,
        ]);
    }

    protected function one(string $css): WebDriverElement
    {
        return $this->web->findElement(WebDriverBy::cssSelector($css));
    }

    protected function click(string $css): void
    {
        $this->again(fn() => $this->one($css)->click());
    }

    /**
     * Does something with an element that the page may be redrawing at that moment.
     *
     * @template T
     *
     * @param callable(): T $what
     *
     * @return T
     */
    private function again(callable $what): mixed
    {
        for ($left = 5; ; --$left) {
            try {
                return $what();
            } catch (StaleElementReferenceException $e) {
                if (0 === $left) {
                    throw $e;
                }
                usleep(50000);
            }
        }
    }

    /** What a person reads there. */
    protected function text(string $css): string
    {
        return trim($this->again(fn(): string => $this->one($css)->getText()));
    }

    protected function value(string $css): string
    {
        return $this->again(fn(): string => (string) $this->one($css)->getAttribute('value'));
    }

    protected function howMany(string $css): int
    {
        return \count($this->web->findElements(WebDriverBy::cssSelector($css)));
    }

    /**
     * Waits until something holds; the page redraws itself after the server's answer.
     *
     * @param callable(): bool $holds
     * @param float            $patience s
     */
    protected function until(callable $holds, string $what, float $patience = 25): void
    {
        $give = microtime(true) + $patience;
        while (microtime(true) < $give) {
            try {
                if ($holds()) {
                    $this->addToAssertionCount(1);

                    return;
                }
            } catch (PhpWebDriverExceptionInterface) {
                // The element is being redrawn.
            }
            usleep(50000);
        }
        $state = $this->script('const a = document.activeElement; return [a?.id || a?.tagName, a?.value ?? "", document.getElementById("toast")?.textContent, document.querySelector(".notice.bad")?.textContent ?? "", document.querySelectorAll(".htmx-request").length, location.search].join(" | ")');
        self::fail("Waited in vain: $what. In focus, its value, toast, problem, requests, address: " . (\is_string($state) ? $state : '') . "\n" . json_encode(\array_slice($this->web->manage()->getLog('browser'), -5), \JSON_PARTIAL_OUTPUT_ON_ERROR));
    }

    protected function script(string $javascript, mixed ...$arguments): mixed
    {
        return $this->web->executeScript($javascript, $arguments);
    }

    /** Types on whatever has the focus. */
    protected function keys(string ...$keys): void
    {
        foreach ($keys as $key) {
            try {
                $this->web->getKeyboard()->sendKeys($key);
            } catch (StaleElementReferenceException) {
                // What had the focus was being redrawn: the key was not sent.
                usleep(100_000);
                $this->web->getKeyboard()->sendKeys($key);
            }
        }
    }

    /**
     * Imports a rack by choosing a file and pressing the button, as a person does.
     *
     * @param array<string, mixed>|string $document
     */
    protected function import(array|string $document): void
    {
        $file = sys_get_temp_dir() . '/zig-lane-import-' . bin2hex(random_bytes(4)) . '.json';
        file_put_contents($file, \is_string($document) ? $document : json_encode($document, \JSON_THROW_ON_ERROR));
        $this->web->get(self::url('/'));
        $this->one('#import-file')->sendKeys($file);
        $this->click('form[action$="/racks/import"] button');
        $this->until(fn(): bool => $this->howMany('#workspace, #problem') > 0, 'the import is answered');
        unlink($file);
    }

    /**
     * @param array<string|int, array{float, float}> $balls diamonds
     * @param array<string, mixed>               $more
     *
     * @return array<string, mixed>
     */
    protected static function rack(array $balls, array $more = []): array
    {
        return $more + ['format' => 'zig-lane/rack', 'version' => 1, 'name' => 'Browser rack', 'game' => 'nine-ball', 'balls' => $balls];
    }

    /** Imports a rack of straight pool that stands, with a ball beside it, and has its break shot planned. */
    protected function planTheBreak(int $ball, string $name): void
    {
        $rack = self::rack(['cue' => [4.9, 3.0], (string) $ball => [6.2, 2.85]], ['game' => 'straight-pool', 'name' => $name]);
        $found = BreakShotSearch::best(RackFile::read(JsonText::decode((string) json_encode($rack))));
        self::assertNotNull($found);
        $this->import(RackFile::write($found->rack->withLegs([])));
        $this->click('#mode-run');
        $this->until(fn(): bool => $this->howMany('#plan-run') > 0, 'the run-out');
        $this->click('#plan-run');
        $this->until(fn(): bool => $this->howMany('#to-break') > 0, 'the break shot');
    }

    /**
     * What a script answered, as numbers.
     *
     * @return list<float>
     */
    protected static function numbers(mixed $answer): array
    {
        self::assertIsArray($answer);

        return array_map(static fn(mixed $v): float => is_numeric($v) ? (float) $v : self::fail('not a number'), array_values($answer));
    }

    /**
     * Where a place on the bed (diamonds) is on the screen.
     *
     * @return array{float, float}
     */
    protected function onScreen(float $x, float $y): array
    {
        $point = $this->script('const s = document.getElementById("table"), m = s.querySelector("#frame").getScreenCTM(); const p = new DOMPoint(arguments[0] * s.dataset.length / 8, arguments[1] * s.dataset.width / 4).matrixTransform(m); return [p.x, p.y];', $x, $y);
        [$px, $py] = self::numbers($point);

        return [$px, $py];
    }

    /** Drags with the mouse from one place on the bed to another (diamonds), in steps as a hand does. */
    protected function drag(float $fromX, float $fromY, float $toX, float $toY): void
    {
        [$ax, $ay] = $this->onScreen($fromX, $fromY);
        [$bx, $by] = $this->onScreen($toX, $toY);
        $tools = new ChromeDevToolsDriver($this->web);
        $mouse = static fn(string $type, float $x, float $y) => $tools->execute('Input.dispatchMouseEvent', ['type' => $type, 'x' => $x, 'y' => $y, 'button' => 'left', 'buttons' => 'mouseReleased' === $type ? 0 : 1, 'clickCount' => 1]);
        $mouse('mousePressed', $ax, $ay);
        for ($i = 1; $i <= 8; ++$i) {
            $mouse('mouseMoved', $ax + ($bx - $ax) * $i / 8, $ay + ($by - $ay) * $i / 8);
        }
        $mouse('mouseReleased', $bx, $by);
    }

    /** Touches a control. */
    protected function tapOn(string $css): void
    {
        [$x, $y] = self::numbers($this->script('const b = document.querySelector(arguments[0]).getBoundingClientRect(); return [b.x + b.width / 2, b.y + b.height / 2]', $css));
        $this->touch($x, $y);
    }

    /** Touches the table at a place, mm. */
    /**
     * A finger that is set down, moved and lifted, px of the screen.
     *
     * @param array{float, float} $from
     * @param array{float, float} $to
     * @param callable(): void    $before it is lifted
     */
    protected function slide(array $from, array $to, callable $before): void
    {
        $tools = new ChromeDevToolsDriver($this->web);
        $tools->execute('Input.dispatchTouchEvent', ['type' => 'touchStart', 'touchPoints' => [['x' => $from[0], 'y' => $from[1]]]]);
        foreach ([0.5, 1.0] as $share) {
            $point = ['x' => $from[0] + $share * ($to[0] - $from[0]), 'y' => $from[1] + $share * ($to[1] - $from[1])];
            $tools->execute('Input.dispatchTouchEvent', ['type' => 'touchMove', 'touchPoints' => [$point]]);
        }
        $before();
        $tools->execute('Input.dispatchTouchEvent', ['type' => 'touchEnd', 'touchPoints' => []]);
    }

    /** A phone, used by touch; or no longer. */
    protected function onAPhone(bool $is = true): void
    {
        if ($is) {
            $this->screen(390, 844);
        }
        (new ChromeDevToolsDriver($this->web))->execute('Emulation.setTouchEmulationEnabled', ['enabled' => $is]);
    }

    /** Cuts the network, or lets it in again. */
    protected function connected(bool $is): void
    {
        $tools = new ChromeDevToolsDriver($this->web);
        $tools->execute('Network.enable');
        $tools->execute('Network.emulateNetworkConditions', ['offline' => !$is, 'latency' => 0, 'downloadThroughput' => -1, 'uploadThroughput' => -1]);
    }

    /** A finger set down and lifted, px of the screen. */
    protected function touch(float $x, float $y): void
    {
        $tools = new ChromeDevToolsDriver($this->web);
        $tools->execute('Input.dispatchTouchEvent', ['type' => 'touchStart', 'touchPoints' => [['x' => $x, 'y' => $y]]]);
        $tools->execute('Input.dispatchTouchEvent', ['type' => 'touchEnd', 'touchPoints' => []]);
        usleep(100_000);
    }

    /** Complaints of the page itself: script errors, missing files, refused sources. */
    protected function assertNoComplaints(): void
    {
        $bad = [];
        foreach ($this->web->manage()->getLog('browser') as $entry) {
            \assert(\is_array($entry));
            $message = \is_string($entry['message'] ?? null) ? $entry['message'] : '';
            // A refusal in words is an answer with a status of 4xx, which the browser also logs. On a busy machine two answers can overlap: the
            // library that puts them in warns that it found the workspace twice; the later one stands.
            if (!preg_match('/status of (409|422)|duplicate ids found during morph.*\[.{0,2}"workspace.{0,2}"\]/', $message)) {
                $bad[] = $message;
            }
        }
        self::assertSame([], $bad);
    }

    /** axe-core's rules for WCAG 2 A and AA on the page as it is, contrast included. */
    protected function assertAccessible(string $name): void
    {
        $this->script((string) file_get_contents(__DIR__ . '/axe-4.14.1.min.js'));
        // Colours on their way to others are not what is read.
        $this->until(fn(): bool => true === $this->script('return document.getAnimations().every(a => a.playState !== "running")'), 'nothing fades');
        $found = $this->web->executeAsyncScript('axe.run({ runOnly: ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa"] }).then(r => arguments[0](r.violations.map(v => v.id + ": " + v.nodes.slice(0, 3).map(n => n.html.slice(0, 120) + " " + (n.any[0] ? n.any[0].message : "")).join(" | "))));');
        self::assertSame([], $found, "$name page");
    }

    /** Tabs forward until an element has the focus. */
    protected function tabTo(string $id): void
    {
        for ($i = 0; $i < 80; ++$i) {
            if ($id === $this->focused()) {
                return;
            }
            $this->keys(WebDriverKeys::TAB);
        }
        self::fail("Tab never reaches #$id.");
    }

    protected function focused(): string
    {
        $id = $this->script('return document.activeElement?.id ?? ""');

        return \is_string($id) ? $id : '';
    }
}
