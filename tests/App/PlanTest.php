<?php

declare(strict_types=1);

namespace ZigLane\Tests\App;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use ZigLane\App\Entity\PlanRecord;
use ZigLane\App\Plan\PlanDesk;
use ZigLane\App\Plan\PlanLedger;
use ZigLane\App\View\PlanView;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Planning\PlanConstraints;
use ZigLane\Core\Rack\ShotSpec;

final class PlanTest extends AppTestCase
{
    private const RACK = ['balls' => ['cue' => [4, 2], '1' => [6.5, 1.0], '9' => [1.3, 1.2]]];

    /** Planned in a moment: for what does not look at the plan. */
    private const LAST_BALL = ['balls' => ['cue' => [4, 2], '9' => [6.5, 1.0]]];

    public function testAPlanIsAskedForWorkedOutAndTakenOver(): void
    {
        $id = $this->stored(self::RACK);
        $this->browser->request('GET', "/racks/$id?plan=0");
        self::assertStringContainsString('Plan the run-out', (string) $this->browser->getResponse()->getContent());
        $plan = $this->ask($id);
        self::assertSame(PlanRecord::QUEUED, $plan->state());
        self::assertStringContainsString('Next to be planned', $this->shown($id, $plan));
        $this->work();
        $plan = $this->fresh($plan);
        self::assertSame(PlanRecord::DONE, $plan->state());
        $page = $this->shown($id, $plan);
        self::assertStringContainsString('to run out', $page);
        self::assertStringContainsString('Settled after', $page);
        self::assertStringContainsString('2 shots, league player, 9ft', $page);
        self::assertMatchesRegularExpression('/pot \d+ % pos\. \d+ % still on \d+ %/', $page);
        self::assertStringContainsString('The 1 → ', $this->shown($id, $plan, 1));
        $version = $this->open($id)->record->version();
        $this->browser->request('POST', "/racks/$id/plans/{$plan->id()}/take", ['version' => $version]);
        self::assertSame(303, $this->code());
        $open = $this->open($id);
        self::assertCount(2, $open->rack->legs);
        self::assertSame('take the plan over', $open->undo);
        $this->browser->request('POST', "/racks/$id/undo", ['version' => $open->record->version()]);
        self::assertSame([], $this->open($id)->rack->legs);
    }

    /** Against somebody the plan says whether to go or to play safe, and the safety can be looked at as a leg. */
    public function testAgainstSomebodyThePlanIsWeighed(): void
    {
        $id = $this->stored(self::LAST_BALL);
        $this->edit($id, ['op' => 'against', 'level' => 'advanced']);
        self::assertSame('advanced', $this->open($id)->rack->opponent?->level->value);
        $this->edit($id, ['op' => 'push-out', 'stands' => 'offered']);
        self::assertSame('offered', $this->open($id)->rack->pushOut->value);
        $plan = $this->ask($id);
        $this->work();
        $plan = $this->fresh($plan);
        $page = $this->shown($id, $plan);
        self::assertStringContainsString('Let the other shoot: ', $page);
        self::assertMatchesRegularExpression('/Go: \d+ % to win the rack\. Safe: \d+ %\. .*Go for it\./', $page);
        self::assertMatchesRegularExpression('/it leaves the other player \d+ % to run out/', $page);
        $version = $this->open($id)->record->version();
        $this->browser->request('POST', "/racks/$id/plans/{$plan->id()}/take", ['version' => $version, 'option' => 'safe']);
        self::assertSame(303, $this->code());
        $legs = $this->open($id)->rack->legs;
        self::assertSame(['safety'], array_map(static fn(ShotSpec $leg): string => $leg->intent->kind->value, $legs));
        $this->browser->request('GET', "/racks/$id?leg=1");
        $page = (string) $this->browser->getResponse()->getContent();
        self::assertStringContainsString('safety, ', $page);
        self::assertStringNotContainsString('No ball drops', $page);
        $this->edit($id, ['op' => 'leg', 'leg' => 1, 'aim' => (float) $legs[0]->aimDeg, 'lengths' => 2, 'side' => 0, 'height' => 0, 'elevation' => 0]);
        self::assertTrue($this->open($id)->rack->legs[0]->intent->isSafety(), 'what it is for outlives a change of it');
        $this->browser->request('POST', "/racks/$id/plans/{$plan->id()}/take", ['version' => $this->open($id)->record->version(), 'option' => 'other']);
        self::assertSame(422, $this->code());
        $this->edit($id, ['op' => 'against', 'level' => '']);
        self::assertNull($this->open($id)->rack->opponent);
    }

