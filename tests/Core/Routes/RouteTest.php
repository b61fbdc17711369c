<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Routes;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Line\AimCard;
use ZigLane\Core\Line\LegState;
use ZigLane\Core\Line\LinePlayer;
use ZigLane\Core\Physics\Speed;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\ShotSpec;
use ZigLane\Core\Routes\Route;
use ZigLane\Core\Routes\RouteChances;
use ZigLane\Core\Routes\RouteSearch;
use ZigLane\Core\Routes\Style;
use ZigLane\Core\Routes\TakeOver;
use ZigLane\Core\Wording\LegWording;
use ZigLane\Core\Wording\RouteWording;
use ZigLane\Tests\Core\Reading\Read;

/**
 * What is done with a route once it is found: words, styles, taking it over, the aim card.
 */
final class RouteTest extends TestCase
{
    /** @var list<Route> */
    private static array $routes;
    private static Rack $rack;

    public static function setUpBeforeClass(): void
    {
        self::$rack = Read::rack(['cue' => [5.2, 1.6], 1 => [6.6, 0.9], 2 => [2.4, 3.4], 9 => [1, 1]]);
        self::$routes = (new RouteSearch(self::$rack, new Pot(1, Pocket::FootLeft)))->settled();
    }

    public function testASentenceIsMadeOfItsNumbers(): void
    {
        self::assertGreaterThan(1, \count(self::$routes));
        foreach (self::$routes as $route) {
            $why = RouteWording::why($route);
            $rails = \count($route->family->rails);
            self::assertStringContainsString(match ($rails) {
                0 => \sprintf('%.0f cm', 100 * $route->travel),
                1 => 'One cushion',
                default => \sprintf('ushions, %.1f m', $route->travel),
            }, $why);
            if (null !== $route->window) {
                self::assertStringContainsString(RouteWording::window($route->window) . ' still leaves the 2', $why);
            }
            if ($route->chances->scratch >= 0.05) {
                self::assertStringContainsString('scratch', $why);
            }
        }
    }

    public function testCloseRoutesAreCompared(): void
    {
        [$one, $two] = [self::with(self::$routes[0], value: 0.70, pot: 0.9), self::with(self::$routes[0], value: 0.69, pot: 0.87)];
        self::assertStringContainsString('pot +3 points', RouteWording::against($one, $two));
        self::assertSame('', RouteWording::against($one, self::with(self::$routes[0], value: 0.5, pot: 0.5)));
    }

    public function testAStyleSettlesNearTiesOnlyAndSaysWhatItCosts(): void
    {
        $inside = self::pick(static fn(Route $r): bool => '' !== $r->family->side) ?? self::fail('no route with side');
        $plain = self::pick(static fn(Route $r): bool => '' === $r->family->side) ?? self::fail('no route without side');
        $rails = [] !== $inside->family->rails;
        $style = new Style(outside: 'outside' === $inside->family->side, cushions: $rails, inside: true);
        $near = [self::with($plain, value: 0.70), self::with($inside, value: 0.69)];
        [$chosen, $cost] = (new Style())->choose($near);
        self::assertSame($near[0], $chosen);
        self::assertSame(0.0, $cost);
        if ('outside' === $inside->family->side) {
            [$chosen, $cost] = $style->choose($near);
            self::assertSame($near[1], $chosen);
            self::assertEqualsWithDelta(0.01, $cost, 1e-9);
        }
        // Five points apart is no tie.
        $far = [self::with($plain, value: 0.70), self::with($inside, value: 0.65)];
        self::assertSame($far[0], $style->choose($far)[0]);
    }

    public function testTakenOverItIsTheSameShot(): void
    {
        foreach (self::$routes as $route) {
            $spec = TakeOver::spec(self::$rack, new Pot(1, Pocket::FootLeft), $route->shot);
            $leg = LinePlayer::for(self::$rack)->play(self::$rack->withLegs([$spec]))[0];
            self::assertSame(LegState::Holds, $leg->state, implode(' ', array_map(LegWording::fault(...), $leg->faults)));
            self::assertNotNull($leg->shot);
            self::assertEqualsWithDelta($route->shot->aim, $leg->shot->aim, 0.002, RouteWording::family($route->family));
            // Rounded as a player sets it, it stops within a hand's breadth for every metre it travels.
            $stop = $leg->result?->final->ball(0);
            self::assertNotNull($stop);
            self::assertLessThan(0.05 + 0.1 * $route->travel, $stop->distanceTo($route->stop), RouteWording::family($route->family));
        }
    }

    /**
     * A half-ball hit is a cut of 30°, half of the ball covered, aimed at its edge: plain geometry.
     */
    public function testTheAimCardSaysWhereToAim(): void
    {
        $rack = Read::rack(['cue' => [5.0, 2.0], 9 => [6.6, 0.9]]);
        foreach ([[[5.0, 2.0], 1.2], [[6.0, 3.0], 1.4], [[4.0, 1.0], 1.2]] as [$cue, $lengths]) {
            $rack = Read::rack(['cue' => $cue, 9 => [6.6, 0.9]]);
            $leg = LinePlayer::for($rack)->play($rack->withLegs([ShotSpec::toPocket(new Pot(9, Pocket::FootLeft), Speed::tableLengths($lengths))]))[0];
            self::assertNotNull($leg->aim);
            $card = AimCard::of($leg->aim, $rack->layout, 9, Pocket::FootLeft, $rack->simulator()->geometry);
            self::assertEqualsWithDelta(sin(abs($card->cut)), abs($card->widths), 0.01);
            self::assertEqualsWithDelta(1 - abs($card->widths), $card->hit, 0.01);
            // Cut to the right, the cue ball covers the ball's left side.
            self::assertSame($card->cut > 0, $card->widths < 0);
            self::assertSame(0.0, round($card->squirt, 6));
            self::assertStringContainsString(abs($card->widths) < 0.02 ? 'middle' : ($card->widths > 0 ? 'right' : 'left'), LegWording::aim($card));
        }
    }

    private static function with(Route $r, float $value, ?float $pot = null): Route
    {
        $c = $r->chances;
        $chances = new RouteChances($pot ?? $c->pot, $c->position, $value, $c->scratch, $c->touches, $c->hooked, $c->astray, $c->tries);

        return new Route($r->pot, $r->shot, $r->offset, $r->family, $r->stop, $r->travel, $chances, $r->next, $r->window);
    }

    /**
     * @param callable(Route): bool $is
     */
    private static function pick(callable $is): ?Route
    {
        return array_values(array_filter(self::$routes, $is))[0] ?? null;
    }
}
