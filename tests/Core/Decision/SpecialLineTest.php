<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Decision;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Decision\AdvisedPlan;
use ZigLane\Core\Decision\AdvisedSearch;
use ZigLane\Core\Decision\EndKind;
use ZigLane\Core\Decision\SpecialLine;
use ZigLane\Core\Decision\StrokeEnds;
use ZigLane\Core\Decision\Tried;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Finding;
use ZigLane\Core\Games\Group;
use ZigLane\Core\Line\LegState;
use ZigLane\Core\Line\LinePlayer;
use ZigLane\Core\Physics\Speed;
use ZigLane\Core\Planning\CountedDeadline;
use ZigLane\Core\Planning\Finding\Hinge;
use ZigLane\Core\Planning\Finding\NotDirect;
use ZigLane\Core\Planning\Finding\OtherShot;
use ZigLane\Core\Planning\Plan;
use ZigLane\Core\Planning\PlanConstraints;
use ZigLane\Core\Planning\PlannedShot;
use ZigLane\Core\Planning\Planner;
use ZigLane\Core\Planning\PlanSearch;
use ZigLane\Core\Planning\SearchBudget;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Potting\ErrorSamples;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\ShotSpec;
use ZigLane\Core\Rack\StatedShot;
use ZigLane\Core\Shots\ShotKind;
use ZigLane\Core\Wording\PlanWording;
use ZigLane\Core\Wording\ShotWording;
use ZigLane\Tests\Core\Reading\Read;

/**
 * Lines of plans that go by a bank, a kick, a combination or a carom.
 */
final class SpecialLineTest extends TestCase
{
    /** The 1 sends the 2, close to its pocket, in; the 1 is left beside it, the 10 far off. */
    private const TEN = ['cue' => [5.0, 1.6], 1 => [6.9, 3.1], 2 => [7.6, 3.72], 10 => [3, 3]];

    /** The 9 off two others; nothing goes directly. */
    private const WINS = ['cue' => [5.9, 1.2], 1 => [7.1, 2.8], 5 => [7.6, 3.4], 9 => [7.7, 3.8], 7 => [1, 1], 8 => [0.3, 3.5]];

    public function testAPlanGoesOnAfterACombination(): void
    {
        $advised = self::last(self::rack(self::TEN, 'ten-ball', true));
        $plan = $advised->plan;
        self::assertSame([2, 1, 10], array_map(static fn(PlannedShot $shot): int => $shot->pot->ball, $plan->shots));
        $intent = $plan->shots[0]->spec->intent;
        self::assertSame([ShotKind::Combination, 1], [$intent->kind, $intent->other]);
        [$finding] = $plan->shots[0]->findings;
        self::assertInstanceOf(NotDirect::class, $finding);
        self::assertNotNull($finding->direct);
        self::assertLessThan($plan->runOut - 0.1, $finding->direct);
        self::assertContains($finding, $plan->says);
        // Who runs out wins: neither chance to win is below that to run out, but for a point of error.
        self::assertGreaterThan($plan->runOut - 0.01, $finding->wins);
        self::assertGreaterThan($finding->direct - 0.01, $finding->directWins);
        self::assertGreaterThan($finding->directWins + 0.06, $finding->wins);
        self::assertMatchesRegularExpression(
            '/^A combination: it wins the rack in about \d+ %, a direct pot instead in about \d+ %\.$/',
            ShotWording::sentence($finding),
        );
        self::assertNull($plan->stopped);
        // The plan begins with what is advised now.
        self::assertFalse($advised->advice?->another);
        // What is stored is what is drawn, and all of it holds.
        foreach (LinePlayer::for($plan->rack)->play($plan->line()) as $n => $leg) {
            self::assertSame(LegState::Holds, $leg->state);
            self::assertSame(0.0, $leg->after()?->ball(BallId::CUE)->distanceTo($plan->shots[$n]->rest));
        }
        // Runs end at the head line's chance, and the shot keeps no more than it makes.
        $alive = $plan->survival->alive ?? [];
        self::assertCount(3, $alive);
        self::assertSame($plan->runOut, $alive[2]);
        self::assertSame($plan->shots[0]->chances->pot, $alive[0]);
        self::assertSame([$plan->hinge], array_values(array_map(
            static fn(Hinge $hinge): int => $hinge->shot,
            array_filter($plan->says, static fn(object $finding): bool => $finding instanceof Hinge),
        )));
    }