    public function testTheSameIsNotPlannedTwice(): void
    {
        $id = $this->stored(self::LAST_BALL);
        $one = $this->ask($id);
        self::assertSame($one->id(), $this->ask($id)->id());
        // A rack that differs in name only is the same; with a pin it is another plan.
        $this->edit($id, ['op' => 'rename', 'name' => 'Other']);
        self::assertSame($one->id(), $this->ask($id)->id());
        self::assertNotSame($one->id(), $this->ask($id, ['pocket-9' => 'foot-left'])->id());
        $this->work();
        self::assertSame($one->id(), $this->ask($id)->id(), 'what is done is shown again');
        self::assertNotSame($one->id(), $this->ask($id, ['again' => '1'])->id(), 'unless it is asked for anew');
    }

    public function testAChangedRackIsSaid(): void
    {
        $id = $this->stored(self::LAST_BALL);
        $plan = $this->ask($id);
        $this->work();
        $this->edit($id, ['op' => 'nudge', 'ball' => '9', 'dx' => '0.125', 'dy' => '0']);
        self::assertStringContainsString('The rack has changed since this was planned', $this->shown($id, $plan));
        $this->browser->request('POST', "/racks/$id/plans/{$plan->id()}/take", ['version' => $this->open($id)->record->version()]);
        self::assertSame(409, $this->code());
        // The plan keeps the player it was made for.
        $this->edit($id, ['op' => 'equip', 'kind' => 'player', 'profile' => 'professional']);
        self::assertStringContainsString('league player', $this->shown($id, $plan));
    }

    public function testAPlanCanBeStoppedBeforeAndWhileItIsMade(): void
    {
        $id = $this->stored(self::RACK);
        $plan = $this->ask($id);
        $this->browser->request('POST', "/racks/$id/plans/{$plan->id()}/stop");
        self::assertSame(PlanRecord::STOPPED, $this->fresh($plan)->state());
        self::assertNull(self::service(PlanLedger::class)->begin($plan->id(), 'nobody'));
        // While it is made: the best so far stays.
        $plan = $this->ask($id);
        $ledger = self::service(PlanLedger::class);
        self::assertNotNull($ledger->begin($plan->id(), 'me'));
        self::assertTrue($ledger->keep($plan->id(), 'me', '{"runOut":0.5,"cue":null,"group":null,"shots":[],"says":[],"stoppedBecause":null}', 1.5));
        $this->browser->request('POST', "/racks/$id/plans/{$plan->id()}/stop");
        $ledger = self::service(PlanLedger::class);
        self::assertFalse($ledger->keep($plan->id(), 'me', '{"runOut":0.6,"cue":null,"group":null,"shots":[],"says":[],"stoppedBecause":null}', 2.5));
        $ledger->end($plan->id(), 'me');
        $plan = $this->fresh($plan);
        self::assertSame(PlanRecord::STOPPED, $plan->state());
        self::assertStringContainsString('50 % to run out', $this->shown($id, $plan));
    }

    /** A worker that dies counts once; what it finds after it was given up for dead is not wanted; and a plan is not tried for ever. */
    public function testAPlanWhoseWorkerDiesIsTakenUp(): void
    {
        $plan = $this->ask($this->stored(self::LAST_BALL));
        $ledger = self::service(PlanLedger::class);
        self::assertNotNull($ledger->begin($plan->id(), 'first'));
        self::assertSame(0, $this->fresh($plan)->crashes());
        self::assertNotNull($ledger->begin($plan->id(), 'second'), 'its message came again: the first is dead');
        self::assertSame(1, $this->fresh($plan)->crashes());
        self::assertFalse($ledger->keep($plan->id(), 'first', '{}', 1.0));
        $ledger->end($plan->id(), 'first');
        self::assertSame(PlanRecord::RUNNING, $this->fresh($plan)->state());
        self::assertNotNull($ledger->begin($plan->id(), 'third'));
        self::consume();
        $plan = $this->fresh($plan);
        self::assertSame(PlanRecord::FAILED, $plan->state());
        self::assertStringContainsString('ended its worker several times', (string) $plan->problem());
        // What failed is kept where a person sees it, and can be done again or dropped from there.
        self::assertSame(1, self::waiting('failed'));
        $this->browser->request('GET', '/');
        $page = $this->browser->clickLink('One piece of work failed');
        self::assertStringContainsString("Plan {$plan->id()} of Test rack", self::plain($page->html()));
        self::assertStringContainsString('ended its worker several times', $page->html());
        $this->browser->submitForm('Plan it again');
        self::assertSame(303, $this->code());
        self::assertSame([0, 1], [self::waiting('failed'), self::waiting()]);
        self::consume();
        self::assertSame([PlanRecord::DONE, 0], [$this->fresh($plan)->state(), $this->fresh($plan)->crashes()]);
        $this->browser->request('POST', '/failed/1/retry');
        self::assertSame(410, $this->code());
    }

