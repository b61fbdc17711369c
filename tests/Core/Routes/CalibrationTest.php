<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Routes;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Potting\ErrorSamples;
use ZigLane\Core\Routes\Route;
use ZigLane\Core\Routes\RouteSearch;
use ZigLane\Core\Wording\RouteWording;
use ZigLane\Tests\Survey;
use ZigLane\Tools\Bench\RandomRoutes;
use ZigLane\Tools\Bench\Workload;

/**
 * Whether the chances told are those that come about.
 */
final class CalibrationTest extends TestCase
{
    private const TRIES = 5000;

    /** @var array<int, array{RouteSearch, list<Route>, int}> searches, what they settled on, and the shots that took, by leg */
    private static array $searches = [];

    public static function tearDownAfterClass(): void
    {
        self::$searches = [];
    }

    /**
     * @return \Generator<int, array{RouteSearch, list<Route>, int}>
     */
    private static function searches(int $legs): \Generator
    {
        foreach ((new Workload(new Simulator(), 5))->legs($legs) as $n => [$rack, $ball, $pocket]) {
            if (!isset(self::$searches[$n])) {
                $search = new RouteSearch($rack, new Pot($ball, $pocket));
                $settled = $search->settled();
                self::$searches[$n] = [$search, $settled, $search->played()];
            }
            yield self::$searches[$n];
        }
    }

    /** 40 shots (6 in the suite) under 5,000 errors of plain pseudo-random numbers each: within 3 points, and no bias. */
    public function testTheChancesToldComeAbout(): void
    {
        $routes = Survey::size(40, 6);
        $errors = ErrorSamples::random(self::TRIES, new Generator(99));
        $bias = ['pot' => 0.0, 'position' => 0.0, 'value' => 0.0];
        $judged = 0;
        foreach (self::searches(16) as [$search, $settled]) {
            foreach (\array_slice($settled, 0, 3) as $route) {
                if (++$judged > $routes) {
                    break 2;
                }
                $played = $search->chances($route->shot, $errors);
                foreach (array_keys($bias) as $what) {
                    [$told, $came] = [$route->chances->{$what}, $played->{$what}];
                    // 800 tries told, 5,000 played: the odds that chance alone makes a difference of 3 points are small.
                    self::assertEqualsWithDelta($came, $told, 0.03, "$what of route $judged, " . RouteWording::family($route->family));
                    $bias[$what] += ($told - $came) / $routes;
                }
            }
        }
        self::assertGreaterThan($routes, $judged);
        foreach ($bias as $what => $mean) {
            self::assertEqualsWithDelta(0.0, $mean, 0.008, "$what on the whole");
        }
    }

    /** The short version of "lane:routes": random search with twice the shots, both winners under fresh errors. */
    public function testRandomSearchSeldomFindsBetter(): void
    {
        $random = new Generator(7);
        $errors = ErrorSamples::random(self::TRIES, $random);
        $better = 0;
        $sum = 0.0;
        foreach (self::searches(Survey::size(5, 1)) as [$search, $settled, $played]) {
            $value = static fn(?Route $route): float => null === $route ? 0.0 : $search->chances($route->shot, $errors)->value;
            $own = $value($settled[0] ?? null);
            $other = $value((new RandomRoutes($search, $random))->best(2 * $played));
            $better += $other > $own + 0.02 ? 1 : 0;
            $sum += $own - $other;
        }
        self::assertLessThanOrEqual(1, $better);
        self::assertGreaterThan(0.0, $sum, 'on the whole the search finds more');
    }
}
