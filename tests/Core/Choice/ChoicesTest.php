<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Choice;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZigLane\Core\Choice\ChoiceLoss;
use ZigLane\Core\Choice\ChoicePart;
use ZigLane\Core\Choice\ChoiceProgress;
use ZigLane\Core\Choice\ChoiceWorth;
use ZigLane\Core\Choice\Files\ChoiceFile;
use ZigLane\Core\Choice\Files\WorthFile;
use ZigLane\Core\Choice\PairPicker;
use ZigLane\Core\Choice\RackPicker;
use ZigLane\Core\Choice\SmallRack;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Planning\Planner;
use ZigLane\Core\Planning\SearchBudget;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Potting\NoPot;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Routes\RouteChances;
use ZigLane\Core\Wording\ChoiceWording;
use ZigLane\Tests\Core\Reading\Read;
use ZigLane\Tests\Survey;

final class ChoicesTest extends TestCase
{
    /** @param array<value-of<ChoicePart>, float> $with */
    private static function worth(float $plan, array $with): ChoiceWorth
    {
        return new ChoiceWorth($plan, $with, null, null, 0.1, 0.5, 0.9);
    }

    public function testCostsAddUpToWhatIsLost(): void
    {
        $worth = self::worth(0.6, ['pot' => 0.5, 'spot' => 0.4, 'stroke' => 0.1]);
        self::assertEqualsWithDelta(['pot' => 0.1, 'spot' => 0.1, 'stroke' => 0.3], $worth->costs, 1e-12);
        self::assertEqualsWithDelta(0.5, $worth->lost(), 1e-12);
        self::assertSame(ChoicePart::Stroke, $worth->dearest());
        // What a later part does better was there for the earlier ones, too.
        $worth = self::worth(0.6, ['pot' => 0.3, 'spot' => 0.2, 'stroke' => 0.4]);
        self::assertEqualsWithDelta(['pot' => 0.2, 'spot' => 0.2, 'stroke' => -0.2], $worth->costs, 1e-12);
        // Better than the plan costs nothing.
        $worth = self::worth(0.6, ['pot' => 0.6, 'spot' => 0.61, 'stroke' => 0.7]);
        self::assertSame(0.0, $worth->lost());
        self::assertNull($worth->dearest());
        self::assertStringContainsString('you found a better way', ChoiceWording::headline($worth));
        self::assertSame('Yours runs out in 10 of 100, the plan in 60: 50 points lost.', ChoiceWording::headline(self::worth(0.6, ['stroke' => 0.1])));
    }

    public function testProgressTellsTheMeanWithItsIntervalAndTheDearestPart(): void
    {
        $kept = [0.5, 0.7, 0.6, 0.8, 1.0, 0.9];
        $worths = array_map(static fn(float $k): ChoiceWorth => self::worth(0.5, ['pot' => 0.5, 'spot' => 0.5 * $k, 'stroke' => 0.5 * $k]), $kept);
        $progress = new ChoiceProgress($worths, [true, true, false]);
        self::assertNotNull($progress->mean);
        // Worked out by hand: mean 0.75, s 0.1871, t(5) at 90 % 2.015.
        self::assertEqualsWithDelta([0.75, 0.596, 0.904], $progress->mean, 0.001);
        self::assertSame(1, $progress->good);
        self::assertSame('spot', array_key_first($progress->parts));
        self::assertEqualsWithDelta(0.125, $progress->parts['spot'], 1e-9);
        self::assertNotNull($progress->trend);
        self::assertGreaterThan(0.0, $progress->trend[1], 'it rises');
        self::assertSame([2, 3], [$progress->right, $progress->pairs]);
        self::assertSame(
            'Of the last 6 choices 1 were as good as the plan; on average you keep 75 % of its chance (60 to 90). Most is lost by where the cue ball is to stop. It rises.',
            ChoiceWording::progress($progress),
        );
        self::assertSame('', ChoiceWording::progress(new ChoiceProgress(\array_slice($worths, 0, 2), [])));
        // The trainer's measure: nine choices a rack, each losing a quarter.
        $loss = ChoiceLoss::of($worths);
        self::assertNotNull($loss);
        self::assertEqualsWithDelta(9 * 0.25, $loss->aRack, 1e-9);
        self::assertEqualsWithDelta(9 * 0.1871 / sqrt(6), $loss->error, 0.001);
        self::assertNull(ChoiceLoss::of(\array_slice($worths, 0, 3)));
    }

