<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Equipment\Pocket;

/**
 * Pots and strokes that the state values promise most of, for the search to try.
 *
 * @internal
 */
final readonly class StrokeProposals
{
    /** Strokes that run into a ball which are tried. */
    private const CONTACTS = 8;

    private PlanningCache $cache;
    private Pots $pots;
    private ContinuationValues $continuations;

    public function __construct(private StateValues $states)
    {
        $this->cache = $states->cache;
        $this->pots = $states->pots;
        $this->continuations = $states->continuations;
    }

    /**
     * Balls and pockets from a position, the best first, with their approximate values.
     *
     * @param bool $lies the cue ball lies there already, whatever zone was pinned
     *
     * @return list<array{int, Pocket, float}>
     */
    public function candidates(int $remaining, float $x, float $y, bool $lies = false): array
    {
        [$cell] = $this->states->grid()->cell($x, $y);
        $corners = [$cell, $cell + 1, $cell + CueBallGrid::ACROSS + 1, $cell + CueBallGrid::ACROSS + 2];
        $found = [];
        foreach ($this->states->due($remaining) as $ball) {
            $after = $remaining & ~(1 << $ball);
            if (!$this->states->knows($after) || (!$lies && !$this->states->constraints->allowsFrom($ball, $x, $y))) {
                continue;
            }
            $about = $this->pots->about($remaining, $ball);
            foreach ($this->pots->of($ball) as $option) {
                $chanceGrid = $option->chances;
                $onward = $this->continuations->afterPot($this->states, $after, $ball, $option->pocket);
                $chances = $chanceGrid->chances($about);
                $most = 0.0;
                foreach ($corners as $node) {
                    $n = $chanceGrid->place[$node] ?? -1;
                    if ($n >= 0 && 0 === ($chanceGrid->blocked[$n] & $about)) {
                        foreach ($chances as $pace => $chance) {
                            $most = max(
                                $most,
                                $chance[$n] * ContinuationValues::interpolated(
                                    $onward,
                                    $pace,
                                    $chanceGrid->distance[$n],
                                    $chanceGrid->cut[$n],
                                    $chanceGrid->part[$n],
                                ),
                            );
                        }
                    }
                }
                if ($most > 0.0) {
                    $found[] = [$ball, $option->pocket, $most];
                }
            }
        }
        usort($found, static fn(array $a, array $b): int => $b[2] <=> $a[2]);

        return $found;
    }

    /**
     * What a pot leads on to from a place: the share of its chance with an easy stroke.
     *
     * @param int   $node     where, roughly
     * @param float $cut      rad
     * @param float $distance to the contact, m
     */
    public function leads(int $remaining, int $ball, Pocket $pocket, int $node, float $cut, float $distance): float
    {
        $after = $remaining & ~(1 << $ball);
        if ([] === $this->states->values($after)) {
            return 1.0;
        }
        $step = ArrivalGrid::cutStep($cut);
        $lower = (int) min(ArrivalGrid::CUTS - 2, floor($step));

        $onward = $this->continuations->afterPot($this->states, $after, $ball, $pocket);
        $easy = ContinuationValues::interpolated($onward, 0, ArrivalGrid::distance($distance), $lower, $step - $lower);
        foreach ($this->pots->of($ball) as $option) {
            $chanceGrid = $option->chances;
            $n = $option->pocket === $pocket ? $chanceGrid->place[$node] ?? -1 : -1;
            if ($n >= 0) {
                [$soft, $firm, $hard] = $chanceGrid->chances($this->pots->about($remaining, $ball));
                if ($soft[$n] > 0.01) {
                    $easy = max(
                        $easy,
                        $firm[$n] / $soft[$n] * ContinuationValues::interpolated(
                            $onward,
                            1,
                            ArrivalGrid::distance($distance),
                            $lower,
                            $step - $lower,
                        ),
                        $hard[$n] / $soft[$n] * ContinuationValues::interpolated(
                            $onward,
                            2,
                            ArrivalGrid::distance($distance),
                            $lower,
                            $step - $lower,
                        ),
                    );
                }
            }
        }

        return min(1.0, $easy);
    }

    /**
     * Strokes for a pot from a place, the most promising first, different in kind.
     *
     * @param int   $node     where, roughly
     * @param float $cut      rad
     * @param float $distance to the contact, m
     *
     * @return list<array{float, float, float, float}> cue speed (m/s), tip side and height (radii), approximate value
     */
    public function strokes(int $remaining, int $ball, Pocket $pocket, int $node, float $cut, float $distance): array
    {
        $after = $remaining & ~(1 << $ball);
        $pot = null;
        foreach ($this->pots->of($ball) as $option) {
            $pot = $option->pocket === $pocket ? $option : $pot;
        }
        if (null === $pot) {
            return [];
        }
        $step = ArrivalGrid::cutStep($cut);
        $n = $pot->chances->place[$node] ?? -1;
        $chances = $pot->chances->chances($this->pots->about($remaining, $ball));
        $along = cos($cut) * (1 + $this->cache->simulator->ball->restitution) / 2;
        $found = [];
        foreach (ArrivalGrid::ROLLS as $r => $roll) {
            foreach (ArrivalGrid::SIDES as $s => $side) {
                $aside = $this->continuations->byCutAndSpeed($this->states, $pot, $after, $r, $s);
                // On either side of the cut, as far as they were played.
                $wide = $this->states->fine ? 1 : CueBallTransitions::COARSE;
                foreach (array_unique([$wide * (int) floor($step / $wide), $wide * (int) ceil($step / $wide)]) as $c) {
                    $mixed = $aside[$c] ?? [];
                    foreach ($mixed as $k => $value) {
                        // Peaks along the speed.
                        if ($value <= 0.0 || $value < ($mixed[$k - 1] ?? 0.0) || $value <= ($mixed[$k + 1] ?? 0.0)) {
                            continue;
                        }
                        $stroke = ArrivalGrid::stroke($this->cache->simulator, $roll, $side, $this->cache->arrivals->speeds[$k], $distance);
                        if (null !== $stroke) {
                            $pace = PotChanceGrid::pace($along * $this->cache->arrivals->speeds[$k]);
                            $found[] = [$stroke[0], $stroke[1], $stroke[2], $value * ($n >= 0 ? $chances[$pace][$n] : 1.0)];
                        }
                    }
                }
            }
        }
        usort($found, static fn(array $a, array $b): int => $b[3] <=> $a[3]);
        $kept = [];
        foreach ($found as $one) {
            foreach ($kept as $other) {
                if (abs($one[1] - $other[1]) < 0.1 && abs($one[2] - $other[2]) < 0.12 && abs(log($one[0] / $other[0])) < 0.12) {
                    continue 2;
                }
            }
            $kept[] = $one;
        }

        return $kept;
    }

    /**
     * Strokes that pot a ball and run into one that should be moved: of a cluster, or that lies badly and comes soon.
     *
     * @param float $cut      rad
     * @param float $distance to the contact, m
     *
     * @return list<array{float, float, float}> cue speed (m/s), tip side and height (radii)
     */
    public function contacts(int $remaining, int $ball, Pocket $pocket, float $cut, float $distance): array
    {
        $after = $remaining & ~(1 << $ball);
        $wanted = 0 === ($remaining & RemainingBalls::CLUSTERS_BROKEN) ? $this->pots->cluster & $after : 0;
        foreach (RemainingBalls::count($after) <= 2 ? $this->states->due($after) : [] as $next) {
            $wanted |= $this->pots->liesBadly($after, $next) ? 1 << $next : 0;
        }
        $found = [];
        foreach (0 === $wanted ? [] : $this->pots->of($ball) as $option) {
            if ($option->pocket !== $pocket) {
                continue;
            }
            $transitions = $option->transitions;
            $touched = $option->touched;
            $c = (int) round(ArrivalGrid::cutStep($cut));
            foreach (ArrivalGrid::ROLLS as $r => $roll) {
                foreach (ArrivalGrid::SIDES as $s => $side) {
                    $base = (($c * 5 + $r) * 3 + $s) * ArrivalGrid::SPEEDS;
                    for ($k = $transitions->slowest[$c]; $k < ArrivalGrid::SPEEDS; $k += 3) {
                        $met = $touched[$base + $k] & $after;
                        $stroke = 0 !== ($met & $wanted) && 0 === ($met & ~$wanted) ? ArrivalGrid::stroke(
                            $this->cache->simulator,
                            $roll,
                            $side,
                            $this->cache->arrivals->speeds[$k],
                            $distance,
                        ) : null;
                        if (null !== $stroke) {
                            $found[] = $stroke;
                        }
                    }
                }
            }
        }
        // The softer the surer, but not all alike.
        usort($found, static fn(array $a, array $b): int => $a[0] <=> $b[0]);
        $step = max(1, intdiv(\count($found), self::CONTACTS));

        return array_values(
            array_filter($found, static fn(int $n): bool => 0 === $n % $step && $n < $step * self::CONTACTS, \ARRAY_FILTER_USE_KEY),
        );
    }
}
