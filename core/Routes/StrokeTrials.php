<?php

declare(strict_types=1);

namespace ZigLane\Core\Routes;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\AimedStroke;
use ZigLane\Core\Physics\BallStates;
use ZigLane\Core\Physics\Stroke;
use ZigLane\Core\Player\ErrorSample;
use ZigLane\Core\Potting\AcceptanceWindow;
use ZigLane\Core\Potting\ErrorSamples;
use ZigLane\Core\Potting\NoPot;
use ZigLane\Core\Potting\PotChance;
use ZigLane\Core\Potting\ShotSampler;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Reading\SpeedWindow;
use ZigLane\Core\Settings\Defaults;

/**
 * Strokes at one pot from where the cue ball lies: aimed, played with and without the player's errors, and judged by what they leave.
 *
 * @internal
 */
final class StrokeTrials
{
    /** Tries of a final judgement, and of the one before it. */
    public const MANY = 800;
    public const MORE = ErrorSamples::SEEN;

    /** From so many tries on places are told apart. */
    private const MANY_ENOUGH = 100;

    /** How far behind (value) a stroke may lie after so many tries. */
    private const BEHIND = [10 => 0.06, 24 => 0.03, 48 => 0.015];

    /** Of the tries that move other balls so many are valued one by one, the rest at their mean; fewer where there are few tries. */
    private const DISTURBED = 16;
    private const FEW_DISTURBED = 6;

    /** No shot is left below this. */
    private const NO_SHOT = 0.05;

    /** Where other balls are moved as a rule, a place is good from so much of what is left on average (our own choice). */
    private const GOOD = 0.8;

    public readonly PotChance $pot;
    public readonly Point $cue;
    private readonly ShotSampler $sampler;

    /** Shots played so far. */
    public int $played = 0;

    /** Tries of the stroke being judged that moved other balls and were valued, and the sum of their values. */
    private int $disturbed = 0;
    private int $mostDisturbed = self::DISTURBED;
    private float $ofDisturbed = 0.0;

    public function __construct(
        public readonly Rack $rack,
        public readonly Pot $target,
        public readonly PositionEvaluator $evaluator,
        private readonly ErrorSamples $errors = new ErrorSamples(),
        ?AcceptanceWindow $window = null,
    ) {
        $simulator = $rack->simulator();
        $this->cue = $rack->layout->ball(BallId::CUE);
        $this->pot = new PotChance($simulator, $rack->layout, new Pot($target->ball, $target->pocket), $rack->player, $window);
        $this->sampler = new ShotSampler($simulator, $rack->layout, new Pot($target->ball, $target->pocket));
    }

    /**
     * A stroke aimed; null when it cannot be.
     *
     * @param float $offset part of what drops, −1 … 1
     */
    public function aimed(Stroke $stroke, float $offset): ?Candidate
    {
        if ($stroke->offset() > Defaults::MISCUE_LIMIT || $stroke->speed > Defaults::MAX_CUE_SPEED) {
            return null;
        }
        $line = $this->pot->line($this->cue, $stroke, $offset);

        return $line instanceof NoPot ? null : new Candidate($line, $offset);
    }

    /** Plays a stroke as it is, recorded; null unless it pots the ball and the cue ball stays up. */
    public function recorded(AimedStroke $stroke): ?BallStates
    {
        $state = $this->sampler->run($stroke, record: true);

        return null !== $state && $this->holds($state) ? $state : null;
    }

    /**
     * Other balls that lie elsewhere afterwards, or are gone.
     *
     * @return list<int>
     */
    public function moved(BallStates $state): array
    {
        return $this->sampler->moved($state);
    }

    /** Value of a stroke under the first so many errors, 0–1. */
    public function value(Candidate $candidate, int $tries): float
    {
        return $this->chances($candidate->aimed, $this->samples($tries))->value;
    }

    /** The same, given up (null) as soon as it falls behind what is to be beaten. */
    public function valueUnlessBehind(Candidate $candidate, int $tries, float $most): ?float
    {
        $error = $this->pot->errors($this->cue, $candidate->aimed);
        $value = 0.0;
        $this->beginJudging($tries);
        foreach ($this->errors->first($tries) as $n => $sample) {
            if (isset(self::BEHIND[$n]) && $value / $n < $most - self::BEHIND[$n]) {
                return null;
            }
            ++$this->played;
            $state = $this->sampler->under($error, $sample, $candidate->aimed);
            if (null !== $state && $this->holds($state)) {
                $value += $this->left($state, $this->sampler->moved($state));
            }
        }

        return $value / $tries;
    }

    /**
     * Errors to judge by. The last judgement is made under errors that the search has not seen: it would flatter what was chosen by
     * them.
     *
     * @return list<ErrorSample>
     */
    public function samples(int $tries): array
    {
        return $tries > self::MORE
            ? $this->errors->judging($tries)
            : $this->errors->first($tries);
    }

