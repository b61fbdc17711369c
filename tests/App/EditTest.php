<?php

declare(strict_types=1);

namespace ZigLane\Tests\App;

use PHPUnit\Framework\Attributes\DataProvider;
use ZigLane\Core\Equipment\Rail;
use ZigLane\Core\Shots\Intent;
use ZigLane\Core\Shots\ShotKind;

final class EditTest extends AppTestCase
{
    public function testABallIsPlacedAndStays(): void
    {
        $id = $this->stored();
        $html = $this->edit($id, ['op' => 'place', 'ball' => '1', 'x' => '3.5', 'y' => '2.25']);
        self::assertSame(200, $this->code());
        self::assertStringContainsString('value="3.5, 2.25"', $html);
        self::assertEqualsWithDelta([3.5, 2.25], $this->open($id)->rack->table->size->diamondsOf($this->open($id)->rack->layout->ball(1)), 1e-9);
    }

    public function testABallDroppedByARailIsFrozenToIt(): void
    {
        $id = $this->stored();
        $this->edit($id, ['op' => 'place', 'ball' => '1', 'x' => '3', 'y' => '0.1']);
        self::assertEqualsWithDelta(0.0867, $this->open($id)->rack->layout->ball(1)->y / 0.3175, 0.0001);
    }

    public function testABallDroppedBesideAnotherTouchesIt(): void
    {
        $id = $this->stored();
        $this->edit($id, ['op' => 'place', 'ball' => '1', 'x' => '2.19', 'y' => '2']);
        self::assertEqualsWithDelta(0.05715, $this->open($id)->rack->layout->ball(1)->distanceTo($this->open($id)->rack->layout->ball(0)), 1e-8);
    }

    /**
     * @return iterable<string, array{array<string, scalar>, string}>
     */
    public static function refused(): iterable
    {
        yield 'on another ball' => [['op' => 'type', 'ball' => '1', 'at' => '2.05, 2'], 'The 1 cannot lie there: overlaps the cue ball by 41.3 mm.'];
        yield 'outside' => [['op' => 'type', 'ball' => '1', 'at' => '8.5, 2'], 'The 1 cannot lie there: 8.5 is outside the table (0–8).'];
        yield 'across outside' => [['op' => 'type', 'ball' => '1', 'at' => '2, 4.3'], 'The 1 cannot lie there: 4.3 is outside the table (0–4).'];
        yield 'in the rail' => [['op' => 'type', 'ball' => '1', 'at' => '2, 0.02'], 'The 1 cannot lie there: lies in the rail: the centre of a ball frozen to it is 0.087 diamonds from the nose.'];
        yield 'in a pocket' => [['op' => 'type', 'ball' => '1', 'at' => '0, 0'], 'The 1 cannot lie there: lies in the head left pocket.'];
        yield 'no place' => [['op' => 'type', 'ball' => '1', 'at' => 'over there'], 'The 1 cannot lie there: "over there" is not a place: type diamonds along and across, such as 2.5, 1.'];
        yield 'not a number' => [['op' => 'place', 'ball' => '1', 'x' => 'NaN', 'y' => '1'], 'The 1 cannot lie there: "NaN" is not a number.'];
        yield 'endless' => [['op' => 'place', 'ball' => '1', 'x' => '1e999', 'y' => '1'], 'The 1 cannot lie there: "1e999" is not a number.'];
        yield 'no such ball' => [['op' => 'place', 'ball' => '16', 'x' => '1', 'y' => '1'], 'there is no such ball'];
        yield 'a ball of another game' => [['op' => 'type', 'ball' => '12', 'at' => '1, 1'], 'The 12 is not a ball of nine-ball.'];
        yield 'the cue ball off' => [['op' => 'remove', 'ball' => 'cue'], 'The cue ball stays on the table.'];
        yield 'nameless' => [['op' => 'rename', 'name' => '  '], 'A rack needs a name.'];
        yield 'endless name' => [['op' => 'rename', 'name' => str_repeat('x', 121)], 'has 121 characters (limit 120)'];
        yield 'a line that is not understood' => [['op' => 'lay-out', 'line' => '1 roof'], 'At "roof" after "1", diamonds along and across are wanted for the 1.'];
        yield 'fouls in words' => [['op' => 'fouls', 'fouls' => 'two'], 'must be two numbers'];
        yield 'too many fouls' => [['op' => 'fouls', 'fouls' => '3,0'], '3 is outside 0–2'];
        yield 'nothing known' => [['op' => 'explode'], '"explode" is not something that can be done'];
        yield 'no such leg' => [['op' => 'remove-leg', 'number' => 4], 'there is no leg 4'];
    }

