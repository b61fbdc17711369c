<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Planning;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Equipment\Rail;
use ZigLane\Core\Files\ConstraintsFile;
use ZigLane\Core\Files\PlanFile;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\Games\Group;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Line\LegOutcome;
use ZigLane\Core\Line\LegState;
use ZigLane\Core\Line\LinePlayer;
use ZigLane\Core\Parallel\Processes;
use ZigLane\Core\Physics\Speed;
use ZigLane\Core\Planning\CountedDeadline;
use ZigLane\Core\Planning\Plan;
use ZigLane\Core\Planning\PlanConstraints;
use ZigLane\Core\Planning\PlannedShot;
use ZigLane\Core\Planning\PlanSearch;
use ZigLane\Core\Planning\ShotLine;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Potting\ErrorSamples;
use ZigLane\Core\Rack\FreshRack;
use ZigLane\Core\Rack\ShotSpec;
use ZigLane\Core\Routes\RouteSearch;
use ZigLane\Core\Shots\Intent;
use ZigLane\Core\Shots\ShotKind;
use ZigLane\Core\Wording\PlanWording;
use ZigLane\Tests\Core\Reading\Read;
use ZigLane\Tests\Survey;

final class PlanSearchTest extends TestCase
{
    private const THREE = ['cue' => [4, 2], 1 => [6.5, 1.0], 2 => [3.0, 3.1], 9 => [1.3, 1.2]];
    private const SOLIDS = ['cue' => [4, 2], 1 => [6.5, 1.0], 2 => [1.6, 2.9], 3 => [5.0, 3.0], 8 => [1.2, 1.2]];

    /**
     * The plans of THREE as they become known, searched for once.
     *
     * @return non-empty-list<Plan>
     */
    private static function ofThree(): array
    {
        /** @var list<Plan>|null $plans */
        static $plans = null;
        $plans ??= iterator_to_array((new PlanSearch(Read::rack(self::THREE)))->plans(), false);
        self::assertNotSame([], $plans);

        return $plans;
    }

    private static function settledPlanOfThree(): Plan
    {
        $plans = self::ofThree();

        return $plans[\count($plans) - 1];
    }

    /** What is stored is the stroke that was judged: of balls that hang in the jaws, too, whose part of the pocket cannot be anything. */
    public function testTheStoredStrokeIsTheOneThatWasJudged(): void
    {
        $rack = Read::rack(['cue' => [4, 2], 1 => [7.83, 0.09], 2 => [4.0, 0.02], 9 => [1.3, 1.2]]);
        $plan = (new PlanSearch($rack, deadline: new CountedDeadline(1)))->plan();
        $first = $plan->shots[0];
        $played = $first->played($first->rackBefore($plan->rack)) ?? self::fail('It cannot be played.');
        $chances = (new RouteSearch($rack, $first->pot))->chances($played, (new ErrorSamples())->judging(400));
        self::assertEqualsWithDelta($chances->pot, $first->chances->pot, 0.02);
        self::assertGreaterThan(0.9, $chances->pot);
    }

    /** A group without a ball is nobody's to take, though it would leave only the eight. */
    public function testAGroupWithNoBallLeftIsNotTaken(): void
    {
        $rack = Read::rack(['cue' => [4, 2], 8 => [7.9, 0.1], 9 => [6.5, 1.0], 10 => [1.6, 2.9]], 'eight-ball');
        $plan = (new PlanSearch($rack, deadline: new CountedDeadline(1)))->plan();
        self::assertContains($plan->shots[0]->pot->ball, [9, 10]);
        self::assertSame(Group::Stripes, $plan->rack->group);
    }

    /** First a whole line, then better ones; each goes to the end, and played as written it holds. */
    public function testLinesComeWholeAndHold(): void
    {
        $plans = self::ofThree();
        self::assertGreaterThan(1, \count($plans));
        $settled = 0;
        foreach ($plans as $n => $plan) {
            $done = \count(array_filter($plan->shots, static fn(PlannedShot $s): bool => $s->settled));
            self::assertGreaterThanOrEqual($settled, $done, 'more and more shots are settled');
            $settled = $done;
            self::assertSame([1, 2, 9], self::order($plan), "plan $n");
            self::assertNull($plan->stopped);
            self::assertHolds($plan);
            self::assertSame($n === \count($plans) - 1, $plan->settled);
            self::assertEqualsWithDelta($plan->runOut, $plan->shots[0]->chances->runOut, 1e-12);
        }
        $last = $plans[\count($plans) - 1];
        self::assertSame(3, $settled, 'in the end all of them');
        // What is kept shot by shot multiplies up to the whole.
        self::assertSame($last->runOut, $last->through(3));
        self::assertEqualsWithDelta($last->runOut, $last->kept(1) * $last->kept(2) * $last->kept(3), 1e-12);
        foreach ([1, 2, 3] as $n) {
            self::assertLessThanOrEqual(1.0, $last->kept($n));
        }
        self::assertGreaterThan(0.5, $last->runOut);
        foreach ($last->shots as $n => $shot) {
            self::assertGreaterThanOrEqual($shot->chances->position, $shot->chances->pot + 1e-9);
            self::assertGreaterThan(0.3, $shot->chances->position);
            self::assertSame($n === 2, $shot->zone->isEmpty());
        }
        self::assertNotSame([], $last->shots[0]->findings);
    }

