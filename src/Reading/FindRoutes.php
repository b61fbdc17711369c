<?php

declare(strict_types=1);

namespace ZigLane\App\Reading;

use ZigLane\App\Work\Work;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Reading\Trouble\TroubleKind;
use ZigLane\Core\Routes\Breakout;
use ZigLane\Core\Routes\RouteSearch;

/**
 * Alternatives for a leg, lists that get better.
 */
final readonly class FindRoutes implements Work
{
    /** Trouble that a cue ball can help with. */
    private const WORTH_MOVING = [TroubleKind::Stuck, TroubleKind::Cluster, TroubleKind::Frozen, TroubleKind::ByRail];

    public function __construct(private ReadTable $reader) {}

    public static function kind(): string
    {
        return 'routes';
    }

    /**
     * The search's lists; after them, where balls are in trouble, one more with routes that move one of them on purpose.
     *
     * @param list<mixed> $question Rack, ball, Pocket, the number of the stored rack
     *
     * @return \Generator<int, RouteList>
     */
    public function answers(array $question): \Generator
    {
        [$rack, $ball, $pocket, $id] = $question;
        \assert($rack instanceof Rack && \is_int($ball) && $pocket instanceof Pocket && \is_int($id));
        $began = microtime(true);
        $search = new RouteSearch($rack, new Pot($ball, $pocket));
        $list = [];
        foreach ($search->routes() as $list) {
            $settled = [] !== $list && RouteSearch::MANY === $list[0]->chances->tries;
            yield new RouteList($list, $settled, $search->played(), microtime(true) - $began);
        }
        $wanted = [];
        foreach ($this->reader->read($rack, $id)->troubles as $trouble) {
            if (\in_array($trouble->kind, self::WORTH_MOVING, true)) {
                $wanted = [...$wanted, ...$trouble->balls];
            }
        }
        $wanted = array_values(array_diff(array_unique($wanted), [$ball]));
        if ([] !== $wanted || [] === $list) {
            yield new RouteList(
                [...$list, ...(new Breakout($rack, new Pot($ball, $pocket)))->routes($search, $wanted)],
                true,
                $search->played(),
                microtime(true) - $began,
            );
        }
    }
}
