<?php

declare(strict_types=1);

namespace ZigLane\Core\Routes;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Parallel\Processes;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\Stroke;
use ZigLane\Core\Player\ErrorSample;
use ZigLane\Core\Potting\AcceptanceWindow;
use ZigLane\Core\Potting\ErrorSamples;
use ZigLane\Core\Rack\Rack;

/**
 * Finds the ways from one pot to the next: strokes are swept coarsely (StrokeSweep); the best of each idea is then refined
 * (PatternSearch) and judged by playing it many times with errors (StrokeTrials), all ideas with the same ones.
 */
final class RouteSearch
{
    /** Candidates looked into at first and then, and stirred. */
    private const FIRST = 12;
    private const LOOKED = 48;
    private const STIRRED = 12;

    /** Candidates judged by more tries before the best are refined: by a few the luckiest come first. */
    private const JUDGED = 16;

    /** Candidates refined, polished, and routes kept. */
    private const REFINED = 5;
    private const POLISHED = 5;
    public const KEPT = 5;

    /** Share of the best one's value from which another way is named. */
    private const SENSIBLE = 0.7;

    /** Strokes of one idea that are looked into. */
    private const OF_AN_IDEA = 5;

    /** Tries at each stage. */
    private const FEWEST = 8;
    public const FEW = PatternSearch::FEW;
    public const MANY = StrokeTrials::MANY;

    /** Rounds of refinement. */
    private const ROUNDS = 4;

    /** Behind the best by so much in value, an idea is refined in one round, or in two. */
    private const FAR_BEHIND = 0.08;
    private const BEHIND_THE_BEST = 0.03;

    private readonly Processes $processes;
    private readonly StrokeTrials $trials;
    private readonly StrokeSweep $sweep;
    private readonly PatternSearch $pattern;
    private readonly RouteMaker $maker;

    /**
     * @param PositionEvaluator|null $evaluator judges where the cue ball stops; the next ball alone when null
     * @param ErrorSamples           $errors    that strokes are judged under
     * @param Processes|null         $processes that may share the work of from(); this one alone when null
     * @param AcceptanceWindow|null  $window    what drops, where it is known
     */
    public function __construct(
        Rack $rack,
        public readonly Pot $pot,
        ?PositionEvaluator $evaluator = null,
        ErrorSamples $errors = new ErrorSamples(),
        ?Processes $processes = null,
        ?AcceptanceWindow $window = null,
    ) {
        $this->processes = $processes ?? Processes::single();
        $this->trials = new StrokeTrials($rack, $pot, $evaluator ?? NextBallEvaluator::after($rack, $pot->ball), $errors, $window);
        $this->sweep = new StrokeSweep($this->trials);
        $this->pattern = new PatternSearch($this->trials);
        $this->maker = new RouteMaker($this->trials, self::KEPT, $this->processes);
    }

    /**
     * Lists of routes as they become known, the best first; the last one is settled.
     *
     * @return \Generator<int, list<Route>>
     */
    public function routes(): \Generator
    {
        $swept = $this->sweep->coarse();
        yield $this->maker->best($this->rough($swept, self::FIRST), self::FEW);
        $this->trials->evaluator->lookOn();
        $rough = $this->rough([...$swept, ...$this->sweep->fine()], self::LOOKED);
        // One step round each of the better ideas, under few errors, tells which deserve more.
        $stirred = array_map($this->pattern->stirred(...), \array_slice($rough, 0, self::STIRRED));
        $rough = Candidate::apart(Candidate::ranked([...$stirred, ...\array_slice($rough, self::STIRRED)]));
        $judged = $this->evaluated(\array_slice($rough, 0, self::JUDGED), StrokeTrials::MORE);
        $rough = [...$judged, ...\array_slice($rough, self::JUDGED)];
        yield $this->maker->best($rough, self::FEW);
        $settled = [];
        foreach (\array_slice($rough, 0, self::REFINED) as $n => $candidate) {
            // What is far behind needs no last touch.
            $behind = ($settled[0]->value ?? 0.0) - $candidate->value;
            $rounds = $behind > self::FAR_BEHIND ? 1 : ($behind > self::BEHIND_THE_BEST ? 2 : self::ROUNDS);
            $settled[] = $this->pattern->refined($candidate, $rounds);
            yield $this->maker->best(Candidate::ranked([...$settled, ...\array_slice($rough, $n + 1)]), self::FEW);
        }
        // Under more errors than they were refined with: the luckiest is not the best.
        $settled = Candidate::apart($this->evaluated($settled, StrokeTrials::MORE));
        $polished = array_map($this->pattern->polished(...), \array_slice($settled, 0, self::POLISHED));
        $settled = [...$polished, ...\array_slice($settled, self::POLISHED)];
        // Other ways there are named too, as far as they are sensible.
        $enough = self::SENSIBLE * ($settled[0]->value ?? 0.0);
        $others = array_filter(\array_slice($rough, self::REFINED), static fn(Candidate $c): bool => $c->value > $enough);
        yield $this->maker->best([...Candidate::ranked($settled), ...$others], self::MANY);
    }