    /** Written as JSON and read again it is the same line. */
    public function testAPlanSurvivesItsFile(): void
    {
        $rack = Read::rack(self::THREE)->withBallInHand(true);
        $plan = (new PlanSearch($rack, deadline: new CountedDeadline(1)))->plan();
        $text = json_encode(PlanFile::describe($plan), \JSON_THROW_ON_ERROR | \JSON_PRESERVE_ZERO_FRACTION);
        $data = json_decode($text, false, 64, \JSON_THROW_ON_ERROR);
        self::assertInstanceOf(\stdClass::class, $data);
        $again = PlanFile::read($data, $rack);
        self::assertHolds($again);
        self::assertSame(self::order($plan), self::order($again));
        self::assertEquals($plan->says, $again->says);
        self::assertSame($plan->hinge, $again->hinge);
        self::assertEqualsWithDelta(0.0, $plan->rack->layout->ball(0)->distanceTo($again->rack->layout->ball(0)), 1e-6);
        $data->shots[0]->pocket = 'upstairs'; // @phpstan-ignore property.nonObject, offsetAccess.nonOffsetAccessible
        $this->expectExceptionMessage('plan.shots[0].pocket: is no pocket');
        PlanFile::read($data, $rack);
    }

    /** What is stored is what was planned: read from its file and played, every shot stops where the plan says, to the bit. */
    public function testAShotStopsWhereThePlanSays(): void
    {
        foreach ([self::settledPlanOfThree(), (new PlanSearch(Read::rack(self::SOLIDS, 'eight-ball', 'solids'), deadline: new CountedDeadline(2)))->plan()] as $plan) {
            $data = json_decode(json_encode(PlanFile::describe($plan), \JSON_THROW_ON_ERROR | \JSON_PRESERVE_ZERO_FRACTION), false, 64, \JSON_THROW_ON_ERROR);
            self::assertInstanceOf(\stdClass::class, $data);
            $again = PlanFile::read($data, $plan->rack)->line();
            foreach (LinePlayer::for($again)->play($again) as $n => $leg) {
                self::assertSame(LegState::Holds, $leg->state);
                $rest = $leg->after()?->ball(0);
                self::assertNotNull($rest);
                self::assertSame([$plan->shots[$n]->rest->x, $plan->shots[$n]->rest->y], [$rest->x, $rest->y]);
            }
        }
    }

    /** Of runs that are on some are lost at each shot, and what ends them adds up. */
    /**
     * The 1 opens the cluster in half of the tries, but not when it is played exactly: the line went on with 16 % where 49 % were promised.
     */
    public function testALineGoesOnAsItDoesOnAverage(): void
    {
        $rack = Read::rack(['cue' => [2.2, 1.0], 1 => [1.0, 0.4], 2 => [4.0, 2.4], 3 => [4.19, 2.4], 8 => [1, 3.5], 12 => [4.1, 2.57]], 'eight-ball', 'solids');
        [$first, $second] = (new PlanSearch($rack->withPlayer(Player::of(Level::StrongLeague)), deadline: new CountedDeadline(1)))->plan()->shots;
        self::assertSame(1, $first->pot->ball);
        self::assertLessThan(0.7, $first->chances->runOut);
        self::assertGreaterThan($first->chances->runOut, $second->chances->runOut);
    }