    public function testAChoiceAndItsWorthGoThroughTheirFiles(): void
    {
        $rack = Read::rack(['cue' => [3.0, 2.0], 1 => [4.0, 1.0], 5 => [5.0, 3.0], 8 => [7.0, 2.0], 10 => [2.0, 2.0]], 'eight-ball', 'solids');
        $data = ['shot' => ['ball' => '5', 'pocket' => 'foot-right', 'speed' => ['lengths' => 1.5], 'tip' => ['side' => 0.1, 'height' => -0.2]], 'spot' => [4.0, 2.5], 'order' => ['5', '1', '8']];
        $choice = ChoiceFile::read(self::decoded($data), $rack);
        self::assertSame([5, 1, 8], $choice->order);
        self::assertEqualsWithDelta(1.27, $choice->spot->x, 1e-9);
        self::assertEquals($choice, ChoiceFile::read(self::decoded(ChoiceFile::write($choice, $rack)), $rack));

        $chances = new RouteChances(0.9, 0.5, 0.4, 0.01, 0.02, 0.03, 0.04, 400);
        $worth = new ChoiceWorth(0.5, ['pot' => 0.45, 'order' => 0.4, 'spot' => 0.4, 'stroke' => 0.3], $chances, new Point(1.0, 0.5), 0.2, 0.7, 0.8, $chances, -0.45, NoPot::TooThin);
        self::assertEqualsWithDelta($worth, WorthFile::read(self::decoded(WorthFile::write($worth, $rack)), $rack), 1e-12);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function faults(): iterable
    {
        yield 'no shot' => [['shot' => null], 'choice.shot'];
        yield 'a ball that is not on' => [['shot' => ['ball' => '10', 'pocket' => 'foot-left', 'speed' => ['lengths' => 1]]], 'choice.shot.ball'];
        yield 'a direction' => [['shot' => ['aimDeg' => 3, 'speed' => ['lengths' => 1]]], 'choice.shot'];
        yield 'no spot' => [['spot' => 3], 'choice.spot'];
        yield 'a spot off the table' => [['spot' => [9, 1]], 'choice.spot[0]'];
        yield 'an order without the eight' => [['order' => ['5', '1']], 'choice.order'];
        yield 'another ball first' => [['order' => ['1', '5', '8']], 'choice.order'];
        yield 'a ball twice' => [['order' => ['5', '5', '8']], 'choice.order[1]'];
        yield 'no order' => [['order' => 'x'], 'choice.order'];
    }

    /** @param array<string, mixed> $change */
    #[DataProvider('faults')]
    public function testAFaultIsNamed(array $change, string $path): void
    {
        $rack = Read::rack(['cue' => [3.0, 2.0], 1 => [4.0, 1.0], 5 => [5.0, 3.0], 8 => [7.0, 2.0], 10 => [2.0, 2.0]], 'eight-ball', 'solids');
        $data = $change + ['shot' => ['ball' => '5', 'pocket' => 'foot-right', 'speed' => ['lengths' => 1.5]], 'spot' => [4.0, 2.5], 'order' => ['5', '1', '8']];
        try {
            ChoiceFile::read(self::decoded($data), $rack);
            self::fail('read');
        } catch (InvalidInput $e) {
            self::assertSame($path, $e->path);
        }
    }

    public function testSmallRacksAreTheEndsOfRacks(): void
    {
        $player = Player::of(Level::League);
        foreach ([[GameName::NineBall, 3], [GameName::TenBall, 4], [GameName::EightBall, 3]] as [$game, $balls]) {
            $found = array_filter(array_map(static fn(int $n): ?Rack => SmallRack::of($game, $balls, $n, $player), range(1, 4)));
            self::assertNotSame([], $found);
            foreach ($found as $rack) {
                self::assertCount($balls, $rack->rules()->ownBalls($rack->layout), $game->value);
                self::assertSame($game->rules()->lastBall($rack->layout), $rack->rules()->lastBall($rack->layout));
                self::assertNotSame(GameName::EightBall === $game, null === $rack->group);
            }
        }
    }

    public function testThePickedRackIsNearTheLevelAndThePairApart(): void
    {
        $pairs = 0;
        for ($seed = 1; $seed <= Survey::size(20, 2); ++$seed) {
            $rack = null;
            foreach ((new RackPicker(GameName::NineBall, 3, Player::of(Level::League), $seed, plain: true))->racks() as $rack) {
            }
            self::assertNotNull($rack);
            self::assertCount(3, $rack->layout->objectBalls());
            $chance = (new Planner($rack, SearchBudget::quick()))->next($rack)?->runOut() ?? 0.0;
            self::assertGreaterThanOrEqual(0.3, $chance);
            self::assertLessThanOrEqual(0.85, $chance);
            $pair = (new PairPicker($rack, $seed))->pair();
            if (null !== $pair) {
                ++$pairs;
                self::assertGreaterThanOrEqual(0.05, $pair->apart());
                self::assertGreaterThan($pair->shots[1 - $pair->better()]->chances->runOut, $pair->shots[$pair->better()]->chances->runOut);
                self::assertStringStartsWith('Right: ', ChoiceWording::pair($pair, $pair->better()));
                self::assertStringStartsWith('Not that one: ', ChoiceWording::pair($pair, 1 - $pair->better()));
            }
        }
        self::assertGreaterThan(Survey::size(3, -1), $pairs);
    }

    private static function decoded(mixed $data): mixed
    {
        return json_decode(json_encode($data, \JSON_THROW_ON_ERROR | \JSON_PRESERVE_ZERO_FRACTION), false, 32, \JSON_THROW_ON_ERROR);
    }
}
