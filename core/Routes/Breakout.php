<?php

declare(strict_types=1);

namespace ZigLane\Core\Routes;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\BallStates;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Potting\ErrorSamples;
use ZigLane\Core\Potting\PotChance;
use ZigLane\Core\Potting\ShotSampler;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Reading\FromHere;
use ZigLane\Core\Reading\Openings;

/**
 * Pots that move another ball on purpose, judged by sampling: after each try the table is read anew, as the balls then lie.
 */
final readonly class Breakout
{
    /** Tries of a first look, and of the judgement. */
    private const ROUGH_TRIES = 8;
    private const TRIES = 16;

    /** Strokes judged, and kept. */
    private const LOOKED = 3;
    private const KEPT = 2;

    private ShotSampler $sampler;
    private PotChance $pot;

    public function __construct(private Rack $rack, Pot $pot)
    {
        $this->sampler = new ShotSampler($rack->simulator(), $rack->layout, $pot);
        $this->pot = new PotChance($rack->simulator(), $rack->layout, $pot, $rack->player);
    }

    /**
     * @param RouteSearch $search whose sweep found strokes that move balls
     * @param list<int>   $wanted balls worth moving
     *
     * @return list<Route> the best first, each with what it frees
     */
    public function routes(RouteSearch $search, array $wanted): array
    {
        $openings = Openings::of($this->rack->simulator(), $this->rack->layout);
        $found = [];
        foreach ($this->strokes($search, $wanted) as [$route, $ball]) {
            $judged = $this->evaluated($route, $ball, [] !== $openings->going($ball));
            if (null !== $judged) {
                $found[] = $judged;
            }
        }
        usort($found, static fn(Route $a, Route $b): int => self::merit($b) <=> self::merit($a));

        return \array_slice($found, 0, self::KEPT);
    }

    /** A ball freed counts like a ball to come. */
    private static function merit(Route $route): float
    {
        return $route->chances->value * (0.5 + 0.5 * ($route->freed->goes ?? 0.0));
    }

    /**
     * The strokes that move a wanted ball when nothing goes wrong, the likeliest to do so first, different ones.
     *
     * @param list<int> $wanted
     *
     * @return list<array{Route, int}>
     */
    private function strokes(RouteSearch $search, array $wanted): array
    {
        $rough = [];
        foreach ($search->contacts() as $contact) {
            $ball = array_values(array_intersect($wanted, $contact->moved))[0] ?? null;
            $route = null === $ball ? null : $search->route($contact->stroke, 0.0, self::ROUGH_TRIES);
            if (null !== $route) {
                $rough[] = [$route, $ball];
            }
        }
        // More than one ball moved is harder to foresee; so is a hard stroke.
        usort(
            $rough,
            static fn(array $a, array $b): int => self::foreseen($b[0]) <=> self::foreseen($a[0]),
        );
        $kinds = [];
        foreach ($rough as $one) {
            $kinds[implode('-', $one[0]->family->rails) . $one[0]->family->stroke . $one[1]] ??= $one;
        }

        return \array_slice(array_values($kinds), 0, self::LOOKED);
    }

    private static function foreseen(Route $route): float
    {
        return $route->chances->pot * $route->chances->touches / (3 + $route->shot->speed);
    }

    private function evaluated(Route $route, int $ball, bool $before): ?Route
    {
        $cue = $this->rack->layout->ball(BallId::CUE);
        $stroke = $route->shot->stroke();
        $error = $this->pot->errors($cue, $stroke);
        $pot = $moved = $goes = $scratch = 0;
        $value = 0.0;
        foreach ((new ErrorSamples())->first(self::TRIES) as $sample) {
            $state = $this->sampler->under($error, $sample, $stroke);
            if (null === $state) {
                continue;
            }
            $scratch += $this->sampler->scratches($state) ? 1 : 0;
            if ($this->sampler->scratches($state) || !$this->sampler->pots($state)) {
                continue;
            }
            ++$pot;
            $moved += \in_array($ball, $this->sampler->moved($state), true) ? 1 : 0;
            $after = $this->rack->withLayout($this->left($state));
            if (!$after->layout->has($ball)) {
                continue;
            }
            $next = FromHere::now($after, $after->layout->ball(BallId::CUE));
            $value += [] === $next ? 0.0 : $next[0]->chance();
            $goes += [] === Openings::goingOf($after->simulator(), $after->layout, $ball) ? 0 : 1;
        }
        if (0 === $moved) {
            return null;
        }
        $n = self::TRIES;

        $freed = new FreedBall($ball, $moved / $n, $goes / $n, $before);

        return $route->moving($freed, new RouteChances($pot / $n, 0.0, $value / $n, $scratch / $n, 1.0, 0.0, 0.0, $n));
    }

    private function left(BallStates $state): Layout
    {
        $balls = [];
        foreach (array_keys($this->rack->layout->balls) as $slot => $id) {
            if (!$state->isDown($slot)) {
                $balls[$id] = new Point($state->x[$slot], $state->y[$slot]);
            }
        }

        return new Layout($balls);
    }
}
