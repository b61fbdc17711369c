<?php

declare(strict_types=1);

namespace ZigLane\Core\Potting;

use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\AimedStroke;
use ZigLane\Core\Player\ErrorSample;
use ZigLane\Core\Player\Execution;
use ZigLane\Core\Player\ExecutionError;

/**
 * The chance of one stroke as it is shown to a person: held to plays of the whole table under the player's errors.
 *
 * Propagation (ErrorPropagation) does not see the cue ball coming round to meet the ball again, nor others that come into its way, and
 * bends wrongly where the hit is thin or the cue raised. So the first tries are played out, and each is compared with what its own
 * contact and the pocket's window say. Where they never differ, the contacts alone are believed; where they do, more is played, and the
 * mean of many contacts is mended by the mean difference (a control variate).
 *
 * @internal
 */
final readonly class TriedPot
{
    /** Tries that are played out to see whether contact and window say enough, and where they do not. */
    private const PROBES = 96;
    private const PLAYS = 512;

    /** Tries of the contact alone, where it says enough and where it does not. */
    private const CONTACTS = 512;
    private const MANY_CONTACTS = 1600;

    public function __construct(private ObjectBall $ball, private ShotSampler $sampler) {}

    /** The chance of a stroke, 0–1. */
    public function chance(Point $cue, AimedStroke $stroke, ExecutionError $error): float
    {
        $samples = (new ErrorSamples())->first(self::MANY_CONTACTS);
        $made = $differ = $off = 0;
        for ($n = 0; $n < self::PLAYS; ++$n) {
            if (self::PROBES === $n && 0 === $differ) {
                return $this->contacts($cue, $stroke, $error, \array_slice($samples, $n, self::CONTACTS - $n), $made) / self::CONTACTS;
            }
            $executed = Execution::stroke($error, $samples[$n], $stroke);
            $state = $this->sampler->run($executed);
            $says = $this->contactDrops($cue, $executed) ? 1 : 0;
            $made += $says;
            $drops = null !== $state && $this->sampler->pots($state) ? 1 : 0;
            $off += $drops - $says;
            $differ += abs($drops - $says);
        }
        $said = $this->contacts($cue, $stroke, $error, \array_slice($samples, self::PLAYS), $made) / self::MANY_CONTACTS;

        return max(0.0, min(1.0, $said + $off / self::PLAYS));
    }

    /**
     * How many of some tries drop by their contact, added to those that have.
     *
     * @param list<ErrorSample> $samples
     */
    private function contacts(Point $cue, AimedStroke $stroke, ExecutionError $error, array $samples, int $made): int
    {
        foreach ($samples as $sample) {
            $made += $this->contactDrops($cue, Execution::stroke($error, $sample, $stroke)) ? 1 : 0;
        }

        return $made;
    }

    /** Whether the tip holds and the ball, met alone, goes off into the window of its pocket. */
    private function contactDrops(Point $cue, AimedStroke $stroke): bool
    {
        if ($this->sampler->slips($stroke)) {
            return false;
        }
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
