<?php

declare(strict_types=1);

namespace ZigLane\Core\Routes;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\Internal\KernelState;
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
    private const TRIES = 16;

    /** Strokes judged, and kept. */
    private const LOOKED = 3;
    private const KEPT = 2;

    private ShotSampler $sampler;
    private PotChance $pot;

    public function __construct(private Rack $rack, private int $ball, private Pocket $pocket)
    {
        $this->sampler = new ShotSampler($rack->simulator(), $rack->layout, $ball, $pocket);
        $this->pot = new PotChance($rack->simulator(), $rack->layout, $ball, $pocket, $rack->player);
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
            $judged = $this->judged($route, $ball, [] !== $openings->going($ball));
            $search->played += self::TRIES;
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
        return $route->value * (0.5 + 0.5 * ($route->freed->goes ?? 0.0));
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
        foreach ($search->contacts() as [$speed, $tip, $moved]) {
            $ball = array_values(array_intersect($wanted, $moved))[0] ?? null;
            $route = null === $ball ? null : $search->route($speed, $tip->side, $tip->height, 0.0, 8);
            if (null !== $route) {
                $rough[] = [$route, $ball];
            }
        }
        // More than one ball moved is harder to foresee; so is a hard stroke.
        usort(
            $rough,
            static fn(array $a, array $b): int => $b[0]->pot * $b[0]->touches / (3 + $b[0]->shot->speed)
                <=> $a[0]->pot * $a[0]->touches / (3 + $a[0]->shot->speed),
        );
        $kinds = [];
        foreach ($rough as $one) {
            $kinds[implode('-', $one[0]->family->rails) . $one[0]->family->stroke . $one[1]] ??= $one;
        }

        return \array_slice(array_values($kinds), 0, self::LOOKED);
    }

    private function judged(Route $route, int $ball, bool $before): ?Route
    {
        $cue = $this->rack->layout->ball(BallId::CUE);
        $shot = $route->shot;
        $error = $this->pot->errors($cue->x, $cue->y, $shot->aim, $shot->elevation, $shot->speed);
        $pot = $moved = $goes = $scratch = 0;
        $value = 0.0;
        foreach (ErrorSamples::of(self::TRIES) as $sample) {
            $state = $this->sampler->under(
                $error,
                $sample,
                $shot->aim,
                $shot->speed,
                $shot->tip->side,
                $shot->tip->height,
                $shot->elevation,
            );
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

        return $route->moving(new FreedBall($ball, $moved / $n, $goes / $n, $before), $pot / $n, $value / $n, $scratch / $n, $n);
    }

    private function left(KernelState $state): Layout
    {
        $balls = [];
        foreach (array_keys($this->rack->layout->balls) as $slot => $id) {
            if (KernelState::ON_TABLE === $state->pocket[$slot]) {
                $balls[$id] = new Point($state->x[$slot], $state->y[$slot]);
            }
        }

        return new Layout($balls);
    }
}