    /**
     * @param array<string, scalar> $form
     */
    #[DataProvider('refused')]
    public function testWhatCannotBeIsRefusedInWordsAndChangesNothing(array $form, string $words): void
    {
        $id = $this->stored();
        $before = $this->open($id);
        $html = $this->edit($id, $form);
        self::assertSame(422, $this->code());
        self::assertStringContainsString($words, self::plain($html));
        self::assertEquals($before->rack, $this->open($id)->rack);
        self::assertNull($this->open($id)->undo);
    }

    /**
     * @return iterable<string, array{array<string, string>, string}>
     */
    public static function refusedStrokes(): iterable
    {
        yield 'miscue' => [['side' => '0.4', 'height' => '0.4'], 'leg 1.tip: 0.57 of the radius from the centre is a miscue (limit 0.50)'];
        yield 'tip off the ball' => [['side' => '7'], 'leg 1.tip.side: 7 is outside -1–1 ball radii'];
        yield 'too fast' => [['lengths' => '30'], 'speed.lengths: 30.0 is more than a person can send the cue ball'];
        yield 'no speed' => [['lengths' => '0'], 'leg 1.speed.lengths: must be above 0 table lengths'];
        yield 'unknown pocket' => [['pocket' => 'middle'], 'leg 1.pocket: "middle" is not one of head-left, head-right'];
        yield 'outside the mouth' => [['offset' => '1.5'], 'leg 1.pocketOffset: 1.5 is outside -1–1'];
        yield 'no kind of shot' => [['kind' => 'leap'], 'kind: is no kind of shot'];
        yield 'no rail' => [['kind' => 'bank', 'rail1' => 'roof'], 'leg 1.rails[0]: must be one of head, foot, left, right'];
        yield 'the same rail' => [['kind' => 'kick', 'rail1' => 'left', 'rail2' => 'left'], 'leg 1.rails[1]: the left rail comes twice in a row'];
        yield 'not a ball' => [['kind' => 'carom', 'first' => '77'], 'leg 1.first: must be another object ball'];
        yield 'upright' => [['elevation' => '88'], 'leg 1.elevationDeg: 88 is outside 0–85 degrees'];
        yield 'not a number' => [['height' => 'high'], '"high" is not a number'];
    }

    /**
     * @param array<string, string> $change
     */
    #[DataProvider('refusedStrokes')]
    public function testAStrokeThatCannotBePlayedIsRefused(array $change, string $words): void
    {
        $id = $this->stored();
        $this->edit($id, ['op' => 'add-leg']);
        $before = $this->open($id)->rack;
        $form = $change + ['op' => 'leg', 'number' => 1, 'ball' => '1', 'pocket' => 'foot-left', 'offset' => '0', 'lengths' => '2', 'lengthsWere' => '2', 'mps' => '', 'side' => '0', 'height' => '0', 'elevation' => '0'];
        $html = $this->edit($id, $form);
        self::assertSame(422, $this->code());
        self::assertStringContainsString($words, self::plain($html));
        self::assertEquals($before, $this->open($id)->rack);

        $this->browser->request('POST', "/racks/$id/try", $form);
        self::assertSame(422, $this->code());
        self::assertStringContainsString($words, (string) $this->browser->getResponse()->getContent());
    }

