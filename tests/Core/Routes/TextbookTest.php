<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Routes;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\Stroke;
use ZigLane\Core\Player\Hand;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Routes\Route;
use ZigLane\Core\Routes\RouteSearch;
use ZigLane\Core\Wording\RouteWording;
use ZigLane\Tests\Core\Reading\Read;
use ZigLane\Tests\Survey;

/**
 * Textbook answers are found again in layouts of our own. Each is common practice, no source, unless said otherwise.
 */
final class TextbookTest extends TestCase
{
    private const THREE = ['cue' => [5.2, 1.6], 1 => [6.6, 0.9], 2 => [2.4, 3.4], 9 => [1, 1]];

    /** What others here say as well is left to the survey. */
    private static function inTheSurvey(): void
    {
        if (0 === Survey::size(1, 0)) {
            self::markTestSkipped('in the survey');
        }
    }

    /** Straight in, with the next ball in line with where the cue ball is: stop. */
    public function testAStopShotWhenTheNextBallIsInLine(): void
    {
        // The cue ball on the line from the pocket through the 1; where the 1 lay it has the 2 in the other corner.
        $rack = self::straight(1, Pocket::FootLeft, [6.4, 1.2], 0.5, [2 => [7.2, 3.0], 9 => [1, 1]]);
        $best = self::best($rack, 1, Pocket::FootLeft);
        self::assertSame([], $best->family->rails, RouteWording::family($best->family));
        self::assertLessThan(0.45, $best->travel);
        self::assertGreaterThan(0.9, $best->chances->value);
    }

    /** Straight in close to the pocket, rolling follow goes in after it: the answers stay out by stun, draw or part of the pocket. */
    public function testAStraightInScratchIsAvoided(): void
    {
        $rack = self::straight(1, Pocket::FootRight, [7.5, 3.5], 0.35, [2 => [7.4, 1.0], 9 => [1, 1]]);
        foreach (self::all($rack, 1, Pocket::FootRight) as $route) {
            self::assertLessThan(0.1, $route->chances->scratch, RouteWording::family($route->family));
        }
        self::assertLessThan(0.01, self::best($rack, 1, Pocket::FootRight)->chances->scratch);
    }

    /** Straight in, too far from the pocket to cheat it, with the next ball up the table: only draw goes there. */
    public function testDrawUpTheTableWhenStraightIn(): void
    {
        $rack = self::straight(1, Pocket::FootLeft, [5.6, 1.4], 0.5, [2 => [2.0, 2.6], 9 => [1, 1]], Level::Advanced);
        $best = self::best($rack, 1, Pocket::FootLeft);
        self::assertStringContainsString('draw', $best->family->stroke, RouteWording::family($best->family));
        self::assertLessThan(-0.1, $best->shot->tip->height);
        self::assertLessThan(5.5, $best->stop->x / 0.3175);
    }

    /** With the next ball behind, the cue ball follows two cushions along its line, with the middle of the tip. */
    public function testFollowTwoCushionsIntoTheLine(): void
    {
        $best = self::best(self::table(['cue' => [4.66, 1.74], 1 => [6.3, 1.4], 2 => [3.7, 1.5], 9 => [1, 1]]), 1, Pocket::FootLeft);
        self::assertSame('follow, foot and right cushions', RouteWording::family($best->family));
        self::assertLessThan(0.12, abs($best->shot->tip->side));
        self::assertGreaterThan(0.9, $best->chances->value);
    }

    /** Straight in, the next ball at the far end: draw with running spin lengthens off the long rail and goes up the table. */
    public function testDrawOffOneCushionWithRunningSpin(): void
    {
        self::inTheSurvey();
        $best = self::best(self::table(['cue' => [5.82, 3.03], 1 => [6.9, 1.5], 2 => [0.7, 1.7], 9 => [1, 1]]), 1, Pocket::FootLeft);
        self::assertSame(['right'], $best->family->rails, RouteWording::family($best->family));
        self::assertStringContainsString('draw', $best->family->stroke);
        self::assertSame('running', $best->family->spin);
        self::assertLessThan(4.0, $best->stop->x / 0.3175);
    }

    /** A thin cut that would run away: reverse spin shortens the way off the rail. */
    public function testReverseSpinHoldsOffTheRail(): void
    {
        $rack = self::table(['cue' => [2.12, 0.63], 1 => [3.6, 0.6], 2 => [6.3, 3.6], 9 => [1, 1]]);
        $best = self::best($rack, 1, Pocket::SideLeft);
        self::assertSame(['foot'], $best->family->rails, RouteWording::family($best->family));
        self::assertSame('reverse', $best->family->spin);
        // The same stroke without the side does not hold.
        $plain = (new RouteSearch($rack, new Pot(1, Pocket::SideLeft)))->route(new Stroke($best->shot->speed, 0.0, $best->shot->tip->height), $best->offset);
        self::assertNotNull($plain);
        self::assertGreaterThan($plain->chances->value + 0.1, $best->chances->value);
    }