    public function testWhatFailedCanBeDropped(): void
    {
        $plan = $this->ask($this->stored(self::RACK));
        foreach (['first', 'second', 'third'] as $worker) {
            self::service(PlanLedger::class)->begin($plan->id(), $worker);
        }
        self::consume();
        $this->browser->request('GET', '/failed');
        $this->browser->submitForm('Drop');
        $this->browser->followRedirect();
        self::assertStringContainsString('Nothing has failed.', (string) $this->browser->getResponse()->getContent());
        self::assertSame(0, self::waiting('failed'));
    }

    /** A worker that is told to end hands its plan back, as often as that may be. */
    public function testGracefulRestartsAreNoCrashes(): void
    {
        $plan = $this->ask($this->stored(self::LAST_BALL));
        $ledger = self::service(PlanLedger::class);
        for ($n = 0; $n < 6; ++$n) {
            self::assertNotNull($ledger->begin($plan->id(), "worker $n"));
            self::assertTrue($ledger->handBack($plan->id(), "worker $n"));
        }
        self::assertSame([PlanRecord::QUEUED, 0], [$this->fresh($plan)->state(), $this->fresh($plan)->crashes()]);
        self::consume();
        self::assertSame([PlanRecord::DONE, 0], [$this->fresh($plan)->state(), $this->fresh($plan)->crashes()]);
    }

    /** Each visitor has one plan with the workers at a time; the others wait their turn. */
    public function testVisitorsTakeTurns(): void
    {
        $open = [];
        for ($n = 0; $n < 4; ++$n) {
            $open[] = $this->open($this->stored(['name' => "Rack $n"] + self::LAST_BALL));
        }
        $desk = self::service(PlanDesk::class);
        $mine = array_map(static fn($o) => $desk->ask($o, new PlanConstraints(), 'me'), \array_slice($open, 0, 3));
        $yours = $desk->ask($open[3], new PlanConstraints(), 'you');
        self::assertSame(2, self::waiting(), 'one of each');
        self::assertSame([0, 2, 3, 1], array_map(fn(PlanRecord $p): int => $desk->ahead($this->fresh($p)), [...$mine, $yours]));
        self::consume(messages: 2);
        self::assertSame(
            [PlanRecord::DONE, PlanRecord::QUEUED, PlanRecord::WAITING, PlanRecord::DONE],
            array_map(fn(PlanRecord $p): string => $this->fresh($p)->state(), [...$mine, $yours]),
        );
        self::consume(messages: 2);
        self::assertSame(PlanRecord::DONE, $this->fresh($mine[2])->state());
    }

    public function testNobodyHasTooManyWaiting(): void
    {
        $id = $this->stored(self::RACK);
        for ($n = 0; $n < 8; ++$n) {
            $this->browser->request('POST', "/racks/$id/plans", ['pocket-9' => ['head-left', 'head-right', 'foot-left', 'foot-right', 'side-left', 'side-right'][$n % 6], 'pocket-1' => $n < 6 ? '' : 'foot-left']);
            $codes[] = $this->code();
        }
        self::assertSame([303, 303, 303, 303, 303, 303, 429, 429], $codes);
        self::assertStringContainsString('You have 6 plans under way', self::plain((string) $this->browser->getResponse()->getContent()));
        self::assertSame(1, self::waiting());
    }

