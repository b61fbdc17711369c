<?php

declare(strict_types=1);

namespace ZigLane\Core\Decision;

use ZigLane\Core\Parallel\Processes;
use ZigLane\Core\Player\ErrorSample;
use ZigLane\Core\Potting\ErrorSamples;
use ZigLane\Core\Rack\Rack;

/**
 * What really comes after a stroke: on some of the tables that it leaves, the best answer of the player who comes to them is searched
 * for, and by as much as that differs from what the search took those tables to be worth, the stroke's chance is mended (a control
 * variate: R. Y. Rubinstein, "Simulation and the Monte Carlo Method", 1981).
 */
final readonly class Replies
{
    /** From such a chance to run out on the player goes for it: nothing is searched for (our own choice). */
    private const GOES = 0.45;

    private Processes $processes;

    /** @param Rack $rack that the strokes are played from */
    public function __construct(
        private Rack $rack,
        private Contest $contest,
        private ShotBudget $budget,
        private ErrorSamples $errors = new ErrorSamples(),
        ?Processes $processes = null,
    ) {
        $this->processes = $processes ?? Processes::single();
    }

    /** A stroke with its chance to win mended. */
    public function mended(Tried $tried): Tried
    {
        $picked = $this->picked($tried);
        if ([] === $picked) {
            return $tried;
        }
        $differences = $this->processes->inHalves($picked, $this->difference(...));
        $made = $passed = [];
        foreach ($picked as $n => $end) {
            if (EndKind::Made === $end->kind || EndKind::Won === $end->kind) {
                $made[] = $differences[$n];
            } else {
                $passed[] = $differences[$n];
            }
        }

        return new Tried($tried->stroke, $tried->call, $tried->chances->mended(self::mean($made), self::mean($passed)));
    }

    /**
     * Some of the stroke's ends, evenly from the worst to the best of them.
     *
     * @return list<End>
     */
    private function picked(Tried $tried): array
    {
        if ($this->budget->replies < 1) {
            return [];
        }
        $ends = new StrokeEnds($this->rack);
        $all = array_map(
            static fn(ErrorSample $sample): End => $ends->end($tried->stroke, $tried->call, $sample),
            $this->errors->judging($this->budget->tries),
        );
        $values = array_map(fn(End $end): float => $end->value($this->contest), $all);
        array_multisort($values, array_keys($all), $all);
        $step = \count($all) / $this->budget->replies;

        return array_map(static fn(int $n): End => $all[(int) (($n + 0.5) * $step)], range(0, $this->budget->replies - 1));
    }

    /** By how much more or less the player of the stroke wins from one of its ends than it was taken to be worth. */
    private function difference(End $end): float
    {
        if (EndKind::Made !== $end->kind && EndKind::Passed !== $end->kind) {
            return 0.0;
        }
        $made = EndKind::Made === $end->kind;
        $comes = $made ? $this->contest->afterLegal($end->taken) : $this->contest->afterLegal()->reversed();
        if ($comes->runOut($end->table) >= self::GOES) {
            return 0.0;
        }
        $rack = $comes->turns->rack()->goneOn($end->table);
        $best = $comes->sight($end->table) > 0.0 ? $comes->goes($end->table) : 0.0;
        foreach ((new ShotSearch($rack, $comes->near($end->table), ShotBudget::reply(), $this->errors))->best() as $answer) {
            $best = max($best, $answer->win());
        }
        $more = $best - $comes->turn($end->table);

        return $made ? $more : -$more;
    }

    /** @param list<float> $values */
    private static function mean(array $values): float
    {
        return [] === $values ? 0.0 : array_sum($values) / \count($values);
    }
}
