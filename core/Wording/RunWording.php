<?php

declare(strict_types=1);

namespace ZigLane\Core\Wording;

use ZigLane\Core\Logbook\Attempt;
use ZigLane\Core\Logbook\AttemptFacts;
use ZigLane\Core\Logbook\RunStep;

/**
 * What happens to a plan at the table, in sentences.
 */
final class RunWording
{
    /** A shot that loses less than this of the chance to run out is not named. */
    private const WORTH_NAMING = 0.02;

    private function __construct() {}

    /**
     * What a rack that was shot came to.
     *
     * @param list<RunStep> $steps
     *
     * @return list<string> whole sentences
     */
    public static function summary(array $steps): array
    {
        $known = array_values(array_filter($steps, static fn(RunStep $step): bool => null !== $step->change()));
        if ([] === $known) {
            return [];
        }
        $says = [];
        $last = $steps[\count($steps) - 1];
        $start = $known[0]->before;
        $says[] = 1.0 === $last->after
            ? \sprintf('Run out; the chance was %.0f %% before the first shot.', 100 * (float) $start)
            : \sprintf('The chance was %.0f %% before the first shot.', 100 * (float) $start);
        usort($known, static fn(RunStep $a, RunStep $b): int => $a->change() <=> $b->change());
        $worst = $known[0];
        if ((float) $worst->change() < -self::WORTH_NAMING) {
            $says[] = \sprintf(
                'Most was lost by the %s: %.0f points (%s).',
                null === $worst->attempt->meant->ball ? 'shot without a ball' : "shot at the {$worst->attempt->meant->ball}",
                -100 * (float) $worst->change(),
                $worst->turn->value,
            );
            $says[] = null === $worst->turn->practice()
                ? 'It was played as planned: from where it stopped the next was harder than it looked.'
                : "Practise {$worst->turn->practice()}.";
        }

        return $says;
    }

    /**
     * Why what comes next is no longer as it was planned: "The cue ball stopped 31 cm long, out of the zone."
     *
     * @param \Closure(float): string $length says a length in the person's unit
     */
    public static function cameOff(Attempt $attempt, \Closure $length): string
    {
        $facts = AttemptFacts::of($attempt);
        if ($facts->scratched) {
            return 'The cue ball was scratched.';
        }
        $stop = LogbookWording::stop($facts->long, $facts->wide, $length);
        $others = array_values(array_diff(array_keys($attempt->result->moved), [$attempt->meant->ball]));
        $parts = [];
        if ('' !== $stop) {
            $parts[] = "The cue ball stopped $stop" . match ($facts->inPosition) {
                false => ', out of the zone',
                true => ', in the zone',
                null => '',
            } . '.';
        }
        if ([] !== $others) {
            $parts[] = \sprintf('The %s %s moved.', Numbers::list($others), 1 === \count($others) ? 'was' : 'were');
        }
        if (!$attempt->result->made) {
            array_unshift($parts, null === $attempt->meant->ball ? 'It was no legal shot.' : "The {$attempt->meant->ball} stayed up.");
        }

        return implode(' ', $parts);
    }
}
