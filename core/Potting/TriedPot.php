<?php

declare(strict_types=1);

namespace ZigLane\Core\Potting;

use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\AimedStroke;
use ZigLane\Core\Player\Execution;
use ZigLane\Core\Player\ExecutionError;

/**
 * The chance of one stroke as it is shown to a person: held to plays of the whole table under the player's errors.
 *
 * Propagation (ErrorPropagation) does not see the cue ball coming round to meet the ball again, nor others that come into its way, and
 * bends wrongly where the hit is thin or the cue raised. So the first tries are played out, and each is compared with what its own
 * contact and the pocket's window say. Where they never differ, the contacts alone are believed and many of them are made; where
 * they do, everything is played.
 *
 * @internal
 */
final readonly class TriedPot
{
    /** Tries that are played out to see whether contact and window say enough. */
    private const PROBES = 96;

    /** Tries of the contact alone, and of the whole table. */
    private const CONTACTS = 320;
    private const PLAYS = 640;

    /** Thinner than this (rad), and with the cue raised by more (rad), propagation is not exact enough to be shown. */
    private const THIN = 0.85;
    private const RAISED = 0.01;

    public function __construct(private ObjectBall $ball, private ShotSampler $sampler) {}

    /** The chance (0–1) of a stroke for which propagation gives an estimate. */
    public function chance(Point $cue, AimedStroke $stroke, ExecutionError $error, PotEstimate $estimate): float
    {
        $made = $differ = 0;
        $samples = (new ErrorSamples())->first(self::PLAYS);
        foreach ($samples as $n => $sample) {
            $executed = Execution::stroke($error, $sample, $stroke);
            $state = $this->sampler->run($executed);
            $drops = null !== $state && $this->sampler->pots($state);
            $made += $drops ? 1 : 0;
            if ($n < self::PROBES) {
                $differ += $drops === (null !== $state && $this->contactDrops($cue, $executed)) ? 0 : 1;
            }
            if (self::PROBES === $n + 1 && 0 === $differ) {
                return abs($estimate->cut) < self::THIN && $stroke->stroke->elevation < self::RAISED
                    ? $estimate->chance
                    : $this->byContacts($cue, $stroke, $error, $made);
            }
        }

        return $made / self::PLAYS;
    }

    private function byContacts(Point $cue, AimedStroke $stroke, ExecutionError $error, int $made): float
    {
        foreach (\array_slice((new ErrorSamples())->first(self::CONTACTS), self::PROBES) as $sample) {
            $executed = Execution::stroke($error, $sample, $stroke);
            $made += $this->sampler->slips($executed) || !$this->contactDrops($cue, $executed) ? 0 : 1;
        }

        return $made / self::CONTACTS;
    }

    /** Whether the ball, met alone, goes off into the window of its pocket. */
    private function contactDrops(Point $cue, AimedStroke $stroke): bool
    {
        $departure = $this->ball->departure($cue, $stroke);
        if (null === $departure) {
            return false;
        }
        $turn = atan2($departure->miss, $this->ball->mouth->distance);
        foreach ($this->ball->window->at($departure->pace, $departure->side) as [$low, $high]) {
            if ($turn > $low && $turn < $high) {
                return true;
            }
        }

        return false;
    }
}
