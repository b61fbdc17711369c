<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Games;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Games\Foul;
use ZigLane\Core\Games\Game;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\Games\Group;
use ZigLane\Core\Games\Verdict;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\ShotResult;
use ZigLane\Core\Wording\FoulWording;

/**
 * The rules as commonly played; an event's own rules decide.
 */
final class RulesTest extends TestCase
{
    private static function layout(int ...$balls): Layout
    {
        $places = [];
        foreach ([0, ...array_values($balls)] as $i => $ball) {
            $places[$ball] = new Point(0.1 + 0.1 * (int) $i, 0.5);
        }

        return new Layout($places);
    }

    /**
     * @param list<int> $down
     */
    private static function judge(GameName $game, Layout $before, ?int $firstHit, array $down = [], bool $rail = true, ?Group $group = null): Verdict
    {
        $final = $before;
        foreach ($down as $ball) {
            $final = $final->without($ball);
        }
        $pocketed = array_fill_keys($down, Pocket::FootLeft);

        return $game->rules($group)->judge($before, new ShotResult([], [], $final, $pocketed, $firstHit, $rail, 1.0));
    }

    public function testNineBall(): void
    {
        $rules = GameName::NineBall->rules();
        $before = self::layout(2, 5, 9);
        self::assertSame(range(1, 9), $rules->rack());
        self::assertSame([2], $rules->legalTargets($before));
        self::assertNull(self::judge(GameName::NineBall, $before, 2)->foul);
        $wrong = self::judge(GameName::NineBall, $before, 5);
        self::assertSame(Foul::WrongBallFirst, $wrong->foul?->foul);
        self::assertSame('Foul: the cue ball touches the 5 first, not the 2.', FoulWording::sentence($wrong->foul));
        self::assertSame(Foul::NoHit, self::judge(GameName::NineBall, $before, null)->foul?->foul);
        self::assertSame(Foul::NoRail, self::judge(GameName::NineBall, $before, 2, rail: false)->foul?->foul);
        self::assertSame(Foul::Scratch, self::judge(GameName::NineBall, $before, 2, [2, 0])->foul?->foul);
        self::assertTrue(self::judge(GameName::NineBall, $before, 2, [9])->won, 'the nine off the 2 wins');
        self::assertFalse(self::judge(GameName::NineBall, $before, 5, [9])->won, 'not after a foul');
        self::assertFalse(self::judge(GameName::NineBall, $before, 2, [9, 0])->won);
        self::assertTrue($rules->isOver(self::layout(2)));
    }

    public function testTenBallEndsWithTheTen(): void
    {
        self::assertSame(range(1, 10), GameName::TenBall->rules()->rack());
        self::assertFalse(self::judge(GameName::TenBall, self::layout(9, 10), 9, [9])->won);
        self::assertTrue(self::judge(GameName::TenBall, self::layout(10), 10, [10])->won);
        self::assertFalse(self::judge(GameName::TenBall, self::layout(9, 10), 9, [10])->won, 'the ten too early is spotted');
    }

    /**
     * @param list<int> $down
     *
     * @return list<int>
     */
    private static function spotted(GameName $game, Layout $before, int $first, array $down): array
    {
        $pocketed = array_fill_keys($down, Pocket::FootLeft);
        $after = new Layout(array_diff_key($before->balls, $pocketed));

        return $game->rules()->spotted($before, new ShotResult([], [], $after, $pocketed, $first, true, 1.0));
    }

    /** Balls that come back: the money ball of rotation when it has not won, and in straight pool what fell on a foul. */
    public function testSpottedBalls(): void
    {
        self::assertSame([9], self::spotted(GameName::NineBall, self::layout(2, 9), 2, [9, 0]));
        self::assertSame([], self::spotted(GameName::NineBall, self::layout(2, 9), 2, [9]));
        self::assertSame([10], self::spotted(GameName::TenBall, self::layout(2, 10), 2, [10]));
        self::assertSame([3, 5], self::spotted(GameName::StraightPool, self::layout(3, 5, 7), 3, [5, 3, 0]));
        self::assertSame([], self::spotted(GameName::StraightPool, self::layout(3, 5, 7), 3, [5]));
    }

