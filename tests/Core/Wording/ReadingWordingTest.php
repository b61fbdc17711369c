<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Wording;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Reading\Indirect;
use ZigLane\Core\Reading\IndirectKind;
use ZigLane\Core\Reading\KeyBall;
use ZigLane\Core\Reading\KeyBallKind;
use ZigLane\Core\Reading\Opening;
use ZigLane\Core\Reading\Trouble\Alone;
use ZigLane\Core\Reading\Trouble\Cluster;
use ZigLane\Core\Reading\Trouble\FrozenToRail;
use ZigLane\Core\Reading\Trouble\InTheOnlyWay;
use ZigLane\Core\Reading\Trouble\NearRail;
use ZigLane\Core\Reading\Trouble\NoPocket;
use ZigLane\Core\Reading\Trouble\OnePocket;
use ZigLane\Core\Reading\Trouble\Opener;
use ZigLane\Core\Reading\Trouble\OpensInTurn;
use ZigLane\Core\Reading\Trouble\SameLane;
use ZigLane\Core\Reading\Trouble\ShutIn;
use ZigLane\Core\Reading\Trouble\Trouble;
use ZigLane\Core\Wording\BallNames;
use ZigLane\Core\Wording\KeyBallWording;
use ZigLane\Core\Wording\TroubleWording;

/**
 * The sentences that a reading is made of.
 */
final class ReadingWordingTest extends TestCase
{
    /**
     * @return iterable<string, array{Trouble, string}>
     */
    public static function troubles(): iterable
    {
        $bank = new Indirect(IndirectKind::Bank, 5, 5, Pocket::SideLeft, null, 0.01);
        $opener = new Opener(3, Pocket::FootLeft, 6);
        yield 'no pocket' => [new NoPocket(5, null), 'The 5 goes nowhere directly: the angle closes every pocket, so it must be moved.'];
        yield 'no pocket, but a bank' => [new NoPocket(5, $bank), 'The 5 goes nowhere directly: the angle closes every pocket, so it must be moved. Or bank the 5 into the side left pocket.'];
        yield 'opens in turn' => [new OpensInTurn(4, [3]), 'The 4 only goes once the 3 has moved: shot first anyway, so only position matters.'];
        yield 'shut in' => [new ShutIn(5, [6, 8], null, false, null), 'The 5 only goes once the 6 and the 8 have moved.'];
        yield 'shut in, in order' => [new ShutIn(5, [6], null, true, null), 'The 5 only goes once the 6 has moved, and that comes later in the order: it must be moved on purpose.'];
        yield 'shut in, with an opener' => [new ShutIn(5, [6], $opener, true, $bank), 'The 5 only goes once the 6 has moved; the 3 into the foot left pocket has the angle to move the 6. Or bank the 5 into the side left pocket.'];
        $open = new Opening(2, Pocket::HeadLeft, 0.1, 0.1, [], 1.0);
        yield 'one pocket' => [new OnePocket(2, $open, []), 'The 2 has one pocket, head left: position must come to that side.'];
        $narrow = new Opening(2, Pocket::HeadLeft, 0.04, 0.1, [7], 1.0);
        yield 'one narrow pocket' => [new OnePocket(2, $narrow, [8]), 'The 2 has one pocket, head left, and the 7 takes 60 % of that: position must come to that side, until the 8 has moved.'];
        yield 'in the only way' => [new InTheOnlyWay(2, 7, Pocket::HeadLeft), 'The 7 stands in the only way of the 2, to the head left pocket: it forces a finer shot or must be moved first.'];
        yield 'same lane' => [new SameLane([2, 3, 4], Pocket::FootRight), 'The 2, the 3 and the 4 need the same lane, the foot right pocket: the first of them must go down cleanly, for one hung there shuts it for the other.'];
        yield 'cluster' => [new Cluster([4, 5], false, [], null), 'The 4 and the 5 lie together, but each goes somewhere: play them from the open side.'];
        yield 'shut cluster' => [new Cluster([4, 5], true, [5], $opener), 'The 4 and the 5 lie together, touching: the 5 cannot go until they are opened; the 3 into the foot left pocket has the angle to move the 6.'];
        yield 'frozen' => [new FrozenToRail(3, 'left'), 'The 3 is frozen to the left rail: it goes along the rail only, thin misses stay up, and the cue ball must come from its own side.'];
        yield 'by the rail' => [new NearRail(3, 'foot', 0.004), 'The 3 lies 1 cm off the foot rail: the pockets along it take it only from a fine angle.'];
        yield 'alone' => [new Alone(9, 4.2, true), 'The 9 lies alone, 4 diamonds from the next ball: the cue ball must travel there and back when it is due.'];
        yield 'alone, any order' => [new Alone(9, 4.2, false), 'The 9 lies alone, 4 diamonds from the next ball: the cue ball must travel there and back, or leave it for last.'];
    }

    #[DataProvider('troubles')]
    public function testTrouble(Trouble $trouble, string $sentence): void
    {
        self::assertSame($sentence, TroubleWording::sentence($trouble));
    }

    public function testKeyBalls(): void
    {
        $words = static fn(KeyBallKind $kind, float $cut = 0.0, string $side = ''): string => KeyBallWording::sentence(new KeyBall($kind, 7, Pocket::FootLeft, 9, 0.84, $cut, $side));
        self::assertSame('The 7 into the foot left pocket is the key ball: stopped there or moved a hand’s breadth, the cue ball has the 9 at about 84 %.', $words(KeyBallKind::KeyToLast));
        self::assertSame('The 7 into the foot left pocket: stopped there or moved a hand’s breadth, the cue ball has the 9 at about 84 %.', $words(KeyBallKind::PerhapsKeyToLast));
        self::assertStringStartsWith('The 7 breaks the next rack into the foot left pocket: with the cue ball left of its line, cut ', $words(KeyBallKind::BreakBall, side: 'left'));
        self::assertSame('The 7 into the foot left pocket is a key ball: a stop shot leaves the break ball 9 at a cut of 31°, 84 %.', $words(KeyBallKind::KeyToBreakBall, 31.2));
    }

    public function testBallsAreNamed(): void
    {
        self::assertSame(['the 3', 'the 3 and the 5', 'the 3, the 5 and the 7'], array_map(BallNames::each(...), [[3], [3, 5], [3, 5, 7]]));
    }
}