    /**
     * The best routes found from given strokes, without a sweep.
     *
     * @param list<Stroke> $strokes the most promising first
     * @param int          $refined how many of them are refined
     *
     * @return list<Route>
     */
    public function from(array $strokes, int $refined, int $rounds = self::ROUNDS, int $tries = self::MANY): array
    {
        $this->trials->evaluator->lookOn();
        $aimed = array_map(fn(Stroke $stroke): ?Candidate => $this->trials->aimed($stroke, 0.0), $strokes);
        $ranked = $this->evaluatedTwice(array_values(array_filter($aimed)), self::FIRST);
        $settled = $this->processes->results(array_map(
            fn(Candidate $candidate): \Closure => fn(): Candidate => $this->pattern->refined(
                $candidate,
                $ranked[0]->value - $candidate->value > self::FAR_BEHIND ? 1 : $rounds,
                finer: true,
            ),
            \array_slice($ranked, 0, $refined),
        ));

        return $this->maker->best(Candidate::ranked([...$settled, ...\array_slice($ranked, $refined)]), $tries, race: $tries > self::FEW);
    }

    /**
     * The settled list at once.
     *
     * @return list<Route>
     */
    public function settled(): array
    {
        $last = [];
        foreach ($this->routes() as $list) {
            $last = $list;
        }

        return $last;
    }

    /**
     * One stroke as a route, judged.
     *
     * @param float $offset part of what drops, −1 … 1
     */
    public function route(Stroke $stroke, float $offset, int $tries = self::MANY): ?Route
    {
        $candidate = $this->trials->aimed($stroke, $offset);

        return null === $candidate ? null : $this->maker->route($candidate, $tries);
    }

    /**
     * Every place the cue ball can be sent to by potting this ball: the swept strokes that pot it.
     *
     * @return list<SweptPosition>
     */
    public function spread(): array
    {
        return $this->sweep->positions();
    }

    /**
     * Swept strokes that pot the ball and move others, once routes() or spread() has swept.
     *
     * @return list<ContactStroke>
     */
    public function contacts(): array
    {
        return $this->sweep->contacts();
    }

    /**
     * A shot as it stands, judged under the player's errors.
     *
     * @param list<ErrorSample> $samples
     */
    public function chances(Shot $shot, array $samples): RouteChances
    {
        return $this->trials->chances($shot->stroke(), $samples);
    }

    /** What the stops of the routes are judged by. */
    public function evaluator(): PositionEvaluator
    {
        return $this->trials->evaluator;
    }

    /** Shots played so far. */
    public function played(): int
    {
        return $this->trials->played;
    }

    /**
     * The best of the ideas, apart from each other: those of the highest scores under a few errors, the better half of them under more.
     *
     * @param list<Candidate> $swept
     *
     * @return list<Candidate>
     */
    private function rough(array $swept, int $most): array
    {
        $count = [];
        $chosen = [];
        foreach (Candidate::ranked($swept) as $candidate) {
            $count[$candidate->idea] = ($count[$candidate->idea] ?? 0) + 1;
            if ($count[$candidate->idea] <= self::OF_AN_IDEA && \count($chosen) < 2 * $most) {
                $chosen[] = $candidate;
            }
        }

        return Candidate::apart($this->evaluatedTwice($chosen, $most));
    }

    /**
     * All under the fewest errors, the best of them under more.
     *
     * @param list<Candidate> $candidates
     *
     * @return list<Candidate> the best first
     */
    private function evaluatedTwice(array $candidates, int $most): array
    {
        return $this->evaluated(\array_slice($this->evaluated($candidates, self::FEWEST), 0, $most), self::FEW);
    }

    /**
     * @param list<Candidate> $candidates
     *
     * @return list<Candidate> the best first
     */
    private function evaluated(array $candidates, int $tries): array
    {
        return Candidate::ranked(array_map(fn(Candidate $c): Candidate => $c->valued($this->trials->value($c, $tries)), $candidates));
    }
}