    public function testRunsAreFollowedToTheEnd(): void
    {
        $plan = self::settledPlanOfThree();
        $survival = $plan->survival;
        self::assertNotNull($survival);
        self::assertSame($plan->shots[0]->chances->pot, $survival->alive[0]);
        self::assertSame($plan->runOut, $survival->alive[2]);
        $before = 1.0;
        foreach ($survival->alive as $n => $alive) {
            self::assertLessThanOrEqual($before, $alive);
            self::assertEqualsWithDelta($before - $alive, $survival->losses[$n]->sum(), 1e-9);
            [$low, $high] = $survival->interval($n + 1);
            self::assertTrue($low <= $alive && $alive <= $high && $high - $low < 0.1);
            $before = $alive;
        }
    }

    /** Nor does the second look, which plans on from tables that it must not confuse (the survey only). */
    public function testWholePlansDoNotDependOnTheProcesses(): void
    {
        if (0 === Survey::size(1, 0)) {
            self::markTestSkipped('four whole plans, twice: bin/zig-lane test survey');
        }
        foreach (GameName::cases() as $game) {
            $rack = FreshRack::broken($game, 3, Player::of(Level::League))->rack->withBallInHand(true);
            $plan = static fn(int $processes): array => PlanFile::describe((new PlanSearch($rack, processes: Processes::atMost($processes)))->plan());
            self::assertEquals($plan(1), $plan(2), $game->value);
        }
    }

    /** However many processes share the work. */
    public function testThePlanDoesNotDependOnTheProcesses(): void
    {
        $rack = Read::rack(self::SOLIDS, 'eight-ball', 'solids')->withBallInHand(true);
        $text = static fn(int $processes): string => json_encode(
            PlanFile::describe((new PlanSearch($rack, deadline: new CountedDeadline(1), processes: Processes::atMost($processes)))->plan()),
            \JSON_THROW_ON_ERROR,
        );
        self::assertSame($text(1), $text(3));
    }

    /** A line that runs out goes further than one that breaks off, and of two that break off the one that leaves fewer balls. */
    public function testWhichLineGoesFurther(): void
    {
        $whole = new ShotLine([], Read::rack(['cue' => [4, 2]]));
        $near = new ShotLine([], Read::rack(['cue' => [4, 2], 9 => [1, 1]]));
        $far = new ShotLine([], Read::rack(['cue' => [4, 2], 8 => [2, 2], 9 => [1, 1]]));
        self::assertSame([true, true, true, false, false, false], [
            $whole->goesFurtherThan($near), $near->goesFurtherThan($far), $whole->goesFurtherThan($far),
            $whole->goesFurtherThan($whole), $near->goesFurtherThan($whole), $far->goesFurtherThan($near),
        ]);
    }

    /** The same rack always gets the same plan. */
    public function testThePlanIsTheSameAgain(): void
    {
        if (0 === Survey::size(1, 0)) {
            self::markTestSkipped('in the survey: that plans are the same from run to run is seen by the golden files, too');
        }
        $text = static fn(Plan $plan): string => json_encode(PlanFile::describe($plan), \JSON_THROW_ON_ERROR);
        self::assertSame($text(self::settledPlanOfThree()), $text((new PlanSearch(Read::rack(self::THREE)))->plan()));
    }

    /** Nobody runs out from where the ball is hidden, and the plan says so. */
    public function testWhatCannotBeShotIsSaid(): void
    {
        $plan = (new PlanSearch(Read::rack(['cue' => [1.0, 2.0], 1 => [7.0, 2.0], 5 => [1.4, 2.0], 6 => [1.35, 1.8], 7 => [1.35, 2.2], 9 => [4, 1]])))->plan();
        self::assertSame([], $plan->shots);
        self::assertSame(0.0, $plan->runOut);
        self::assertStringContainsString('There is no direct shot on the 1', (string) PlanWording::stopped($plan));
    }

    public function testAPinnedPocketIsUsedAndPaidFor(): void
    {
        $free = self::settledPlanOfThree();
        $other = Pocket::HeadRight === $free->shots[1]->pot->pocket ? Pocket::SideRight : Pocket::HeadRight;
        $pinned = (new PlanSearch(Read::rack(self::THREE), new PlanConstraints(pockets: [2 => $other]), new CountedDeadline(1)))->plan();
        self::assertSame($other, $pinned->shots[1]->pot->pocket);
        self::assertLessThan($free->runOut + 0.02, $pinned->runOut);
        self::assertMatchesRegularExpression('/What is pinned costs/', implode(' ', PlanWording::says($pinned)));
    }

    public function testAPinnedOrderIsKept(): void
    {
        foreach ([[3, 1], [2, 1, 3]] as $order) {
            $rack = Read::rack(self::SOLIDS, 'eight-ball', 'solids');
            $played = self::order((new PlanSearch($rack, new PlanConstraints(order: $order), new CountedDeadline(1)))->plan());
            self::assertSame($order, array_values(array_intersect($played, $order)));
            self::assertSame(8, $played[\count($played) - 1]);
        }
    }

