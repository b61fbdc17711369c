<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Choice;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Choice\Choice;
use ZigLane\Core\Choice\ChoiceJudge;
use ZigLane\Core\Choice\ChoicePart;
use ZigLane\Core\Choice\ChoiceWorth;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Line\LinePlayer;
use ZigLane\Core\Physics\Speed;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Planning\Plan;
use ZigLane\Core\Potting\ErrorSamples;
use ZigLane\Core\Potting\NoPot;
use ZigLane\Core\Potting\PotChance;
use ZigLane\Core\Potting\ShotSampler;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Wording\ChoiceWording;
use ZigLane\Tests\Core\Reading\Read;
use ZigLane\Tests\Survey;

final class ChoiceJudgeTest extends TestCase
{
    /** Three balls: the 7 near the side, the 8 and the 9 at the foot; straight follow or stop leaves the 8. */
    private static function three(): Rack
    {
        return Read::rack(['cue' => [3.0, 2.6], 7 => [3.7, 3.3], 8 => [6.8, 1.0], 9 => [6.6, 3.0]]);
    }

    /** @return array{ChoiceJudge, Plan} */
    private static function planned(Rack $rack): array
    {
        $judge = new ChoiceJudge($rack);
        $plan = null;
        foreach ($judge->plans() as $plan) {
        }
        self::assertNotNull($plan);

        return [$judge, $plan];
    }

    public function testEachPartCostsWhatIsWrongWithIt(): void
    {
        $rack = self::three();
        [$judge, $plan] = self::planned($rack);
        $first = $plan->shots[0];
        self::assertGreaterThan(0.4, $plan->runOut);

        // The plan's own shot costs next to nothing.
        $own = new Choice($first->pot, $first->rest, $first->spec->speed, $first->spec->tip);
        $worth = $judge->judge($own);
        self::assertEqualsWithDelta($plan->runOut, $worth->plan, 1e-9);
        self::assertLessThan(0.05, $worth->lost());
        self::assertStringStartsWith('As good as the plan', ChoiceWording::headline($worth));

        // A pocket that the ball does not go into costs all of it, and says why.
        $worth = $judge->judge(new Choice(new Pot(7, Pocket::HeadLeft), $first->rest, $first->spec->speed, $first->spec->tip));
        self::assertEqualsWithDelta($plan->runOut, $worth->costs[ChoicePart::Pot->value], 1e-9);
        self::assertSame(ChoicePart::Pot, $worth->dearest());
        self::assertNotNull($worth->why);
        self::assertContains($worth->why, [NoPot::TooThin, NoPot::DoesNotGo]);

        // A spot at the head end, far from what comes next, costs by the spot.
        $far = new Choice($first->pot, $rack->table->size->pointAt(0.4, 0.4), $first->spec->speed, $first->spec->tip);
        $worth = $judge->judge($far);
        self::assertSame(0.0, round($worth->costs[ChoicePart::Pot->value], 2));
        self::assertGreaterThan(0.2, $worth->costs[ChoicePart::Spot->value]);
        self::assertLessThan(0.5, $worth->onward);
        // The stroke that was said does not go there, which is as well.
        self::assertLessThan(-0.2, $worth->costs[ChoicePart::Stroke->value]);
        $says = ChoiceWording::parts($worth, $far, $first, static fn(float $m): string => \sprintf('%.0f cm', 100 * $m));
        self::assertMatchesRegularExpression('/^\d+ points by the spot: from there the next ball goes in \d+ %, from where the plan stops in \d+ %\.$/', $says[0]);
        self::assertMatchesRegularExpression('/^But tip and pace do not go to your spot: the cue ball stops \d+ cm from it, and there it is worth \d+ points more\.$/', $says[1]);

        // The right spot and a stroke that is far too hard costs by the stroke.
        $hard = new Choice($first->pot, $first->rest, Speed::metresPerSecond(6.0), new Tip(0.0, 0.3));
        $worth = $judge->judge($hard);
        self::assertLessThan(0.06, $worth->costs[ChoicePart::Pot->value] + $worth->costs[ChoicePart::Spot->value]);
        self::assertGreaterThan(0.1, $worth->costs[ChoicePart::Stroke->value]);
        self::assertEqualsWithDelta($worth->lost(), array_sum($worth->costs), 1e-9);
        self::assertPlaysSo($rack, $hard, $worth);
        $says = ChoiceWording::parts($worth, $hard, $first, static fn(float $m): string => \sprintf('%.0f cm', 100 * $m));
        self::assertMatchesRegularExpression('/^\d+ points by tip and pace: it pots the 7 in \d+ %/', $says[0]);
    }

    /** The shares of the stroke, held to the same stroke played under other errors. */
    private static function assertPlaysSo(Rack $rack, Choice $choice, ChoiceWorth $worth): void
    {
        self::assertNotNull($worth->shot);
        $leg = LinePlayer::for($rack)->leg(1, $choice->spec($worth->offset), $rack->layout, $rack->rules());
        self::assertNotNull($leg->shot);
        $sampler = new ShotSampler($rack->simulator(), $rack->layout, $choice->pot);
        $error = (new PotChance($rack->simulator(), $rack->layout, $choice->pot, $rack->player))
            ->errors($rack->layout->ball(0), $leg->shot->stroke());
        $made = 0;
        $tries = (new ErrorSamples(77))->first(1000);
        foreach ($tries as $sample) {
            $state = $sampler->under($error, $sample, $leg->shot->stroke());
            $made += null !== $state && $sampler->pots($state) && !$sampler->scratches($state) ? 1 : 0;
        }
        self::assertEqualsWithDelta($made / \count($tries), $worth->shot->pot, 0.03);
    }

    public function testTheOrderCostsWhereItIsFree(): void
    {
        if (0 === Survey::size(1, 0)) {
            self::markTestSkipped('in the survey');
        }
        // Solids 1, 2 and 3 in a row to the foot: going back and forth for them is worse than one after the other.
        $rack = Read::rack(
            ['cue' => [0.8, 1.4], 1 => [1.6, 0.7], 2 => [4.6, 0.6], 3 => [7.2, 1.2], 8 => [6.6, 3.2]],
            'eight-ball',
            'solids',
        );
        [$judge, $plan] = self::planned($rack);
        $first = $plan->shots[0];
        $order = array_map(static fn($shot): int => $shot->pot->ball, $plan->shots);
        $others = array_values(array_diff($order, [$first->pot->ball, 8]));
        $turned = [$first->pot->ball, ...array_reverse($others), 8];
        $worth = $judge->judge(new Choice($first->pot, $first->rest, $first->spec->speed, $first->spec->tip, $turned));
        self::assertGreaterThan(0.01, $worth->costs[ChoicePart::Order->value]);
    }
}
