<?php

declare(strict_types=1);

namespace ZigLane\Core\Decision;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Parallel\Processes;
use ZigLane\Core\Physics\AimedStroke;
use ZigLane\Core\Player\ErrorSample;
use ZigLane\Core\Potting\ErrorSamples;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Settings\Defaults;

/**
 * Finds the strokes that win the rack most often, safeties above all: many are played once, the better ones under more and more errors
 * (successive halving; Z. Karnin and others, "Almost optimal exploration in multi-armed bandits", 2013), the best are stirred, and
 * judged afresh in the end.
 */
final class ShotSearch
{
    /** Tries under which strokes are stirred; steps of the speed (a share), the direction (rad) and the tip. */
    private const STIR = 24;
    private const STEPS = [[0.12, 0.0, 0.0, 0.0], [-0.12, 0.0, 0.0, 0.0], [0.0, 0.006, 0.0, 0.0], [0.0, -0.006, 0.0, 0.0],
        [0.0, 0.0, 0.15, 0.0], [0.0, 0.0, -0.15, 0.0], [0.0, 0.0, 0.0, 0.15], [0.0, 0.0, 0.0, -0.15]];

    /** Nearer to a miscue than this (radii) nothing is stirred. */
    private const SURE = 0.05;

    /** Strokes of a kind that are judged in the end beside those that were stirred. */
    private const BESIDE = 2;

    /** Of those that are solved for so many times as many. */
    private const SOLVED = 2;

    /** Share of what is kept that each kind has. */
    private const SHARES = ['go' => 0.4, 'safe' => 0.4, 'two-way' => 0.2];

    /** Tries that are worth a process of their own. */
    private const WORTH_SHARING = 120;

    private readonly StrokeSpread $spread;
    private readonly StrokeEnds $ends;
    private readonly Processes $processes;

    public function __construct(
        private readonly Rack $rack,
        private readonly Contest $contest,
        private readonly ShotBudget $budget,
        private readonly ErrorSamples $errors = new ErrorSamples(),
        ?Processes $processes = null,
    ) {
        $this->processes = $processes ?? Processes::single();
        $this->spread = new StrokeSpread($rack);
        $this->ends = new StrokeEnds($rack);
    }

    /**
     * The best stroke of each kind.
     *
     * @return array<string, Tried> by the kind's value
     */
    public function best(): array
    {
        $tried = $this->once();
        foreach ($this->budget->rungs as [$most, $tries]) {
            $tried = $this->judged(self::mixed($tried, $most), $this->errors->first($tries));
        }
        // Those that are solved for are made in one try of five, perhaps: they come in where that shows.
        $solved = $this->budget->special ? (new SpecialShots($this->rack, $this->spread))->all($this->processes) : [];
        $solved = \array_slice($this->judged($solved, $this->errors->first($this->budget->more)), 0, self::SOLVED * $this->budget->ofAKind);
        $best = [];
        foreach (OptionKind::STROKES as $kind) {
            $ofKind = static fn(Tried $one): bool => $kind === $one->chances->kind();
            $these = \array_slice(array_values(array_filter($tried, $ofKind)), 0, $this->budget->ofAKind);
            $these = $this->judged($these, $this->errors->first($this->budget->more));
            $these = Tried::ranked([...$these, ...array_filter($solved, $ofKind)]);
            $stirred = \array_slice($these, 0, $this->budget->stirred);
            $stirred = $this->shared($stirred, $this->stirred(...), self::STIR * \count(self::STEPS));
            // Stirred, or under more tries, a stroke may turn out to be of another kind: so others are judged beside them.
            $finalists = [...$stirred, ...\array_slice($these, 0, self::BESIDE)];
            foreach ($this->judged($finalists, $this->errors->judging($this->budget->tries)) as $one) {
                $known = $best[$one->chances->kind()->value] ?? null;
                $best[$one->chances->kind()->value] = null === $known || $one->win() > $known->win() ? $one : $known;
            }
        }

        return $best;
    }