    /** A thin cut with a short way to go: dragged, so that it can be hit firmly and still arrive slowly. */
    public function testDragRatherThanAHardHitOnAThinCut(): void
    {
        $rack = self::table(['cue' => [2.0, 1.45], 1 => [3.5, 1.1], 2 => [4.7, 1.0], 9 => [1, 1]]);
        $routes = self::all($rack, 1, Pocket::SideLeft);
        self::assertSame('drag', $routes[0]->family->stroke, RouteWording::family($routes[0]->family));
        foreach ($routes as $route) {
            self::assertLessThan(3.0, $route->shot->speed, 'nothing hit hard is among the best');
        }
    }

    /** Straight in, wanting an angle: a part of the pocket away from the middle gives it. */
    public function testAPartOfThePocketGivesTheAngle(): void
    {
        $rack = self::table(['cue' => [6.12, 1.36], 1 => [7.2, 0.6], 2 => [1.3, 0.4], 9 => [1, 1]]);
        $search = new RouteSearch($rack, new Pot(1, Pocket::FootLeft));
        $best = $search->settled()[0];
        self::assertGreaterThan(0.25, abs($best->offset), RouteWording::family($best->family));
        $middle = $search->route($best->shot->stroke()->stroke, 0.0);
        // Sent to the middle it may even go in after the ball: then it is worth nothing.
        self::assertGreaterThan(($middle->chances->value ?? 0.0) + 0.05, $best->chances->value);
    }

    /** Flat to a side pocket the thin far part takes the ball only when it comes softly. */
    public function testTheFarSideOfASidePocketOnlyWhenSoft(): void
    {
        $search = new RouteSearch(self::table(['cue' => [1.6, 0.9], 1 => [3.2, 0.4], 2 => [6, 3], 9 => [1, 3.5]]), new Pot(1, Pocket::SideLeft));
        $pot = static fn(float $speed): float => $search->route(new Stroke($speed, 0.0, 0.1), 0.0)->chances->pot ?? 0.0;
        [$soft, $firm, $hard] = [$pot(0.8), $pot(2.0), $pot(4.5)];
        self::assertGreaterThan($firm + 0.05, $soft);
        self::assertGreaterThan($hard + 0.05, $firm);
        self::assertLessThan(0.65 * $soft, $hard);
    }

    /** With traffic on the short ways a good player draws with inside spin round three cushions; on the open table not. */
    public function testInsideSpinRoundThreeCushionsThroughTraffic(): void
    {
        self::inTheSurvey();
        $balls = ['cue' => [5.98, 1.16], 1 => [6.9, 0.9], 2 => [5.4, 0.7], 9 => [0.3, 2.7]];
        $traffic = [4 => [5.64, 2.1], 5 => [4.63, 1.5], 6 => [7.81, 1.5], 7 => [3.32, 3.14]];
        $good = new Player(Level::Professional, Player::of(Level::Professional)->aim, 0.04, 0.0002);
        $best = self::best(self::table($balls + $traffic)->withPlayer($good), 1, Pocket::FootLeft);
        self::assertSame('draw with running inside spin, right, foot and left cushions', RouteWording::family($best->family));
        $open = self::best(self::table($balls)->withPlayer($good), 1, Pocket::FootLeft);
        self::assertLessThan(3, \count($open->family->rails), RouteWording::family($open->family));
        self::assertStringNotContainsString('draw', $open->family->stroke);
    }

    /** Blocked on the short way: whatever is best does not go through the wall of balls. */
    public function testTrafficIsKeptOutOf(): void
    {
        self::inTheSurvey();
        $rack = self::table(['cue' => [5.2, 1.6], 1 => [6.6, 0.9], 2 => [6.4, 3.4], 5 => [6.9, 2.2], 6 => [6.2, 2.2], 7 => [7.5, 2.2], 9 => [1, 1]]);
        $best = self::best($rack, 1, Pocket::FootLeft);
        self::assertLessThan(0.25, $best->chances->touches, RouteWording::family($best->family));
    }

    /** A better hand makes every route likelier, and never worse by the best one. */
    public function testABetterPlayerGetsMore(): void
    {
        $rack = self::table(['cue' => [3.72, 3.61], 1 => [6.0, 1.7], 2 => [4.2, 2.5], 9 => [1, 1]]);
        $last = 0.0;
        $levels = [Level::FirstYear, Level::Advanced, Level::League, Level::Professional];
        $looked = \array_slice($levels, 0, Survey::size(4, 2));
        foreach (array_filter(Level::cases(), static fn(Level $level): bool => \in_array($level, $looked, true)) as $level) {
            $value = self::best($rack->withPlayer(Player::of($level)), 1, Pocket::FootLeft)->chances->value;
            self::assertGreaterThan($last, $value, $level->value);
            $last = $value;
        }
    }