    /** Nobody contests the rack, so nothing is advised: the combination runs it out more often than the 1 first does. */
    public function testAlsoWhereNobodyIsPlayedAgainst(): void
    {
        $advised = self::last(self::rack(['cue' => [1.0, 1.6], 1 => [6.9, 3.1], 9 => [7.6, 3.72]], 'nine-ball', false));
        self::assertNull($advised->advice);
        self::assertSame([9], array_map(static fn(PlannedShot $shot): int => $shot->pot->ball, $advised->plan->shots));
        self::assertGreaterThan(0.5, $advised->plan->runOut);
    }

    /** On an open table the 9 may be hit first and the 2 made with it: that takes the solids, of which nothing is left but the 8. */
    public function testAnOpenTableIsTakenByACombinationOfBothGroups(): void
    {
        $plan = self::last(self::rack(['cue' => [5.0, 1.6], 9 => [6.9, 3.1], 2 => [7.6, 3.72], 12 => [0.12, 2.0], 8 => [3.0, 3.0]], 'eight-ball', false))->plan;
        self::assertSame([2, 8], array_map(static fn(PlannedShot $shot): int => $shot->pot->ball, $plan->shots));
        self::assertSame([ShotKind::Combination, 9], [$plan->shots[0]->spec->intent->kind, $plan->shots[0]->spec->intent->other]);
        self::assertGreaterThan(0.7, $plan->runOut);
        self::assertNull($plan->rack->group);
        foreach (LinePlayer::for($plan->rack)->play($plan->line()) as $leg) {
            self::assertSame(LegState::Holds, $leg->state);
        }
    }

    /** A plain pot that another line begins with is drawn as one, and the plan is told as what could be played instead. */
    public function testAnotherPlainPotIsDrawnAsOne(): void
    {
        $rack = self::rack(['cue' => [5.0, 2.0], 1 => [6.6, 2.9], 2 => [3.0, 3.4], 8 => [1.0, 1.0]], 'eight-ball', false)->withGroup(Group::Solids);
        $planner = new Planner($rack, SearchBudget::quick());
        $pot = new Pot(1, Pocket::FootRight);
        $stroke = StatedShot::play($rack->simulator(), ShotSpec::toPocket($pot, Speed::metresPerSecond(1.5)), $rack->layout)->shot->stroke();
        $line = SpecialLine::of(new Plan($rack, [], 0.0, null), $rack, new Tried($stroke, $pot), $planner, new ErrorSamples());
        self::assertNotNull($line);
        $plan = (new PlanSearch($rack, new PlanConstraints(order: [2, 1]), new CountedDeadline(1)))->plan();
        self::assertSame(2, $plan->shots[0]->pot->ball);
        foreach ($line->instead($plan)->plans(new CountedDeadline(1), new ErrorSamples(), null) as $instead) {
            [$first] = $instead->shots;
            self::assertSame([1, Pocket::FootRight], [$first->spec->ball, $first->spec->pocket]);
            self::assertNotNull($first->family);
            self::assertSame([], $first->findings);
            $others = array_values(array_filter($instead->says, static fn(Finding $one): bool => $one instanceof OtherShot));
            self::assertCount(1, $others);
            self::assertStringStartsWith('The 2 first instead: about ', PlanWording::sentence($others[0]));
        }
    }

    public function testAShotThatWinsIsTheWholePlan(): void
    {
        $plan = self::last(self::rack(self::WINS, 'nine-ball', true))->plan;
        self::assertCount(1, $plan->shots);
        self::assertNull($plan->stopped);
        self::assertNull($plan->hinge);
        self::assertEquals([new NotDirect(ShotKind::Combination, null)], $plan->shots[0]->findings);
        self::assertSame([$plan->runOut], $plan->survival?->alive);
        // Played under other errors.
        $rack = $plan->rack;
        $shot = $plan->shots[0];
        $stroke = $shot->played($rack)?->stroke();
        self::assertNotNull($stroke);
        $ends = new StrokeEnds($rack);
        $won = 0;
        foreach ((new ErrorSamples(2))->first(600) as $sample) {
            $won += EndKind::Won === $ends->end($stroke, $shot->pot, $sample)->kind ? 1 : 0;
        }
        self::assertEqualsWithDelta($won / 600, $plan->runOut, 0.03);
    }

    /**
     * @param array<int|string, array{float, float}> $balls
     */
    private static function rack(array $balls, string $game, bool $against): Rack
    {
        $player = Player::of(Level::Advanced);

        return Read::rack($balls, $game)->withPlayer($player)->against($against ? $player : null);
    }

    private static function last(Rack $rack): AdvisedPlan
    {
        $last = null;
        foreach ((new AdvisedSearch($rack))->plans() as $last) {
        }
        self::assertNotNull($last);

        return $last;
    }
}