    /** Which rail, or which ball, is guessed when a kind of shot is chosen, and can be changed; straight again, nothing is left of it. */
    public function testAKindOfShotIsChosen(): void
    {
        $id = $this->stored(['balls' => ['cue' => [1.6, 2.0], '1' => [2.9, 2.9], '9' => [6.2, 1.1]]]);
        $this->edit($id, ['op' => 'add-leg']);
        $form = ['op' => 'leg', 'number' => 1, 'ball' => '1', 'pocket' => 'side-left', 'offset' => '0', 'lengths' => '3', 'lengthsWere' => '2', 'mps' => '', 'side' => '0', 'height' => '0', 'elevation' => '0'];
        $html = $this->edit($id, $form + ['kind' => 'bank']);
        self::assertSame(200, $this->code());
        self::assertEquals(new Intent(ShotKind::Bank, [Rail::Right]), $this->open($id)->rack->legs[0]->intent);
        self::assertStringContainsString('1 off right → side left', self::plain($html));
        self::assertStringContainsString('right rail, 3.1 diamonds from the head', self::plain($html));
        $this->edit($id, $form + ['kind' => 'bank', 'rail1' => 'foot', 'rail2' => 'right']);
        self::assertEquals([Rail::Foot, Rail::Right], $this->open($id)->rack->legs[0]->intent->rails);
        $this->edit($id, ['ball' => '9', 'pocket' => 'foot-left'] + $form + ['kind' => 'combination']);
        self::assertSame(1, $this->open($id)->rack->legs[0]->intent->other);
        $this->edit($id, ['kind' => 'pot'] + $form);
        self::assertEquals(new Intent(), $this->open($id)->rack->legs[0]->intent);
        // Over another ball: the ball, the cue's elevation and the speed are found; the cue comes down again afterwards.
        $hidden = $this->stored(['balls' => ['cue' => [2.0, 2.0], '6' => [3.1, 2.1], '9' => [6.4, 3.0]]]);
        $this->edit($hidden, ['op' => 'add-leg']);
        $over = ['ball' => '9', 'pocket' => 'foot-right'] + $form;
        $html = $this->edit($hidden, $over + ['kind' => 'jump']);
        $leg = $this->open($hidden)->rack->legs[0];
        self::assertEquals(new Intent(ShotKind::Jump, other: 6), $leg->intent);
        self::assertGreaterThanOrEqual(20.0, $leg->elevationDeg);
        self::assertStringContainsString('over the 6, the 9 → foot right', self::plain($html));
        self::assertStringContainsString('the 9 drops in the foot right pocket', strtolower(self::plain($html)));
        self::assertStringContainsString('ask the house', self::plain($html));
        $this->browser->request('GET', "/racks/$hidden/card?leg=1");
        $card = self::plain((string) $this->browser->getResponse()->getContent());
        foreach (['Over the 6, the 9', 'Clear of the 6', 'Comes down at', 'cue raised', 'Ask the house'] as $said) {
            self::assertStringContainsString($said, $card);
        }
        $this->edit($hidden, ['elevation' => (string) $leg->elevationDeg] + $over + ['kind' => 'pot']);
        self::assertSame(0.0, $this->open($hidden)->rack->legs[0]->elevationDeg);
        $alone = $this->stored(['balls' => ['cue' => [1.6, 2.0], '9' => [6.2, 1.1]]]);
        $this->edit($alone, ['op' => 'add-leg']);
        self::assertStringContainsString('A carom needs another ball on the table.', self::plain($this->edit($alone, ['ball' => '9'] + $form + ['kind' => 'carom'])));
    }

    public function testTryingStoresNothing(): void
    {
        $id = $this->stored();
        $this->edit($id, ['op' => 'add-leg']);
        $before = $this->open($id)->rack;
        $this->browser->request('POST', "/racks/$id/try", ['number' => 1, 'ball' => '1', 'pocket' => 'foot-left', 'offset' => '0', 'lengths' => '3', 'side' => '0.2', 'height' => '0.1', 'elevation' => '0']);
        self::assertSame(200, $this->code());
        self::assertStringContainsString('id="stage"', (string) $this->browser->getResponse()->getContent());
        self::assertEquals($before, $this->open($id)->rack);
    }

    public function testWhatAPersonTypesIsNeverMarkup(): void
    {
        $name = '<script>alert(1)</script>"\'&';
        $id = $this->stored(['name' => $name]);
        foreach (['/', "/racks/$id"] as $page) {
            $this->browser->request('GET', $page);
            $html = (string) $this->browser->getResponse()->getContent();
            self::assertSame(200, $this->code());
            self::assertStringNotContainsString('<script>alert', $html);
            self::assertStringContainsString('&lt;script&gt;', $html);
        }
    }