    /** The mirrored table has the mirrored answer for a player of the other hand. */
    public function testTheMirroredRackHasTheSameChances(): void
    {
        $rack = self::table(self::THREE);
        $mirror = self::table(['cue' => [5.2, 2.4], 1 => [6.6, 3.1], 2 => [2.4, 0.6], 9 => [1, 3]]);
        [, $lists] = self::searched();
        $one = $lists[\count($lists) - 1][0] ?? self::fail('no route');
        $p = $rack->player;
        $other = $mirror->withPlayer(new Player($p->level, $p->aim, $p->speed, $p->tip, Hand::Left));
        $routes = (new RouteSearch($other, new Pot(1, Pocket::FootRight)))->settled();
        self::assertEqualsWithDelta($one->chances->value, $routes[0]->chances->value, 0.03);
        // Of ways as good as each other another may come first; the same one is there.
        $same = array_filter($routes, static fn(Route $r): bool => \count($r->family->rails) === \count($one->family->rails));
        self::assertNotSame([], $same);
        self::assertEqualsWithDelta($one->chances->value, array_values($same)[0]->chances->value, 0.03);
    }

    /** The last ball needs no position: only the pot counts. */
    public function testOnTheLastBallOnlyThePotCounts(): void
    {
        $best = self::best(self::table(['cue' => [5.2, 1.6], 9 => [6.6, 0.9]]), 9, Pocket::FootLeft);
        self::assertSame($best->chances->pot, $best->chances->value);
        self::assertNull($best->next);
    }

    /**
     * The first list comes after few shots, the last is settled and sorted.
     */
    public function testListsComeAsTheyAreFound(): void
    {
        [$first, $lists] = self::searched();
        self::assertLessThan(1500, $first);
        self::assertNotSame([], $lists[0]);
        foreach ($lists as $list) {
            self::assertLessThanOrEqual(RouteSearch::KEPT, \count($list));
        }
        self::assertGreaterThan(3, \count($lists));
        $stateValues = array_map(static fn(Route $r): float => $r->chances->value, $list);
        $sorted = $stateValues;
        rsort($sorted);
        self::assertSame($sorted, $stateValues);
        self::assertSame(RouteSearch::MANY, $list[0]->chances->tries);
        self::assertCount(\count($list), array_unique(array_map(static fn(Route $r): string => $r->family->key(), $list)));
    }

    /** Every place of the spread is where its stroke leaves the cue ball. */
    public function testTheSpreadIsWhatIsPlayed(): void
    {
        $rack = self::table(self::THREE);
        $search = new RouteSearch($rack, new Pot(1, Pocket::FootLeft));
        $places = $search->spread();
        self::assertGreaterThan(60, \count($places));
        foreach (\array_slice($places, 0, 40) as $place) {
            $route = $search->route($place->aimed->stroke, 0.0, 8);
            self::assertNotNull($route);
            self::assertLessThan(1e-9, $route->stop->distanceTo($place->stop));
            $played = $rack->simulator()->play($rack->layout, $route->shot);
            self::assertLessThan(1e-9, $played->final->ball(0)->distanceTo($place->stop));
        }
    }

    /**
     * @param array{float, float}             $ball diamonds
     * @param array<int, array{float, float}> $others
     */
    private static function straight(int $number, Pocket $pocket, array $ball, float $back, array $others, Level $level = Level::League): Rack
    {
        $rack = self::table([$number => $ball, 'cue' => [1, 3]] + $others);
        $at = $rack->layout->ball($number);
        $way = $at->angleTo($rack->simulator()->geometry->pocket($pocket)->mouthMiddle());

        return $rack->withBall(0, new Point($at->x - $back * cos($way), $at->y - $back * sin($way)))->withPlayer(self::steady($level));
    }

    /**
     * The 1 of THREE to the foot left pocket, searched for once.
     *
     * @return array{int, non-empty-list<list<Route>>} shots played when the first list came; the lists as they came
     */
    private static function searched(): array
    {
        static $found = null;
        if (null === $found) {
            $search = new RouteSearch(self::table(self::THREE), new Pot(1, Pocket::FootLeft));
            $lists = [];
            foreach ($search->routes() as $list) {
                $first ??= $search->played();
                $lists[] = $list;
            }
            $found = [$first ?? 0, $lists];
        }

        /** @var array{int, non-empty-list<list<Route>>} $found */
        return $found;
    }

    /**
     * @param array<int|string, array{float, float}> $balls diamonds
     */
    private static function table(array $balls): Rack
    {
        return Read::rack($balls)->withPlayer(self::steady(Level::League));
    }

    /** Textbook answers are for someone who knows the speed of the table: half the level's error of speed. */
    private static function steady(Level $level): Player
    {
        $preset = Player::of($level);

        return new Player($level, $preset->aim, $preset->speed / 2, $preset->tip);
    }

    private static function best(Rack $rack, int $ball, Pocket $pocket): Route
    {
        return self::all($rack, $ball, $pocket)[0] ?? self::fail('no route');
    }

    /**
     * @return list<Route>
     */
    private static function all(Rack $rack, int $ball, Pocket $pocket): array
    {
        return (new RouteSearch($rack, new Pot($ball, $pocket)))->settled();
    }
}
