<?php

declare(strict_types=1);

namespace ZigLane\Core\Potting;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Aiming\SecantAim;
use ZigLane\Core\Aiming\Target;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Geometry\Angle;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\AimedStroke;
use ZigLane\Core\Physics\CueStrike;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\LeastElevation;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\Stroke;
use ZigLane\Core\Player\Execution;
use ZigLane\Core\Player\ExecutionError;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Player\Stance;
use ZigLane\Core\Settings\Defaults;

/**
 * The chance that one ball drops in one pocket, from any place of the cue ball, by propagating the player's errors.
 *
 * The directions in which the ball drops come from AcceptanceWindow, the direction of the cue from SecantAim, the chance from
 * ErrorPropagation. The same by plain sampling: PotSampling; tests hold the two together.
 */
final class PotChance
{
    /** Thinner than this (rad) is no shot. */
    private const THINNEST = 1.48;

    /** See SecantAim. */
    private const TOLERANCE = 1e-4;
    private const MOST_STEPS = 6;
    private const LEAST_COS = 0.05;

    /** Slowest (m/s) squared that a ball is taken to leave at, and least part of the cue ball's speed that it is given. */
    private const LEAST_SQUARE = 0.0025;
    private const LEAST_PART = 0.05;
    private const LEAST_READING_PART = 0.15;

    private readonly ObjectBall $object;
    private readonly SecantAim $secant;

    public function __construct(
        private readonly Simulator $simulator,
        private readonly Layout $layout,
        public readonly Pot $pot,
        private readonly Player $player,
        ?AcceptanceWindow $window = null,
    ) {
        $this->object = new ObjectBall($simulator, $layout, $pot->ball, $window ?? new AcceptanceWindow($simulator, $layout, $pot));
        $this->secant = new SecantAim($simulator, self::TOLERANCE, self::MOST_STEPS, self::LEAST_COS);
    }

    /** What drops, from where the ball lies. */
    public function window(): AcceptanceWindow
    {
        return $this->object->window;
    }

    /** The cut from a place (m) to the middle of the mouth, signed as in PotReading, rad. */
    public function cutFrom(float $x, float $y): float
    {
        $toward = $this->object->mouth->direction;
        $ghost = $this->object->ghost($toward);

        return Angle::wrap($toward - atan2($ghost->y - $y, $ghost->x - $x));
    }

    /** Whether the cue ball can lie there. */
    public function free(float $x, float $y): bool
    {
        return $this->object->leavesRoom($x, $y);
    }

    /**
     * With the reading stroke: rolling, as fast as brings the ball to the pocket at an easy pace.
     *
     * @param float $x     cue ball, m
     * @param float $y     m
     * @param float $rough chances that must lie below this are given from the error of aim alone, a little too high
     */
    public function fromPlace(float $x, float $y, float $rough = 0.0): PotEstimate
    {
        return $this->with(new Point($x, $y), new Stroke($this->readingSpeed($x, $y), 0.0, Defaults::READING_TIP), $rough);
    }

    /**
     * With a given stroke, aimed at the middle of what drops.
     *
     * @param float $rough as in fromPlace()
     */
    public function with(Point $cue, Stroke $stroke, float $rough = 0.0): PotEstimate
    {
        $aimed = $this->line($cue, $stroke);

        return $aimed instanceof NoPot
            ? PotEstimate::none($aimed)
            : ErrorPropagation::estimate($this->object, $cue, $aimed, $this->errors($cue, $aimed), $rough);
    }

    /**
     * The chance of a stroke as a person is shown it, by trying it (10 ms; 50 ms where contact and window do not say enough).
     */
    public function tried(Point $cue, AimedStroke $stroke): float
    {
        $sampler = new ShotSampler($this->simulator, $this->layout->with(BallId::CUE, $cue), $this->pot);

        return (new TriedPot($this->object, $sampler))->chance($cue, $stroke, $this->errors($cue, $stroke));
    }

    /** An answer of fromPlace() with its chance as a person is shown it. */
    public function checked(Point $cue, PotEstimate $read): PotEstimate
    {
        $stroke = new Stroke($read->speed, 0.0, Defaults::READING_TIP, $read->elevation);

        return $read->withChance($this->tried($cue, new AimedStroke($read->aim, $stroke)));
    }

