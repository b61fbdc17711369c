<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Planning;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZigLane\Core\Finding;
use ZigLane\Core\Games\Group;
use ZigLane\Core\Geometry\Angle;
use ZigLane\Core\Planning\CountedDeadline;
use ZigLane\Core\Planning\Finding\BreaksCluster;
use ZigLane\Core\Planning\Finding\ClusterToOpen;
use ZigLane\Core\Planning\Finding\RoundTheTable;
use ZigLane\Core\Planning\Plan;
use ZigLane\Core\Planning\PlannedShot;
use ZigLane\Core\Planning\PlanSearch;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Wording\PlanWording;
use ZigLane\Core\Wording\ShotWording;
use ZigLane\Tests\Core\Reading\Read;
use ZigLane\Tests\Survey;

/**
 * Twenty racks of our own on which the right plan turns on one idea (each common practice, no source): it is planned, and said where
 * there is something to say. All of them in the survey; the suite leaves out those that take longest.
 */
final class IdeasTest extends TestCase
{
    private const SLOW = [
        'round three cushions rather than across', 'take stripes', 'break the cluster early, with an insurance ball', 'keep the break ball',
        'leave the far ball for last',
    ];

    /**
     * @param array<int|string, array{float, float}> $balls
     * @param callable(Plan): void                   $check
     */
    #[DataProvider('racks')]
    public function testTheIdeaIsPlannedAndNamed(array $balls, string $game, ?string $group, Level $level, string $said, callable $check): void
    {
        if (\in_array($this->dataName(), self::SLOW, true) && 0 === Survey::size(1, 0)) {
            self::markTestSkipped('in the survey');
        }
        $inHand = isset($balls['in hand']);
        unset($balls['in hand']);
        $rack = Read::rack($balls, $game, $group)->withPlayer(Player::of($level))->withBallInHand($inHand);
        // No time beyond the first shot's: so nothing here depends on how fast the machine is.
        $plan = (new PlanSearch($rack, deadline: new CountedDeadline(1)))->plan();
        self::assertNull($plan->stopped);
        $words = implode("\n", [...PlanWording::says($plan), ...array_merge(...array_map(ShotWording::why(...), $plan->shots))]);
        self::assertStringContainsString($said, $words);
        $check($plan);
    }

