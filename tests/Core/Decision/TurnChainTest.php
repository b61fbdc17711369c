<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Decision;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZigLane\Core\Decision\TurnChain;
use ZigLane\Core\Decision\UsualRunOut;
use ZigLane\Core\Numerics\Generator;

final class TurnChainTest extends TestCase
{
    private const RACKS = 100_000;

    /**
     * @return iterable<string, array{list<float>, list<float>, bool}>
     */
    public static function racks(): iterable
    {
        yield 'the same balls' => [[0.7, 0.5, 0.4, 0.3], [0.6, 0.4, 0.25, 0.2], true];
        yield 'a group each' => [[0.7, 0.5, 0.4, 0.3], [0.6, 0.4], false];
        yield 'players who seldom miss' => [[0.97, 0.93, 0.9, 0.86], [0.95, 0.9, 0.8, 0.75], true];
        yield 'one ball' => [[0.7], [0.2], true];
    }

    /**
     * The closed form against turns that are drawn, one ball after the other: 100,000 racks, a standard error of 0.0016.
     *
     * @param non-empty-list<float> $own
     * @param non-empty-list<float> $other
     */
    #[DataProvider('racks')]
    public function testTheChainIsWhatPlayingItGives(array $own, array $other, bool $same): void
    {
        [$one, $two] = TurnChain::between($own, $other, $same ? null : self::asTheyAre());
        $won = 0;
        $random = new Generator(3);
        for ($n = 0; $n < self::RACKS; ++$n) {
            $won += 0 === self::winner([$own, $other], $same, $random) ? 1 : 0;
        }
        self::assertEqualsWithDelta($won / self::RACKS, $one->coming, 0.006);
        self::assertEqualsWithDelta(1 - $one->failing(), $two->coming, 1e-9);
        self::assertEqualsWithDelta($one->coming, $one->going($own[\count($own) - 1]), 1e-9);
    }

    /** Many racks last long, so that it is not who is ten times as likely to run out who wins ten times as often. */
    public function testAWeakerPlayerWinsRacksToo(): void
    {
        $strong = [0.5, 0.27, 0.24, 0.11, 0.12, 0.08, 0.05];
        $weak = [0.23, 0.08, 0.04, 0.007, 0.005, 0.001, 0.0005];
        [$one] = TurnChain::between($strong, $weak, null);
        self::assertGreaterThan(0.7, $one->coming);
        self::assertLessThan(0.9, $one->coming);
    }

    /** Balls that cannot be run out today do not make a rack lost. */
    public function testATableThatIsTiedUpIsNotLost(): void
    {
        [$one] = TurnChain::between([0.6, 0.4, 0.3, 0.0, 0.0], [0.6, 0.4, 0.3, 0.2, 0.1], self::asTheyAre());
        self::assertGreaterThan(0.15, $one->coming);
        self::assertLessThan(0.5, $one->coming);
        [$even] = TurnChain::between([0.6, 0.0, 0.0], [0.6, 0.0, 0.0], null);
        self::assertEqualsWithDelta(0.5, $even->coming, 0.05);
        // Not even where nobody can make anything.
        [$stuck] = TurnChain::between([0.0, 0.0], [0.0, 0.0], self::asTheyAre());
        self::assertEqualsWithDelta(0.5, $stuck->coming, 0.001);
        self::assertEqualsWithDelta(0.5, $stuck->going(0.0), 0.001);
    }

    public function testMoreOfARunOutAndTheBallInHandAreWorthMore(): void
    {
        [$one] = TurnChain::between([0.6, 0.4, 0.3, 0.2], [0.6, 0.4, 0.3, 0.2], null);
        self::assertEqualsWithDelta($one->failing(), $one->going(0.0), 1e-9);
        self::assertGreaterThan($one->going(0.1), $one->going(0.3));
        self::assertEqualsWithDelta(1.0, $one->going(1.0), 1e-9);
        self::assertGreaterThan($one->coming, $one->inHand(0.0));
        self::assertGreaterThan($one->inHand(0.0), $one->inHand(0.5));
    }

    /** A good place on a table that is tied up from most others. */
    public function testNothingIsWorthMoreThanTheRack(): void
    {
        [$one] = TurnChain::between([0.972, 0.07], [0.82], self::asTheyAre());
        self::assertLessThan(1.0, $one->going(0.965));
        self::assertGreaterThan(0.965, $one->going(0.965));
    }

    /** Who runs out wins: to go is worth at least that, and more where a turn that fails may still be followed by another. */
    public function testToGoIsWorthAtLeastTheRunOut(): void
    {
        foreach ([[0.97, 0.93, 0.9, 0.86], [0.7, 0.5, 0.4, 0.3], [0.3, 0.02, 0.001, 0.0]] as $means) {
            [$one] = TurnChain::between($means, $means, null);
            foreach ([0.1, 0.5, 0.76, 0.95, 0.999] as $runOut) {
                self::assertGreaterThan($runOut, $one->going($runOut));
                self::assertLessThan(1.0, $one->going($runOut));
            }
        }
    }

    /**
     * Chances that count as they are.
     *
     * @return array{UsualRunOut, UsualRunOut}
     */
    private static function asTheyAre(): array
    {
        $usual = new UsualRunOut(1.0, 1.0, \INF);

        return [$usual, $usual];
    }

    /**
     * @param array{list<float>, list<float>} $means
     */
    private static function winner(array $means, bool $same, Generator $random): int
    {
        $left = array_map(\count(...), $means);
        for ($turn = 0;; $turn = 1 - $turn) {
            $all = $left[$turn];
            $runOut = $means[$turn][$all - 1];
            // A run goes on as long as this number is below the chance to get that far.
            $reach = $random->between(0.0, 1.0);
            $made = 0;
            while ($made < $all && $reach < ($made + 1 === $all ? $runOut : max($runOut, $runOut / (1.5 * $means[$turn][$all - $made - 2])))) {
                ++$made;
            }
            if ($made === $all) {
                return $turn;
            }
            $left[$turn] -= $made;
            $left[1 - $turn] -= $same ? $made : 0;
        }
    }
}
