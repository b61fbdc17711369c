<?php

declare(strict_types=1);

namespace ZigLane\Core\Wording;

use ZigLane\Core\Logbook\Fit\FittedErrors;
use ZigLane\Core\Logbook\Fit\SpeedCheck;
use ZigLane\Core\Logbook\Habits;

/**
 * What logged shots tell of a player, in sentences.
 */
final class PlayerFitWording
{
    /** An error is known well when its interval reaches no further than this share to each side. */
    private const SETTLED = 0.15;

    private function __construct() {}

    /**
     * Biases that are there, each in a sentence.
     *
     * @return list<string>
     */
    public static function biases(FittedErrors $fitted): array
    {
        $says = [];
        [$aim, $low, $high] = array_map(rad2deg(...), $fitted->aimBias);
        if ($low * $high > 0.0) {
            $says[] = \sprintf('Aims %.2f° to the %s of where it is meant, on average.', abs($aim), $aim > 0.0 ? 'right' : 'left');
        }
        [$speed, $low, $high] = $fitted->speedBias;
        if ($low * $high > 0.0) {
            $says[] = \sprintf('Strikes %.0f %% too %s, on average.', 100 * abs($speed), $speed > 0.0 ? 'hard' : 'soft');
        }

        return [] === $says ? ['No bias to one side, nor in speed, that could be told from chance.'] : $says;
    }

    /**
     * What the player does again and again, each in a sentence.
     *
     * @param callable(float): string $length m, in the person's unit
     *
     * @return list<string>
     */
    public static function habits(Habits $habits, callable $length): array
    {
        $says = [];
        foreach ($habits->stops as $stop) {
            $says[] = \sprintf(
                '%s the cue ball stops %s %s on average (%d shots, %s to %s).',
                ['With no cushion', 'Over one cushion', 'Over two cushions', 'Over three cushions and more'][$stop['rails']],
                $length(abs($stop['mean'])),
                $stop['mean'] > 0.0 ? 'long' : 'short',
                $stop['shots'],
                $length(min(abs($stop['low']), abs($stop['high']))),
                $length(max(abs($stop['low']), abs($stop['high']))),
            );
        }
        foreach ($habits->misses as $miss) {
            $says[] = \sprintf(
                'Cuts to the %s are missed %s: %d of %d misses.',
                $miss['left'] ? 'left' : 'right',
                $miss['thick'] ? 'thick' : 'thin',
                $miss['of'],
                $miss['misses'],
            );
        }

        return $says;
    }

    /** A pot that everyone knows, by its name in Potting\Calibration. */
    public static function pot(string $name): string
    {
        return match ($name) {
            'spot' => 'The ball on the foot spot, cue ball from near the head corner',
            'long-rolled' => 'Straight in, eight feet, the cue ball rolling',
            'long-stopped' => 'Straight in, eight feet, the cue ball stopped',
            'cut' => 'A 45° cut from four feet',
            'frozen' => 'A ball frozen to the rail, two diamonds from the pocket',
            default => $name,
        };
    }

    /** How many more shots would settle an error; '' when it is settled. An interval narrows with the root of the shots. */
    public static function more(int $attempts, float $value, float $high): string
    {
        $half = log($high / $value);
        $needed = (int) ceil($attempts * ($half / log(1 + self::SETTLED)) ** 2);

        return $needed <= $attempts ? '' : \sprintf('about %d more shots until it is known to ±15 %%', self::rounded($needed - $attempts));
    }

    /** Whether the cue ball stops shorter or longer than meant; '' when it does not. */
    public static function check(SpeedCheck $check): string
    {
        if (!$check->isShort() && !$check->isLong()) {
            return '';
        }

        return \sprintf(
            'In the last %d shots the cue ball stopped %s than meant, as on a table that is %s than it is set. '
            . 'The stroke may be to blame: shots alone do not tell. A roll test of three minutes does.',
            $check->shots,
            $check->isShort() ? 'shorter' : 'longer',
            $check->isShort() ? 'slower' : 'faster',
        );
    }

    private static function rounded(int $many): int
    {
        $step = $many < 100 ? 10 : 50;

        return (int) (ceil($many / $step) * $step);
    }
}