    /**
     * @return iterable<string, array{array<int|string, array{float, float}>, string, string|null, Level, string, callable(Plan): void}>
     */
    public static function racks(): iterable
    {
        yield 'stay on the right side' => [
            ['cue' => [4.5, 2.6], 5 => [6.6, 3.3], 3 => [7.0, 1.6], 8 => [1.5, 1.0], 9 => [7.3, 1.9], 10 => [6.7, 1.85], 11 => [6.75, 1.3]],
            'eight-ball', 'solids', Level::League, 'Stay on the right side of the 3, left of its line',
            static fn(Plan $p) => self::assertSame([5, 3, 8], self::order($p)),
        ];
        yield 'break the cluster early, with an insurance ball' => [
            ['cue' => [4.5, 1.2], 1 => [5.6, 0.7], 2 => [3.0, 3.2], 3 => [6.0, 2.0], 4 => [6.19, 2.0], 8 => [2.0, 1.0], 10 => [6.095, 2.17], 11 => [6.0, 1.82]],
            'eight-ball', 'solids', Level::Advanced, 'is the insurance ball',
            static function (Plan $p): void {
                self::assertSame([3, 4, 10, 11], self::found($p->shots[0]->findings, BreaksCluster::class)?->balls);
                self::assertSame(1, self::found($p->says, ClusterToOpen::class)?->shot);
            },
        ];
        yield 'the key ball' => [
            ['cue' => [4, 2], 1 => [6.5, 1.0], 2 => [1.6, 2.9], 8 => [1.2, 1.2]],
            'eight-ball', 'solids', Level::Advanced, 'The 2 is the key ball: it leads to the 8.',
            static fn(Plan $p) => self::assertSame([1, 2, 8], self::order($p)),
        ];
        yield 'leave the far ball for last' => [
            ['cue' => [5.5, 2.0], 1 => [6.4, 1.0], 2 => [7.0, 2.6], 3 => [6.0, 3.2], 4 => [0.8, 1.0], 8 => [0.9, 3.0]],
            'eight-ball', 'solids', Level::League, 'The 4 lies far from the rest and is left for the end.',
            static fn(Plan $p) => self::assertSame([4, 8], \array_slice(self::order($p), -2)),
        ];
        yield 'take stripes' => [
            ['cue' => [3, 2], 1 => [6.0, 1.9], 2 => [6.2, 1.9], 3 => [6.1, 2.1], 4 => [7.5, 0.09], 8 => [2.0, 1.0], 10 => [5.0, 1.0], 11 => [3.5, 3.2], 12 => [1.5, 2.8]],
            'eight-ball', null, Level::Advanced, 'Take stripes: about',
            static fn(Plan $p) => self::assertSame(Group::Stripes, $p->rack->group),
        ];
        yield 'bump the eight to where it goes' => [
            ['cue' => [4.6, 2.0], 1 => [6.0, 2.4], 2 => [3.0, 1.0], 8 => [5.0, 3.913], 9 => [4.78, 3.913], 10 => [5.22, 3.913]],
            'eight-ball', 'solids', Level::Professional, 'The 8, 9 and 10 lie in a cluster and go only once it is open',
            static fn(Plan $p) => self::assertSame([8, 9, 10], self::found(array_merge(...array_map(static fn(PlannedShot $s): array => $s->findings, $p->shots)), BreaksCluster::class)?->balls),
        ];
        yield 'round three cushions rather than across' => [
            ['cue' => [5.98, 1.16], 1 => [6.9, 0.9], 2 => [5.4, 0.7], 4 => [5.64, 2.1], 5 => [4.63, 1.5], 6 => [7.81, 1.5], 7 => [3.32, 3.14], 9 => [0.3, 2.7]],
            'nine-ball', null, Level::League, 'Round three cushions rather than a shorter way: ',
            static fn(Plan $p) => self::assertCount(3, self::found($p->shots[0]->findings, RoundTheTable::class)->rails ?? []),
        ];
        yield 'the ball in the way first' => [
            ['cue' => [4, 2], 3 => [7.0, 1.6], 5 => [7.5, 0.5], 8 => [1.5, 1.0], 9 => [7.3, 1.9], 10 => [6.7, 1.85], 11 => [6.75, 1.3], 12 => [5.0, 3.2]],
            'eight-ball', 'solids', Level::League, 'of the 3',
            static fn(Plan $p) => self::assertSame([5, 3, 8], self::order($p)),
        ];
        yield 'keep the break ball' => [
            ['cue' => [4, 2], 1 => [6.2, 2.85], 2 => [2.0, 1.0], 3 => [4.6, 1.2], 4 => [7.2, 0.8]],
            'straight-pool', null, Level::Advanced, 'it leaves the cue ball for the break ball, the 1.',
            static fn(Plan $p) => self::assertNotContains(1, self::order($p)),
        ];
        yield 'the pocket that leads on' => [
            ['cue' => [3.0, 1.0], 8 => [4.0, 0.5], 9 => [4.0, 3.913]],
            'nine-ball', null, Level::League, 'The 8 in the foot left pocket instead: about',
            static fn(Plan $p) => self::assertSame('side-left', $p->shots[0]->pot->pocket->value),
        ];
        yield 'a stop-shot pattern' => [
            ['cue' => [4.0, 2.0], 7 => [6.0, 3.0], 8 => [4.4, 0.95], 9 => [6.6, 1.0]],
            'nine-ball', null, Level::Advanced, 'Stop, ',
            static function (Plan $p): void {
                self::assertSame('stop', $p->shots[0]->family?->stroke);
                self::assertLessThan(0.12, $p->shots[0]->rest->distanceTo($p->rack->layout->ball(7)));
            },
        ];
        yield 'the last ball plainly' => [
            ['cue' => [4.0, 2.0], 9 => [6.3, 3.0]],
            'nine-ball', null, Level::League, '',
            static function (Plan $p): void {
                self::assertEqualsWithDelta(0.0, $p->shots[0]->spec->tip->side, 0.1);
                self::assertLessThan(2, \count($p->shots[0]->family->rails ?? []));
            },
        ];
        yield 'a ball frozen to the rail' => [
            ['cue' => [5.4, 3.0], 8 => [6.8, 3.91], 9 => [2.0, 1.0]],
            'nine-ball', null, Level::Advanced, '',
            static function (Plan $p): void {
                self::assertSame('foot-right', $p->shots[0]->pot->pocket->value);
                self::assertGreaterThan(0.9, $p->shots[0]->chances->pot);
            },
        ];
        yield 'draw back for a ball behind' => [
            ['cue' => [4.6, 2.3], 8 => [6.2, 3.1], 9 => [2.3, 0.8]],
            'nine-ball', null, Level::Advanced, 'Draw, ',
            static function (Plan $p): void {
                self::assertSame('draw', $p->shots[0]->family?->stroke);
                self::assertLessThan($p->rack->layout->ball(8)->x - 0.2, $p->shots[0]->rest->x);
            },
        ];
        yield 'follow for a ball ahead' => [
            ['cue' => [3.0, 3.0], 8 => [4.6, 3.4], 9 => [7.2, 2.6]],
            'nine-ball', null, Level::Advanced, '',
            static function (Plan $p): void {
                self::assertSame('follow', $p->shots[0]->family?->stroke);
                self::assertGreaterThan($p->rack->layout->ball(8)->x, $p->shots[0]->rest->x);
            },
        ];
        yield 'not after the ball into the pocket' => [
            ['cue' => [6.6, 2.7], 8 => [7.3, 3.35], 9 => [1.0, 2.0]],
            'nine-ball', null, Level::Advanced, '',
            static fn(Plan $p) => self::assertSame('draw', $p->shots[0]->family?->stroke),
        ];
        yield 'no draw over the rail' => [
            ['cue' => [1.5, 0.09], 8 => [4.2, 0.6], 9 => [6.0, 3.0]],
            'nine-ball', null, Level::Advanced, 'a rail stands behind the cue ball.',
            static fn(Plan $p) => self::assertGreaterThan(-0.1, $p->shots[0]->spec->tip->height),
        ];
        yield 'the break ball and its key ball' => [
            ['cue' => [3.0, 3.0], 3 => [5.6, 3.2], 5 => [2.0, 1.2]],
            'straight-pool', null, Level::Advanced, 'The 5 is the key ball: it leaves the cue ball for the break ball, the 3.',
            static fn(Plan $p) => self::assertSame([5], self::order($p)),
        ];
        yield 'the ball in hand with an angle' => [
            ['cue' => [1.0, 1.0], 8 => [6.5, 0.7], 9 => [6.5, 3.3], 'in hand' => [0, 0]],
            'nine-ball', null, Level::League, '',
            static function (Plan $p): void {
                self::assertGreaterThan(0.9, $p->runOut);
                self::assertGreaterThan(0.9, $p->shots[0]->chances->position);
                // Straight in there would be no way across.
                $ball = $p->rack->layout->ball(8);
                $in = $p->rack->simulator()->geometry->pocket($p->shots[0]->pot->pocket)->mouthMiddle();
                $turn = $p->shots[0]->before->ball(0)->angleTo($ball) - $ball->angleTo($in);
                self::assertGreaterThan(deg2rad(5), abs(Angle::wrap($turn)));
            },
        ];
        yield 'hold up off the rail' => [
            ['cue' => [3.0, 2.0], 8 => [5.0, 3.2], 9 => [6.3, 3.75]],
            'nine-ball', null, Level::Advanced, '',
            static function (Plan $p): void {
                self::assertSame('reverse', $p->shots[0]->family?->spin);
                self::assertLessThan(0.4, $p->shots[0]->rest->distanceTo($p->rack->layout->ball(8)));
            },
        ];
    }

    /**
     * @return list<int>
     */
    private static function order(Plan $plan): array
    {
        return array_map(static fn(PlannedShot $s): int => $s->pot->ball, $plan->shots);
    }

    /**
     * @template T of Finding
     *
     * @param list<Finding>   $findings
     * @param class-string<T> $kind
     *
     * @return T|null
     */
    private static function found(array $findings, string $kind): ?Finding
    {
        foreach ($findings as $finding) {
            if ($finding instanceof $kind) {
                return $finding;
            }
        }

        return null;
    }
}
