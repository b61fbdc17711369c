<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Breaks;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Breaks\BreakSearch;
use ZigLane\Core\Breaks\BreakTries;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Rack\BreakAim;
use ZigLane\Core\Rack\BreakStroke;
use ZigLane\Core\Rack\RackUp;
use ZigLane\Core\Wording\BreakWording;

final class BreakSearchTest extends TestCase
{
    /** What a break is aimed at is what it hits: the head ball full or three quarters, or the second ball first. */
    public function testABreakHitsWhatItIsAimedAt(): void
    {
        $simulator = new Simulator();
        $racked = RackUp::layout($simulator, GameName::NineBall->rules(), new Generator(5));
        $d = 2 * $simulator->ball->radius;
        foreach ([-1.2, 1.2] as $aside) {
            $cue = $simulator->table->size->pointAt(1.95, 2.0 + $aside);
            foreach (BreakAim::cases() as $aim) {
                $shot = (new BreakStroke(8.0, $aside, $aim))->shot($racked, $cue, $d);
                $result = $simulator->play($racked->with(BallId::CUE, $cue), $shot);
                self::assertSame(BreakAim::SecondBall === $aim, RackUp::apex($racked) !== $result->firstHit, $aim->value);
                $hit = $racked->ball((int) $result->firstHit);
                $contact = $result->events[1]->at;
                $off = abs(sin($contact->angleTo($hit) - $cue->angleTo($contact)));
                match ($aim) {
                    BreakAim::HeadBall => self::assertLessThan(0.01, $off),
                    BreakAim::Cut => self::assertEqualsWithDelta(0.25, $off, 0.01),
                    BreakAim::SecondBall => self::assertLessThan(0.7, $off, 'a third of it at least'),
                };
            }
        }
    }

    /** Ends are counted once each, what goes on is at most what was kept, and the same seed gives the same. */
    public function testTriesAreCounted(): void
    {
        $search = new BreakSearch(GameName::NineBall, Player::of(Level::Advanced));
        [$one, $two] = [new BreakTries(new BreakStroke(8.0)), new BreakTries(new BreakStroke(8.0))];
        $search->more($one, 20);
        $search->more($one, 30);
        $search->more($two, 30);
        self::assertEquals($one, $two);
        self::assertSame(30, $one->tries);
        self::assertGreaterThan(5, $one->kept);
        self::assertLessThanOrEqual($one->tries, $one->kept + $one->scratched);
        self::assertLessThanOrEqual($one->kept / $one->tries, $one->goesOn());
        self::assertGreaterThanOrEqual($one->won / $one->tries, $one->goesOn());
        self::assertEqualsWithDelta($one->goesOn(), array_sum($one->goesOnBetween()) / 2, 0.02);
        self::assertMatchesRegularExpression('/^Full at the head ball, 0\.6 diamonds from the middle, at 8\.0 m\/s: a ball drops in \d+ %, /', BreakWording::sentence($one));
    }

    /** Ranked by what goes on; the better ones have more tries. A harder break than a soft one drops more (common practice, no source). */
    public function testTheBetterOnesComeFirst(): void
    {
        $list = [];
        foreach ((new BreakSearch(GameName::NineBall, Player::of(Level::League)))->ranked(0.1) as $list) {
            $worth = array_map(static fn(BreakTries $one): float => $one->goesOn(), $list);
            $sorted = $worth;
            rsort($sorted);
            self::assertSame($sorted, $worth);
        }
        self::assertSame([40, 40, 40, 40], array_column($list, 'tries'));
        $search = new BreakSearch(GameName::NineBall, Player::of(Level::League));
        [$soft, $firm] = [new BreakTries(new BreakStroke(3.0)), new BreakTries(new BreakStroke(8.0))];
        $search->more($soft, 30);
        $search->more($firm, 30);
        self::assertGreaterThan($soft->balls(), $firm->balls());
    }

    public function testStraightPoolIsOpenedOtherwise(): void
    {
        $this->expectException(InvalidInput::class);
        new BreakSearch(GameName::StraightPool, Player::of(Level::League));
    }
}