    /**
     * A stroke judged under the player's errors.
     *
     * @param list<ErrorSample> $samples
     */
    public function chances(AimedStroke $stroke, array $samples): RouteChances
    {
        $error = $this->pot->errors($this->cue, $stroke);
        $pot = $scratch = $touches = $disturbing = $hooked = 0;
        $value = 0.0;
        // What each pot leaves that leaves a shot.
        $left = [];
        $level = $this->evaluator->level();
        $this->beginJudging(\count($samples));
        foreach ($samples as $sample) {
            $state = $this->sampler->under($error, $sample, $stroke);
            if (null === $state) {
                continue;
            }
            $moved = $this->sampler->moved($state);
            $touches += [] === $moved ? 0 : 1;
            if ($this->sampler->scratches($state)) {
                ++$scratch;
                continue;
            }
            if (!$this->sampler->pots($state)) {
                continue;
            }
            ++$pot;
            $worth = $this->left($state, $moved);
            $value += $worth;
            $disturbing += [] === $moved ? 0 : 1;
            if ($worth < $level && [] === $moved && $this->evaluator->chanceAt($state->x[0], $state->y[0]) < self::NO_SHOT) {
                ++$hooked;
            } else {
                $left[] = $worth;
            }
        }
        $level = $this->level($stroke, $value / max(1, $pot), 2 * $disturbing > $pot, \count($samples) >= self::MANY_ENOUGH);
        $position = \count(array_filter($left, static fn(float $worth): bool => $worth >= $level));
        $astray = \count($left) - $position;
        $n = \count($samples);
        $this->played += $n;
        $potted = max(1, $pot);

        return new RouteChances(
            $pot / $n,
            $position / $n,
            $value / $n,
            $scratch / $n,
            $touches / $n,
            $hooked / $potted,
            $astray / $potted,
            $n,
        );
    }

    /**
     * Value from which a stroke's stops count as position.
     *
     * @param float $mean    value of those that pot the ball, on average
     * @param bool  $mostly  whether they move other balls as a rule
     * @param bool  $closely whether to look at what the stroke itself leaves: another try, worth it only where there are many
     */
    private function level(AimedStroke $stroke, float $mean, bool $mostly, bool $closely): float
    {
        $level = $this->evaluator->level();
        if ($mostly) {
            // A place is good beside what moving them leaves, not beside the table as it was.
            return min($level, self::GOOD * $mean);
        }

        $asked = $this->evaluator->level($mean);

        return $closely && $asked < $level ? $this->evaluator->level(max($mean, (float) $this->leaves($stroke))) : $asked;
    }

    /** Value of what a stroke leaves when nothing goes wrong; null where it moves other balls or does not pot the ball. */
    private function leaves(AimedStroke $stroke): ?float
    {
        ++$this->played;
        $state = $this->sampler->run($stroke);

        return null === $state || !$this->holds($state) || [] !== $this->sampler->moved($state)
            ? null
            : $this->evaluator->valueAt($state->x[0], $state->y[0]);
    }

    /**
     * How much softer or harder a stroke still leaves the cue ball in position.
     *
     * @param RouteChances $chances what it comes to
     */
    public function window(AimedStroke $aimed, RouteChances $chances): ?SpeedWindow
    {
        $window = SpeedWindow::of(
            fn(float $at): ?float => $this->leaves(new AimedStroke($aimed->aim, $aimed->stroke->withSpeed($aimed->stroke->speed * $at))),
            $this->level($aimed, $chances->value / max(1e-9, $chances->pot), false, true),
        );

        // One that leaves the stroke itself out is of another way to play the shot.
        return null === $window || $window->low > 1.0 || $window->high < 1.0 ? null : $window;
    }

    private function holds(BallStates $state): bool
    {
        return $this->sampler->pots($state) && !$this->sampler->scratches($state);
    }

    /**
     * What a pot has left the cue ball with.
     *
     * @param list<int> $moved other balls that lie elsewhere now
     */
    private function left(BallStates $state, array $moved): float
    {
        if ([] === $moved) {
            return $this->evaluator->valueAt($state->x[0], $state->y[0]);
        }
        if ($this->disturbed >= $this->mostDisturbed) {
            return $this->ofDisturbed / $this->disturbed;
        }
        $value = $this->evaluator->disturbed($this->sampler->places($state, $moved), $state->x[0], $state->y[0]);
        ++$this->disturbed;
        $this->ofDisturbed += $value;

        return $value;
    }

    private function beginJudging(int $tries): void
    {
        $this->mostDisturbed = $tries < self::MORE / 2 ? self::FEW_DISTURBED : self::DISTURBED;
        $this->disturbed = 0;
        $this->ofDisturbed = 0.0;
    }
}