    /** The process of a plan dies without a word: its message comes again, and the plan is finished, once. */
    public function testAPlanOutlivesItsWorker(): void
    {
        $plan = $this->ask($this->stored(self::LAST_BALL));
        $database = self::service(Connection::class);
        // What a worker that was killed leaves behind: a message that is delivered, a plan that runs.
        $database->executeStatement('UPDATE message SET delivered_at = ?', [(new \DateTimeImmutable('-9 seconds UTC'))->format('Y-m-d H:i:s')]);
        self::assertNotNull(self::service(PlanLedger::class)->begin($plan->id(), 'killed'));
        self::consume();
        self::assertSame([PlanRecord::DONE, 1], [$this->fresh($plan)->state(), $this->fresh($plan)->crashes()]);
        self::assertSame(0, self::waiting());
    }

    public function testPinsAreReadAndRefusedInWords(): void
    {
        $id = $this->stored(self::RACK);
        $plan = $this->ask($id, ['pocket-1' => 'foot-left', 'zone-9' => '1,1  3,1; 3,3']);
        $pins = (new PlanView($this->open($id), $plan, []))->pins;
        self::assertSame(Pocket::FootLeft, $pins->pockets[1]);
        self::assertTrue($pins->zones[9]->contains(2.5 * 0.3175, 1.6 * 0.3175));
        foreach (['zone-1' => '1,1 2,2', 'pocket-1' => 'attic', 'order' => '1 1', 'keep' => '5'] as $field => $value) {
            $this->browser->request('POST', "/racks/$id/plans", [$field => $value]);
            self::assertSame(422, $this->code(), $field);
            self::assertStringContainsString('Pins.', self::plain((string) $this->browser->getResponse()->getContent()));
        }
    }

    public function testPlansAreLaidSideBySide(): void
    {
        $id = $this->stored(['balls' => ['cue' => [4, 2], '9' => [2.0, 2.4]]]);
        $this->ask($id);
        $this->ask($id, ['pocket-9' => 'head-left']);
        $this->work();
        $this->browser->request('GET', "/racks/$id/plans");
        $page = self::plain((string) $this->browser->getResponse()->getContent());
        self::assertStringContainsString('Plans side by side', $page);
        self::assertStringContainsString('pinned', $page);
        self::assertStringContainsString('differs', $page);
        self::assertStringContainsString('9 → head left', $page);
        self::assertGreaterThan(1, preg_match_all('/out from here \d+ %/', $page));
    }

    public function testAFreshRackIsBrokenByNumber(): void
    {
        foreach ([1, 2] as $_) {
            $this->browser->request('POST', '/racks/break', ['game' => 'ten-ball', 'number' => '77', 'speed' => '9', 'aside' => '0.5']);
            self::assertSame(303, $this->code());
            $ids[] = (int) explode('/', (string) $this->browser->getResponse()->headers->get('Location'))[2];
        }
        self::assertEquals($this->open($ids[0])->rack->layout, $this->open($ids[1])->rack->layout);
        self::assertTrue($this->open($ids[0])->rack->ballInHand);
        $this->browser->request('POST', '/racks/break', ['game' => 'ten-ball', 'number' => '77', 'speed' => '30']);
        self::assertSame(422, $this->code());
        self::assertStringContainsString('The cue speed must be a number from 4 to 12', (string) $this->browser->getResponse()->getContent());
    }

    /**
     * @param array<string, string> $form
     */
    private function ask(int $id, array $form = []): PlanRecord
    {
        $this->browser->request('POST', "/racks/$id/plans", $form);
        self::assertSame(303, $this->code());
        preg_match('/plan=(\d+)/', (string) $this->browser->getResponse()->headers->get('Location'), $found);

        return self::service(PlanDesk::class)->find($id, (int) ($found[1] ?? 0)) ?? self::fail('no plan');
    }

    private function shown(int $id, PlanRecord $plan, int $leg = 0): string
    {
        $this->browser->request('GET', "/racks/$id?plan={$plan->id()}&leg=$leg");

        return self::plain((string) $this->browser->getResponse()->getContent());
    }

    private function fresh(PlanRecord $plan): PlanRecord
    {
        $entities = self::service(EntityManagerInterface::class);
        $entities->clear();

        return $entities->find(PlanRecord::class, $plan->id()) ?? self::fail('the plan is gone');
    }

    /** Does what a worker would, until nothing is left to do. */
    private function work(): void
    {
        while (self::waiting() > 0) {
            self::consume();
        }
    }
}