    /**
     * A stroke under errors.
     *
     * @param list<ErrorSample>|null $samples as in the last judgement when null
     */
    public function judge(AimedStroke $stroke, ?Pot $call, ?array $samples = null): Tried
    {
        $samples ??= $this->errors->judging($this->budget->tries);
        $made = $fouls = $passed = $hidden = 0;
        $sum = $square = $ofMade = $leaves = $runOut = 0.0;
        foreach ($samples as $sample) {
            $end = $this->ends->end($stroke, $call, $sample);
            $value = $end->value($this->contest);
            $sum += $value;
            $square += $value * $value;
            if (EndKind::Made === $end->kind || EndKind::Won === $end->kind) {
                ++$made;
                $ofMade += $value;
                $runOut += EndKind::Won === $end->kind ? 1.0 : $this->contest->afterLegal($end->taken)->runOut($end->table);
            } elseif (EndKind::Foul === $end->kind) {
                ++$fouls;
            } elseif (EndKind::Passed === $end->kind) {
                ++$passed;
                $leaves += $this->contest->reversed()->runOut($end->table);
                $hidden += $this->contest->reversed()->sight($end->table) > 0.0 ? 0 : 1;
            }
        }
        $n = \count($samples);
        $mean = $sum / $n;

        return new Tried($stroke, $call, new StrokeChances(
            $mean,
            $made / $n,
            $fouls / $n,
            $hidden / $n,
            $made > 0 ? $ofMade / $made : 0.0,
            $made < $n ? ($sum - $ofMade) / ($n - $made) : 0.0,
            $passed > 0 ? $leaves / $passed : 0.0,
            $runOut / $n,
            sqrt(max(0.0, $square / $n - $mean * $mean) / $n),
        ));
    }

    /**
     * Every stroke played once without an error: those that are legal, as long as there are any.
     *
     * @return list<Tried> the best first
     */
    private function once(): array
    {
        $tried = $fouls = [];
        foreach ($this->spread->strokes($this->budget->every) as $stroke) {
            $end = $this->ends->end($stroke, null);
            if (EndKind::Foul === $end->kind || EndKind::Lost === $end->kind) {
                if (EndKind::Foul === $end->kind && $end->table->has(BallId::CUE)) {
                    $fouls[] = new Tried($stroke, null, new StrokeChances($end->value($this->contest)));
                }
                continue;
            }
            $made = EndKind::Made === $end->kind || EndKind::Won === $end->kind ? 1.0 : 0.0;
            $tried[] = new Tried($stroke, null, new StrokeChances($end->value($this->contest), $made));
            $ball = array_key_first($end->pocketed);
            if (null !== $ball && EndKind::Passed === $end->kind) {
                $call = new Pot($ball, $end->pocketed[$ball]);
                $tried[] = new Tried($stroke, $call, new StrokeChances($this->ends->end($stroke, $call)->value($this->contest), 1.0));
            }
        }

        // Where nothing legal can be done, the foul that costs least.
        return Tried::ranked([] === $tried ? $fouls : $tried);
    }

    /**
     * The best of each kind: where a ball goes easily the safeties would never be looked at.
     *
     * @param list<Tried> $ranked the best first
     *
     * @return list<Tried>
     */
    private static function mixed(array $ranked, int $most): array
    {
        $left = [];
        $kept = [];
        foreach ($ranked as $one) {
            $kind = $one->chances->kind()->value;
            $left[$kind] ??= (int) ((self::SHARES[$kind] ?? 0.0) * $most);
            if ($left[$kind]-- > 0) {
                $kept[] = $one;
            }
        }

        return $kept;
    }

    /**
     * @param list<Tried>       $tried
     * @param list<ErrorSample> $samples
     *
     * @return list<Tried> the best first
     */
    private function judged(array $tried, array $samples): array
    {
        $judge = fn(Tried $one): Tried => $this->judge($one->stroke, $one->call, $samples);

        return Tried::ranked($this->shared($tried, $judge, \count($samples)));
    }

    /**
     * Work on strokes, in two shares where that is worth it.
     *
     * @param list<Tried>             $tried
     * @param \Closure(Tried): Tried $work
     * @param int                     $tries that the work on each of them takes
     *
     * @return list<Tried> in their order
     */
    private function shared(array $tried, \Closure $work, int $tries): array
    {
        if (\count($tried) < 2 || \count($tried) * $tries < self::WORTH_SHARING) {
            return array_map($work, $tried);
        }

        return $this->processes->inHalves($tried, $work);
    }

    /** The best of a stroke and those a step away from it. */
    private function stirred(Tried $tried): Tried
    {
        $samples = $this->errors->first(self::STIR);
        $best = $this->judge($tried->stroke, $tried->call, $samples);
        foreach (self::STEPS as [$speed, $turn, $side, $height]) {
            $raised = $this->spread->near($best->stroke, 1 + $speed, $turn, [$side, $height], Defaults::MISCUE_LIMIT - self::SURE);
            $step = null === $raised ? null : $this->judge($raised, $best->call, $samples);
            $best = null !== $step && $step->win() > $best->win() ? $step : $best;
        }

        return $best;
    }
}
