<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Reading;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Reading\TableReading;
use ZigLane\Core\Reading\Trouble\TroubleKind;
use ZigLane\Core\Wording\KeyBallWording;
use ZigLane\Core\Wording\TroubleWording;

/**
 * Twelve layouts, each made to have one difficulty, read as they were meant.
 */
final class TwelveLayoutsTest extends TestCase
{
    private const RAIL = 0.0867;

    /**
     * @return iterable<string, array{array<string|int, array{float, float}>, TroubleKind, list<int>, string}>
     */
    public static function layouts(): iterable
    {
        $r = self::RAIL;
        yield 'the 5 shut in on the rail' => [['cue' => [1.5, 2], 1 => [4, 1], 3 => [2.5, 3], 5 => [6, $r], 8 => [5.82, $r], 9 => [6.09, 0.243]], TroubleKind::Stuck, [5, 9], 'The 5 only goes once the 9 has moved'];
        yield 'two balls touching' => [['cue' => [1.5, 2], 1 => [2.5, 1], 4 => [5, 2], 5 => [5.09, 2.157], 9 => [6.8, 3.2]], TroubleKind::Cluster, [4, 5], 'The 4 and the 5 lie together, touching'];
        yield 'a frozen ball' => [['cue' => [1.5, 2], 2 => [4.5, 1.5], 3 => [2, $r], 9 => [6, 2.5]], TroubleKind::Frozen, [3], 'frozen to the left rail'];
        yield 'a ball with one pocket' => [['cue' => [3, 2], 2 => [6, 1.2], 6 => [$r, 2], 7 => [0.62, 2], 8 => [$r, 2.9], 9 => [4, 2]], TroubleKind::OnePocket, [6], 'The 6 has one pocket, head left'];
        yield 'two balls, one lane' => [['cue' => [3, 2], 2 => [7.55, 0.5], 3 => [7.1, 0.3], 4 => [7.22, 0.75], 6 => [6.7, 0.1], 7 => [7.65, 1.05], 8 => [6.8, 0.7], 9 => [6.65, 0.4]], TroubleKind::SameLane, [2, 3], 'need the same lane, the foot left pocket'];
        yield 'a later ball in the only way' => [['cue' => [3, 2], 1 => [5, 2.5], 4 => [$r, 2], 7 => [0.62, 2], 8 => [$r, 2.9], 9 => [0.23, 1.45]], TroubleKind::Stuck, [4, 8], 'The 4 only goes once the 8 has moved, and that comes later in the order'];
        yield 'the last ball far off' => [['cue' => [3, 2], 2 => [6.2, 1.2], 5 => [6.8, 2.6], 7 => [5.5, 2], 9 => [0.8, 1.8]], TroubleKind::Far, [9], 'The 9 lies alone, 5 diamonds from the next ball'];
        yield 'a ball close to a rail' => [['cue' => [3, 2], 2 => [6.2, 1.2], 5 => [5.5, 3.86], 9 => [4.9, 2.2]], TroubleKind::ByRail, [5], 'The 5 lies 2 cm off the right rail'];
    }

    /**
     * @param array<string|int, array{float, float}> $balls
     * @param list<int>                              $who
     */
    #[DataProvider('layouts')]
    public function testTheIntendedTroubleIsNamedFirst(array $balls, TroubleKind $kind, array $who, string $words): void
    {
        $reading = TableReading::of(Read::rack($balls), Player::of(Level::League));
        $first = $reading->troubles[0] ?? self::fail('no trouble found');
        self::assertSame($kind, $first->kind, TroubleWording::sentence($first));
        self::assertSame($who, \array_slice($first->balls, 0, \count($who)));
        self::assertSame($who[0], $reading->problem());
        self::assertStringContainsString($words, TroubleWording::sentence($first));
    }

    public function testAnOpenTableHasNoTrouble(): void
    {
        $reading = TableReading::of(Read::rack(['cue' => [1.5, 2], 1 => [3, 1], 4 => [5, 2.8], 7 => [6, 1.2], 9 => [4.2, 1.9]]), Player::of(Level::League));
        self::assertSame([], $reading->troubles);
        self::assertNull($reading->problem());
        self::assertSame(7, $reading->keys[0]->ball, 'the ball before the last is the key ball');
    }

    public function testWhatAnEarlierBallCoversIsNoGreatTrouble(): void
    {
        $r = self::RAIL;
        $reading = TableReading::of(Read::rack(['cue' => [3, 2], 1 => [$r, 1.4], 2 => [0.62, 2], 3 => [$r, 2.6], 4 => [$r, 2], 9 => [5, 2.5]]), Player::of(Level::League));
        $four = array_values(array_filter($reading->troubles, static fn($t): bool => 4 === $t->balls[0] && \count($t->balls) > 1))[0];
        self::assertStringContainsString('The 4 only goes once the 3 has moved: shot first anyway', TroubleWording::sentence($four));
        self::assertLessThan(TroubleKind::Frozen->weight(), $four->weight);
        self::assertNotEmpty($reading->indirect[4], 'a bank is found meanwhile');
    }

    public function testTheEightBehindTheOthersBalls(): void
    {
        $r = self::RAIL;
        $reading = TableReading::of(Read::rack(['cue' => [3, 2], 1 => [6.2, 1.2], 3 => [5.5, 2.6], 8 => [1.5, $r], 10 => [1.32, $r], 12 => [1.68, $r], 14 => [1.5, 0.28]], 'eight-ball', 'solids'), Player::of(Level::League));
        self::assertSame(8, $reading->problem());
        self::assertStringContainsString('The 8 only goes once the 10 has moved', TroubleWording::sentence($reading->troubles[0]));
        self::assertSame([1, 3, 8], $reading->own);
        self::assertSame(3, $reading->keys[0]->ball, 'of the own balls the 3 leaves the 8 best');
    }

    public function testStraightPoolsBreakBall(): void
    {
        $reading = TableReading::of(Read::rack(['cue' => [3, 2], 4 => [6.3, 3], 7 => [2, 0.8], 9 => [5.2, 1], 11 => [3, 3]], 'straight-pool'), Player::of(Level::League));
        $first = $reading->keys[0];
        self::assertTrue($first->break);
        self::assertSame(4, $first->ball);
        self::assertSame('foot-right', $first->pocket->value);
        $key = array_values(array_filter($reading->keys, static fn($k): bool => !$k->break))[0];
        self::assertSame([11, 4], [$key->ball, $key->for], KeyBallWording::sentence($key));
    }
}
