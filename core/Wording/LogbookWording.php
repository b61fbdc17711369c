<?php

declare(strict_types=1);

namespace ZigLane\Core\Wording;

use ZigLane\Core\Logbook\CountedShare;
use ZigLane\Core\Logbook\Miss;

/**
 * What came of attempts, in words.
 */
final class LogbookWording
{
    /** Deviations below this are none that a person sees, m. */
    private const NEAR = 0.02;

    private function __construct() {}

    /**
     * "made, out of position"; "missed thick".
     *
     * @param bool|null $inPosition null where no zone was asked for
     */
    public static function outcome(bool $made, ?Miss $missed, bool $scratched, ?bool $inPosition): string
    {
        if (!$made) {
            $how = match ($missed) {
                Miss::Thick => 'missed thick',
                Miss::Thin => 'missed thin',
                Miss::Rattled => 'rattled out',
                Miss::Kissed => 'missed: met another ball',
                null => $scratched ? '' : 'missed',
            };

            return implode(', ', array_filter([$how, $scratched ? 'scratched' : '']));
        }

        return match ($inPosition) {
            true => 'made, in position',
            false => 'made, out of position',
            null => 'made',
        };
    }

    /**
     * "12 cm long, 5 cm to the right"; '' where nothing is known.
     *
     * @param float|null              $long   m
     * @param float|null              $wide   m, to the right of its way
     * @param \Closure(float): string $length says a length in the person's unit
     */
    public static function stop(?float $long, ?float $wide, \Closure $length): string
    {
        if (null === $long || null === $wide) {
            return '';
        }
        $parts = [];
        if (abs($long) >= self::NEAR) {
            $parts[] = $length(abs($long)) . ($long > 0.0 ? ' long' : ' short');
        }
        if (abs($wide) >= self::NEAR) {
            $parts[] = $length(abs($wide)) . ($wide > 0.0 ? ' to the right' : ' to the left');
        }

        return [] === $parts ? 'where it was meant' : implode(', ', $parts);
    }

    /** "61 % (48–72 %)", or for few "3 of 5". */
    public static function share(CountedShare $share): string
    {
        return match (true) {
            0 === $share->all => 'none yet',
            $share->isFew() => "$share->of of $share->all",
            default => \sprintf('%.0f %% (%.0f–%.0f)', 100 * $share->share, 100 * $share->low, 100 * $share->high),
        };
    }

    /** How what was promised compares with what was shot; '' where too little is known. */
    public static function against(CountedShare $share, ?float $promised): string
    {
        if (null === $promised || $share->isFew()) {
            return '';
        }
        $said = \sprintf('%.0f %% promised', 100 * $promised);

        return match (true) {
            $share->agreesWith($promised) => "$said: as expected",
            $promised > $share->high => "$said: fewer than expected",
            default => "$said: more than expected",
        };
    }
}
