<?php

declare(strict_types=1);

namespace ZigLane\Core\Decision;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Parallel\Processes;
use ZigLane\Core\Physics\AimedStroke;
use ZigLane\Core\Planning\Planner;
use ZigLane\Core\Player\ErrorSample;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Potting\ErrorSamples;
use ZigLane\Core\Rack\PushOut;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Settings\Defaults;

/**
 * Weighs the run-out against the best safety and the best of both.
 */
final readonly class Adviser
{
    /** Differences of the chance to win that are none (our own choice). */
    private const EVEN = 0.01;

    /** By so much another pot must be better than the plan's, whose beginning it contradicts (our own choice). */
    private const ANOTHER = 0.06;

    /** What wins so much less than the best will not be played, whatever the answer to it is (our own choice). */
    private const OUT_OF_REACH = 0.15;

    private Contest $contest;
    private ShotSearch $search;
    private PushOutSearch $pushOut;
    private Replies $replies;

    /**
     * @param Rack              $rack      the cue ball on the table, the player's group known where the game has groups
     * @param Planner           $planner   that planned it
     * @param ShotBudget|null   $budget    the whole search when null
     * @param Processes|null    $processes that share the work; this one alone when null
     * @param Planner|null      $others    the opponent's, with what it has worked out; a new one when null
     */
    public function __construct(
        private Rack $rack,
        Player $opponent,
        Planner $planner,
        ?ShotBudget $budget = null,
        ErrorSamples $errors = new ErrorSamples(),
        ?Processes $processes = null,
        ?Planner $others = null,
    ) {
        $this->contest = Contest::of($rack, $opponent, $planner, $others);
        $this->pushOut = new PushOutSearch($rack, $this->contest, $errors);
        $budget ??= ShotBudget::settled();
        $this->search = new ShotSearch($rack, $this->contest, $budget, $errors, $processes);
        $this->replies = new Replies($rack, $this->contest, $budget, $errors, $processes);
    }

    /**
     * @param AimedStroke|null $stroke that the plan begins with; null when no ball goes
     * @param Pot|null         $pot    and what it pots
     * @param float            $runOut chance to run out as planned, 0–1
     */
    public function advise(?AimedStroke $stroke, ?Pot $pot, float $runOut): Advice
    {
        $judged = null === $stroke ? null : $this->search->judge($stroke, $pot);
        $planned = null === $judged || null === $pot ? null : $this->planned($judged, $pot, $runOut);
        $found = $this->search->best();
        $other = $found[OptionKind::Go->value] ?? null;
        // What comes after either is compared by state values, by which alone that of the other is known.
        $least = max($planned?->win(), $judged?->win()) + self::ANOTHER;
        // A bank, a combination, a ball that the plan did not see.
        $another = null !== $other && (null === $planned || ($other->win() > $least && $this->isAnother($other, $pot)));
        $options = $this->mended(array_filter([
            OptionKind::Go->value => $another ? $other : $planned,
            OptionKind::Safe->value => $found[OptionKind::Safe->value] ?? null,
            OptionKind::TwoWay->value => $found[OptionKind::TwoWay->value] ?? null,
        ]));
        $instead = $another ? $planned : null;
        if (null !== $instead && $options[OptionKind::Go->value]->win() < $instead->win() + self::ANOTHER) {
            // The answers to the one have brought the two together: those to the other are searched for, too.
            $instead = $this->replies->mended($instead);
        }
        if (null !== $instead && $instead->win() > $options[OptionKind::Go->value]->win()) {
            [$options[OptionKind::Go->value], $another, $instead] = [$instead, false, null];
        }
        $options += array_filter([
            OptionKind::PushOut->value => PushOut::Allowed === $this->rack->pushOut ? $this->pushOut->best() : null,
        ]);
        $pass = PushOut::Offered === $this->rack->pushOut ? 1 - $this->contest->reversed()->turn($this->rack->layout) : null;

        return $this->weighed($options, $pass, $another, $instead?->win());
    }

    /** Chance to win the rack from where a stroke ended, 0–1. */
    public function worth(End $end): float
    {
        return $end->value($this->contest);
    }

    /**
     * Chance to win the rack with a stroke, on average over errors, 0–1; answers to it are not searched for.
     *
     * @param list<ErrorSample> $samples
     */
    public function expected(AimedStroke $stroke, ?Pot $call, array $samples): float
    {
        return $this->search->judge($stroke, $call, $samples)->win();
    }

    /**
     * Options with the answers to them searched for, where they may be the best.
     *
     * @param array<string, Tried> $options
     *
     * @return array<string, Tried>
     */
    private function mended(array $options): array
    {
        $best = max([0.0, ...array_map(static fn(Tried $one): float => $one->win(), array_values($options))]);

        return array_map(fn(Tried $one): Tried => $one->win() < $best - self::OUT_OF_REACH ? $one : $this->replies->mended($one), $options);
    }

    /**
     * @param array<string, Tried> $options by the kind's value
     * @param float|null           $planned chance to win as the plan begins, where another is gone for, 0–1
     */
    private function weighed(array $options, ?float $pass, bool $another, ?float $planned): Advice
    {
        $go = $options[OptionKind::Go->value] ?? null;
        $wins = array_map(static fn(Tried $one): float => $one->win(), $options);
        $wins += null === $pass ? [] : [OptionKind::Pass->value => $pass];
        arsort($wins);
        [$best, $second] = [...array_keys($wins), null, null];
        $errors = array_map(static fn(?string $kind): float => $options[$kind ?? '']->chances->error ?? 0.0, [$best, $second]);
        $others = array_diff_key($wins, [OptionKind::Go->value => true]);

        return new Advice(
            $this->rack,
            OptionKind::tryFrom((string) $best) ?? OptionKind::Safe,
            $options,
            null !== $best && null !== $second && $wins[$best] - $wins[$second] < max(self::EVEN, hypot(...$errors)),
            null === $go ? null : self::turning($go, [] === $others ? 0.0 : max($others)),
            null !== $go && $go->chances->made >= Defaults::GO_RULE,
            $pass,
            $another,
            $planned,
        );
    }

    /** Whether a stroke pots something else than the plan does: of the same pot the plan knows better. */
    private function isAnother(Tried $tried, ?Pot $pot): bool
    {
        $pocketed = (new StrokeEnds($this->rack))->end($tried->stroke, $tried->call)->pocketed;

        return null === $pot || ($pocketed[$pot->ball] ?? null) !== $pot->pocket || \count($pocketed) > 1;
    }

    /** The plan's own stroke as it was judged: what comes after the pot is known better than from state values. */
    private function planned(Tried $judged, Pot $pot, float $runOut): Tried
    {
        $tried = new Tried($judged->stroke, $judged->call, $judged->chances->gone());
        $made = $tried->chances->made;
        $left = $this->rack->layout->without($pot->ball);
        if ($made <= 0.0 || $this->rack->rules()->isOver($left)) {
            return $tried;
        }
        $comes = $this->contest->afterLegal($this->rack->taking($pot->ball)->group);
        $goes = static fn(float $chance): float => $comes->goes($left, min(1.0, $chance / $made));

        return $tried->winning($tried->win() + $made * ($goes($runOut) - $goes($tried->chances->runOut)));
    }

    /** Chance of the first pot from which to go is as good as the other. */
    private static function turning(Tried $go, float $other): ?float
    {
        if ($go->chances->made <= 0.0 || $go->chances->made >= 1.0) {
            return null;
        }
        // What the mended chance to win adds lies in what comes after the pot.
        $ifMade = ($go->win() - (1 - $go->chances->made) * $go->chances->ifNot) / $go->chances->made;
        $at = $ifMade > $go->chances->ifNot ? ($other - $go->chances->ifNot) / ($ifMade - $go->chances->ifNot) : 1.0;

        return $at > 0.0 && $at < 1.0 ? $at : null;
    }
}