    public function testAnEarlyChangeMarksTheLegsBehindItAndDropsNone(): void
    {
        $id = $this->stored();
        for ($i = 0; $i < 3; ++$i) {
            $this->edit($id, ['op' => 'add-leg']);
            self::assertSame(200, $this->code());
        }
        self::assertCount(3, $this->open($id)->rack->legs);
        // Into a pocket that the 1 cannot reach.
        $html = $this->edit($id, ['op' => 'leg', 'number' => 1, 'ball' => '1', 'pocket' => 'head-left', 'offset' => '0', 'lengths' => '2', 'lengthsWere' => '', 'mps' => '', 'side' => '0', 'height' => '0', 'elevation' => '0']);
        self::assertSame(200, $this->code());
        self::assertCount(3, $this->open($id)->rack->legs);
        self::assertStringContainsString('wrong side of the 1', self::plain($html));
        self::assertSame(2, substr_count(self::plain($html), 'not reached'));
        $this->browser->request('GET', "/racks/$id?leg=3");
        self::assertStringContainsString('Not reached: leg 1 does not hold.', self::plain((string) $this->browser->getResponse()->getContent()));
        $this->browser->request('POST', "/racks/$id/undo", ['version' => $this->version($id)], [], ['HTTP_HX_REQUEST' => 'true']);
        self::assertStringNotContainsString('not reached', self::plain((string) $this->browser->getResponse()->getContent()));
    }

    public function testTheTableCanBeChangedAndTheBallsKeepTheirDiamonds(): void
    {
        $id = $this->stored();
        $this->edit($id, ['op' => 'table', 'size' => '7ft', 'corner' => '4.25', 'side' => '5']);
        self::assertSame(200, $this->code());
        $rack = $this->open($id)->rack;
        self::assertSame('7ft', $rack->table->size->value);
        self::assertEqualsWithDelta(0.10795, $rack->table->cornerMouth, 1e-6);
        self::assertEqualsWithDelta([5.5, 1.25], $rack->table->size->diamondsOf($rack->layout->ball(1)), 1e-6);
    }

    public function testAWholeTableIsLaidOutInOneLineAndTakenBack(): void
    {
        $id = $this->stored();
        $before = $this->open($id)->rack;
        $this->edit($id, ['op' => 'lay-out', 'line' => 'cue 2,2 3 at 4½ 1 7 frozen foot rail 2', 'only' => '1']);
        self::assertSame([3, 7], $this->open($id)->rack->layout->objectBalls());
        self::assertSame('lay out the balls', $this->open($id)->undo);
        self::assertNotEquals($before, $this->open($id)->rack);
    }

    public function testBallInHandBehindTheHeadStringAndFouls(): void
    {
        $id = $this->stored();
        $this->edit($id, ['op' => 'hand', 'inHand' => '1', 'kitchen' => '1']);
        $this->edit($id, ['op' => 'fouls', 'fouls' => '1,2']);
        $rack = $this->open($id)->rack;
        self::assertSame([true, true, 1, 2], [$rack->ballInHand, $rack->kitchen, $rack->fouls, $rack->othersFouls]);
        $this->edit($id, ['op' => 'hand', 'kitchen' => '1']);
        self::assertFalse($this->open($id)->rack->kitchen, 'not in hand, nowhere');
    }

    public function testAnOldWindowIsTold(): void
    {
        $id = $this->stored();
        $version = $this->open($id)->record->version();
        $this->edit($id, ['op' => 'hand', 'inHand' => 1, 'version' => $version]);
        $html = $this->edit($id, ['op' => 'rename', 'name' => 'Late', 'version' => $version]);
        self::assertSame(409, $this->code());
        self::assertStringContainsString('changed in another window', self::plain($html));
    }

    public function testWithoutScriptsAFormEndsOnAPage(): void
    {
        $id = $this->stored();
        $this->browser->request('POST', "/racks/$id/edit", ['op' => 'add-leg', 'chosen' => 0, 'version' => $this->version($id)]);
        self::assertSame(303, $this->code());
        $this->browser->followRedirect();
        self::assertStringContainsString('<!doctype html>', (string) $this->browser->getResponse()->getContent());
    }
}
