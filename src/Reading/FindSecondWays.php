<?php

declare(strict_types=1);

namespace ZigLane\App\Reading;

use ZigLane\App\Work\Work;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Line\LinePlayer;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\ShotSpec;
use ZigLane\Core\Routes\SecondWay;
use ZigLane\Core\Routes\TakeOver;
use ZigLane\Core\Wording\RouteWording;

/**
 * Another way to play each leg of a rack.
 */
final class FindSecondWays implements Work
{
    public static function kind(): string
    {
        return 'second-ways';
    }

    /**
     * @param list<mixed> $question Rack with its legs
     *
     * @return \Generator<int, array{of: int, ways: array<int, array{ShotSpec, string}|null>}> how many legs there are; by number of the
     *                                                                       leg the stroke and its name, as far as they are known
     */
    public function answers(array $question): \Generator
    {
        [$rack] = $question;
        \assert($rack instanceof Rack);
        $legs = LinePlayer::for($rack)->play($rack);
        $ways = [];
        yield ['of' => \count($legs), 'ways' => $ways];
        foreach ($legs as $leg) {
            $spec = $leg->spec;
            $ways[$leg->number] = null;
            $isPot = null !== $spec->ball && null !== $spec->pocket && $spec->intent->isPlain();
            if ($isPot && null !== $leg->before && null !== $leg->shot) {
                $before = $rack->withLayout($leg->before)->withBallInHand(false);
                $pot = new Pot($spec->ball, $spec->pocket);
                $route = SecondWay::to($before, $pot, $leg->shot);
                $ways[$leg->number] = null === $route
                    ? null
                    : [TakeOver::spec($before, $pot, $route->shot), RouteWording::family($route->family)];
            }
            yield ['of' => \count($legs), 'ways' => $ways];
        }
    }
}
