<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Decision;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Decision\TurnChain;
use ZigLane\Core\Decision\UsualRunOut;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Tests\Core\Reading\Read;

final class UsualRunOutTest extends TestCase
{
    /** What the mean was on the tables of 108 and 80 racks that advanced and league players played among themselves. */
    public function testItIsWhatWasMeasured(): void
    {
        $measured = [
            [Level::Advanced, [0.468, 0.408, 0.370, 0.312, 0.249, 0.176, 0.112, 0.064]],
            [Level::League, [0.365, 0.285, 0.228, 0.174, 0.115, 0.065, 0.035, 0.019]],
        ];
        $of = static fn(Level $level): UsualRunOut => UsualRunOut::of(
            Read::rack(['cue' => [2.0, 2.0], 1 => [6.0, 1.0], 8 => [3.0, 3.0]], 'eight-ball')->withPlayer(Player::of($level)),
        );
        foreach ($measured as [$level, $means]) {
            foreach ($means as $n => $mean) {
                self::assertEqualsWithDelta($mean, $of($level)->mean($n + 1), 0.04, $level->value . ' ' . ($n + 1));
            }
        }
        foreach ([1, 4, 8] as $balls) {
            $all = array_map(static fn(Level $level): float => $of($level)->mean($balls), Level::cases());
            $sorted = $all;
            sort($sorted);
            self::assertSame($sorted, $all, 'better players run out more');
        }
    }

    public function testTheOwnChancesOfATableAreDrawnToIt(): void
    {
        $usual = new UsualRunOut(0.3);
        [$one, $two] = $usual->drawnMeans([0.001, 0.0005]);
        self::assertEqualsWithDelta(0.001 ** 0.8 * $usual->mean(1) ** 0.2, $one, 1e-12);
        self::assertEqualsWithDelta(0.0005 ** 0.8 * $usual->mean(2) ** 0.2, $two, 1e-12);
        // Never more with a ball more.
        self::assertSame($usual->drawnMeans([0.01, 0.9])[0], $usual->drawnMeans([0.01, 0.9])[1]);
        // The last ball is known as it lies; with four balls half of it is.
        self::assertEqualsWithDelta(0.9, $usual->drawn(0.9, 0.4, 1), 1e-12);
        self::assertEqualsWithDelta(sqrt(0.9 * 0.4), $usual->drawn(0.9, 0.4, 4), 1e-12);
    }

    /** Whose balls are tied up today is not lost, and to go wins at least as often as it runs out. */
    public function testATableTellsLessThanItSeems(): void
    {
        $good = [0.29, 0.37, 0.07, 0.16, 0.17, 0.17, 0.15];
        $tied = [0.09, 0.004, 0.02, 0.06, 0.09, 0.06, 0.04, 0.02];
        $usual = [new UsualRunOut(0.25), new UsualRunOut(0.25)];
        $own = [new UsualRunOut(0.25, 1.0, \INF), new UsualRunOut(0.25, 1.0, \INF)];
        [$drawn] = TurnChain::between($good, $tied, $usual);
        [$plain] = TurnChain::between($good, $tied, $own);
        self::assertGreaterThan(0.5, $drawn->coming);
        self::assertLessThan($plain->coming, $drawn->coming);
        self::assertLessThan($plain->going(0.27) - 0.03, $drawn->going(0.27));
        foreach ([0.1, 0.6, 0.95] as $runOut) {
            self::assertGreaterThanOrEqual($runOut, $drawn->going($runOut));
        }
    }
}