    /** A ball off the table is a foul; the money ball and, in straight pool, any come back, and the eight loses (WPA rules, from memory). */
    public function testBallsOffTheTable(): void
    {
        $off = static fn(Layout $before, int $ball): ShotResult => new ShotResult([], [], $before->without($ball), [], 2, true, 1.0, [$ball]);
        $nine = self::layout(2, 5, 9);
        $rules = GameName::NineBall->rules();
        $verdict = $rules->judge($nine, $off($nine, 5));
        self::assertSame(Foul::OffTable, $verdict->foul?->foul);
        self::assertSame('Foul: the 5 leaves the table.', FoulWording::sentence($verdict->foul));
        self::assertSame([], $rules->spotted($nine, $off($nine, 5)));
        self::assertFalse($rules->judge($nine, $off($nine, 9))->won);
        self::assertSame([9], $rules->spotted($nine, $off($nine, 9)));
        $scratch = $rules->judge($nine, $off($nine, 0))->foul;
        self::assertSame(Foul::Scratch, $scratch?->foul);
        self::assertSame('Foul: the cue ball leaves the table.', FoulWording::sentence($scratch));
        $straight = self::layout(2, 5, 7);
        self::assertSame([5], GameName::StraightPool->rules()->spotted($straight, $off($straight, 5)));
        $eight = self::layout(2, 8);
        self::assertTrue(GameName::EightBall->rules(Group::Solids)->judge($eight, $off($eight, 8))->lost);
    }

    /** A safety calls nothing: only where nothing is called does the turn go on. */
    public function testASafetyThatDropsABall(): void
    {
        $before = self::layout(2, 9);
        $result = new ShotResult([], [], $before->without(2), [2 => Pocket::FootLeft], 2, true, 1.0);
        self::assertTrue(GameName::NineBall->rules()->countsAsMade(null, null, $result));
        self::assertFalse(GameName::TenBall->rules()->countsAsMade(null, null, $result));
        self::assertFalse(GameName::EightBall->rules(Group::Solids)->countsAsMade(null, null, $result));
    }

    /** Where the house counts any ball, or calls nine-ball: what is usual is the other. */
    public function testShotsCalledOrNot(): void
    {
        $before = self::layout(2, 3, 9);
        $down = static fn(int $ball): ShotResult => new ShotResult([], [], $before->without($ball), [$ball => Pocket::FootLeft], 2, true, 1.0);
        $called = GameName::NineBall->rules(called: true);
        self::assertFalse($called->countsAsMade(2, Pocket::FootLeft, $down(3)));
        self::assertFalse($called->countsAsMade(2, Pocket::FootRight, $down(2)));
        self::assertTrue($called->countsAsMade(2, Pocket::FootLeft, $down(2)));
        self::assertTrue($called->winsByFalling($before), 'the nine wins early, when it is called');
        $free = GameName::EightBall->rules(Group::Solids, called: false);
        self::assertTrue($free->countsAsMade(2, Pocket::FootRight, $down(3)));
        self::assertFalse($free->countsAsMade(2, Pocket::FootRight, $down(9)), 'the other group’s');
        self::assertFalse($free->countsAsMade(8, Pocket::FootRight, $down(3)), 'the eight is always called');
        foreach (GameName::cases() as $game) {
            self::assertSame(GameName::NineBall !== $game, $game->rules()->isCalled());
        }
    }