    /**
     * How the cue must point, and be raised, for a stroke that sends the ball to a part of what drops.
     *
     * @param float $offset −1 … 1 from the left to the right edge of the widest opening
     */
    public function line(Point $cue, Stroke $stroke, float $offset = 0.0): AimedStroke|NoPot
    {
        if (!$this->free($cue->x, $cue->y)) {
            return NoPot::NoRoom;
        }
        // Seen from the ball, is the cue ball on a side from which the pocket can be cut at all?
        $toward = $this->object->mouth->direction;
        $way = $cue->angleTo($this->object->ghost($toward));
        $cut = abs(Angle::wrap($toward - $way));
        if ($cut > self::THINNEST + $this->object->window->span()) {
            return NoPot::TooThin;
        }
        $part = $this->object->window->part($this->paceOf($cue, $stroke, $cut), $offset);
        if (null === $part) {
            return NoPot::DoesNotGo;
        }
        $all = [$this->object->at, ...$this->object->others];
        $elevation = LeastElevation::at($cue, $all, new AimedStroke($way, $stroke), $this->simulator->geometry, $this->simulator->ball);
        if (!is_finite($elevation)) {
            return NoPot::OutOfReach;
        }
        $raised = $stroke->raised($elevation);
        $target = new Target($toward + $part, $this->object->mouth->distance);
        $thin = abs(Angle::wrap($target->direction - $cue->angleTo($this->object->ghost($target->direction)))) > self::THINNEST;
        $found = $thin ? null : $this->secant->find($cue, $this->object->at, $raised, $target);

        return null === $found ? NoPot::TooThin : new AimedStroke($found->aim, $raised);
    }

    /** The player's errors of a stroke from a place. */
    public function errors(Point $cue, AimedStroke $stroke): ExecutionError
    {
        return Execution::errors(
            $this->player,
            $stroke->stroke->elevation,
            $stroke->stroke->speed,
            Stance::of($this->player, $cue, $stroke->aim, $this->simulator->geometry),
            $this->simulator->ball->radius,
        );
    }

    /** Cue speed of the reading stroke from a place, m/s. */
    public function readingSpeed(float $x, float $y): float
    {
        $toward = $this->object->mouth->direction;
        $ghost = $this->object->ghost($toward);
        $cut = Angle::wrap($toward - atan2($ghost->y - $y, $ghost->x - $x));
        // The cue ball gives the ball (1 + e)/2 of the part along the centres.
        $need = 2 * $this->object->window->readingSpeed()
            / ((1 + $this->simulator->ball->restitution) * max(cos($cut), self::LEAST_READING_PART));
        // Struck at this height it settles to (5 + 5b)/7 of its first speed, and rolls on.
        $settle = (5 + 5 * Defaults::READING_TIP) / 7;
        $roll = 2 * $this->simulator->table->cloth->roll * Defaults::GRAVITY;
        $first = sqrt($need ** 2 + $roll * hypot($x - $ghost->x, $y - $ghost->y)) / $settle;
        $gain = CueStrike::gain(0.0, Defaults::READING_TIP, $this->simulator->cue, $this->simulator->ball);

        return max(Defaults::READING_SLOWEST, min(Defaults::READING_FASTEST, $first / $gain));
    }

    /** About how fast the ball will leave, m/s: enough to look up a window to aim at. */
    private function paceOf(Point $cue, Stroke $stroke, float $cut): float
    {
        $settle = (5 + 5 * $stroke->height) / 7;
        $gain = CueStrike::gain(0.0, $stroke->height, $this->simulator->cue, $this->simulator->ball);
        $square = ($stroke->speed * $gain * $settle) ** 2
            - 2 * $this->simulator->table->cloth->roll * Defaults::GRAVITY * max(
                0.0,
                hypot($cue->x - $this->object->at->x, $cue->y - $this->object->at->y) - $this->object->diameter,
            );

        return sqrt(max($square, self::LEAST_SQUARE)) * max(cos($cut), self::LEAST_PART) * (1 + $this->simulator->ball->restitution) / 2;
    }
}