    /** Where the cue ball must lie for the 2 was drawn by hand: that is where it is sent. */
    public function testAPinnedZoneIsPlayedInto(): void
    {
        $rack = Read::rack(self::THREE);
        $constraints = ConstraintsFile::read(['zones' => ['2' => [[3.6, 1.2], [5.6, 1.2], [5.6, 2.6], [3.6, 2.6]]]], $rack);
        $plan = (new PlanSearch($rack, $constraints, new CountedDeadline(1)))->plan();
        [$x, $y] = $rack->table->size->diamondsOf($plan->shots[0]->rest);
        self::assertTrue($x > 3.4 && $x < 5.8 && $y > 1.0 && $y < 2.8, "stops at $x, $y");
        self::assertSame($constraints->zones[2]->contains(1.4, 0.6), ConstraintsFile::read(ConstraintsFile::write($constraints, $rack), $rack)->zones[2]->contains(1.4, 0.6));
    }

    /** Legs that are kept are played as they stand; one that does not hold is said. */
    public function testKeptLegsComeFirst(): void
    {
        $own = ShotSpec::toPocket(new Pot(1, Pocket::FootLeft), Speed::tableLengths(2.0));
        $plan = (new PlanSearch(Read::rack(self::THREE)->withLegs([$own]), new PlanConstraints(keep: 1)))->plan();
        self::assertSame($own, $plan->shots[0]->spec);
        self::assertSame([1, 2, 9], self::order($plan));
        self::assertHolds($plan);
        $bank = new ShotSpec(null, 1, Pocket::FootRight, 0.0, Speed::metresPerSecond(3.5), intent: new Intent(ShotKind::Bank, [Rail::Left]));
        $plan = (new PlanSearch(Read::rack(self::THREE)->withLegs([$bank]), new PlanConstraints(keep: 1), new CountedDeadline(1)))->plan();
        self::assertSame([1, 2, 9], self::order($plan));
        self::assertSame(['bank', 'pot', 'pot'], array_column((array) PlanFile::describe($plan)['shots'], 'kind'));
        $wrong = ShotSpec::toPocket(new Pot(1, Pocket::HeadRight), Speed::tableLengths(2.0));
        $plan = (new PlanSearch(Read::rack(self::THREE)->withLegs([$wrong]), new PlanConstraints(keep: 1)))->plan();
        self::assertStringStartsWith('Leg 1, which was to be kept, does not hold', (string) PlanWording::stopped($plan));
    }

    /**
     * @param array<mixed> $constraints
     */
    #[DataProvider('badPins')]
    public function testBadPinsAreRefusedInWords(array $constraints, string $why): void
    {
        $this->expectException(InvalidInput::class);
        $this->expectExceptionMessage($why);
        ConstraintsFile::read($constraints, Read::rack(self::THREE));
    }

    /**
     * @return iterable<array{array<mixed>, string}>
     */
    public static function badPins(): iterable
    {
        yield [['pockets' => ['1' => 'cellar']], 'pins.pockets.1: is no pocket'];
        yield [['pockets' => ['7' => 'foot-left']], 'pins.pockets.7: "7" is no object ball on the table'];
        yield [['order' => ['2', '2']], 'pins.order[1]: the 2 is named twice'];
        yield [['order' => ['cue']], 'pins.order[0]: "cue" is no object ball on the table'];
        yield [['zones' => ['2' => [[1, 1], [2, 2]]]], 'pins.zones.2: needs 3 to 60 corners'];
        yield [['zones' => ['2' => [[1, 1], [9, 2], [3, 3]]]], 'pins.zones.2[1]: is no place on the table'];
        yield [['keep' => 3], 'pins.keep: must be a whole number from 0 to 0'];
        yield [['order' => 'all'], 'pins.order: must be a list'];
    }

    /**
     * @return list<int>
     */
    private static function order(Plan $plan): array
    {
        return array_map(static fn(PlannedShot $s): int => $s->pot->ball, $plan->shots);
    }

    private static function assertHolds(Plan $plan): void
    {
        $line = $plan->line();
        $states = array_map(static fn(LegOutcome $o): LegState => $o->state, LinePlayer::for($line)->play($line));
        self::assertSame(array_fill(0, \count($plan->shots), LegState::Holds), $states);
    }
}