    public function testEightBall(): void
    {
        $before = self::layout(1, 8, 12);
        self::assertSame([1, 12], GameName::EightBall->rules()->legalTargets($before), 'open table');
        self::assertSame([1], GameName::EightBall->rules(Group::Solids)->legalTargets($before));
        self::assertSame([12], GameName::EightBall->rules(Group::Stripes)->legalTargets($before));
        self::assertSame([8], GameName::EightBall->rules(Group::Solids)->legalTargets(self::layout(8, 12)));
        self::assertSame(Foul::WrongBallFirst, self::judge(GameName::EightBall, $before, 12, group: Group::Solids)->foul?->foul);
        self::assertTrue(self::judge(GameName::EightBall, $before, 1, [8], group: Group::Solids)->lost, 'the eight too early');
        self::assertTrue(self::judge(GameName::EightBall, self::layout(8, 12), 8, [8], group: Group::Solids)->won);
        self::assertTrue(self::judge(GameName::EightBall, self::layout(8, 12), 8, [8, 0], group: Group::Solids)->lost, 'a scratch on the eight');
    }

    public function testStraightPoolLeavesABreakBall(): void
    {
        $rules = GameName::StraightPool->rules();
        self::assertSame([3, 14], $rules->legalTargets(self::layout(3, 14)));
        self::assertFalse($rules->isOver(self::layout(3, 14)));
        self::assertTrue($rules->isOver(self::layout(14)));
    }

    /** What the rest of the program asks instead of looking which game it is. */
    public function testWhatDiffersFromGameToGame(): void
    {
        $asked = [
            'fixed order' => static fn(Game $g): bool => $g->hasFixedOrder(),
            'break shot at the end' => static fn(Game $g): bool => $g->endsWithBreakShot(),
            'open table' => static fn(Game $g): bool => $g->isTableOpen(),
            'others’ balls' => static fn(Game $g): bool => $g->hasObstacles(),
            'the eight spoils a break' => static fn(Game $g): bool => $g->spoilsBreak(8),
        ];
        $answers = [];
        foreach (GameName::cases() as $game) {
            $answers[$game->value] = array_keys(array_filter($asked, static fn(\Closure $ask): bool => $ask($game->rules())));
        }
        self::assertSame([
            'eight-ball' => ['open table', 'others’ balls', 'the eight spoils a break'],
            'nine-ball' => ['fixed order'],
            'ten-ball' => ['fixed order'],
            'straight-pool' => ['break shot at the end'],
        ], $answers);
        self::assertFalse(GameName::EightBall->rules(Group::Solids)->isTableOpen());
        self::assertSame([Group::Solids, Group::Stripes], array_map(GameName::EightBall->rules()->groupTakenWith(...), [3, 11]));
    }

    public function testOwnAndLastBalls(): void
    {
        $table = self::layout(2, 8, 11, 14);
        $stripes = GameName::EightBall->rules(Group::Stripes);
        self::assertSame([8, 11, 14], $stripes->ownBalls($table));
        self::assertSame([11, 14], $stripes->legalTargets($table));
        self::assertSame([2, 8, 11, 14], GameName::EightBall->rules()->ownBalls($table));
        self::assertSame([8, 14, null], [$stripes->lastBall($table), GameName::TenBall->rules()->lastBall($table), GameName::StraightPool->rules()->lastBall($table)]);
        self::assertNull($stripes->lastBall(self::layout(2)));
    }

    /**
     * @param array<int, Pocket> $pocketed
     */
    private static function made(GameName $game, array $pocketed): bool
    {
        return $game->rules()->countsAsMade(3, Pocket::FootLeft, new ShotResult([], [], self::layout(), $pocketed, 3, true, 1.0));
    }

    /** Nine-ball counts any ball; the others only what was called. */
    public function testWhatCountsAsMade(): void
    {
        foreach (GameName::cases() as $game) {
            self::assertTrue(self::made($game, [3 => Pocket::FootLeft]));
            self::assertSame(GameName::NineBall === $game, self::made($game, [3 => Pocket::FootRight]), $game->value);
            self::assertSame(GameName::NineBall === $game, self::made($game, [5 => Pocket::FootLeft]), $game->value);
            self::assertFalse(self::made($game, [0 => Pocket::FootLeft]), $game->value);
        }
    }
}
