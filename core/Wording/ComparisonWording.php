<?php

declare(strict_types=1);

namespace ZigLane\Core\Wording;

use ZigLane\Core\Equipment\CueSpec;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Measuring\CushionFit;
use ZigLane\Core\Physics\CueStrike;

/**
 * What a table or a cue does otherwise than the house's, in a player's words.
 */
final class ComparisonWording
{
    /** A difference below this share is not worth a word. */
    private const WORTH = 0.03;

    private function __construct() {}

    /**
     * @return list<string>
     */
    public static function ofTable(Table $table): array
    {
        $house = new Table();
        $says = [];
        $roll = $house->cloth->roll / $table->cloth->roll - 1.0;
        $slide = $house->cloth->slide / $table->cloth->slide - 1.0;
        $says[] = self::share(
            $roll,
            'Rolls %s longer than the house table',
            'Rolls %s shorter than the house table',
            'Rolls as far as on the house table',
        );
        $says[] = self::share(
            $slide,
            'Balls slide %s longer before they roll: draw and stun hold further',
            'Balls slide %s less before they roll: draw and stun fade sooner',
            'Draw and stun fade as on the house table',
        );
        [, $kept] = CushionFit::rollAway($table->cushion, 0.0);
        [, $usual] = CushionFit::rollAway($house->cushion, 0.0);
        $says[] = abs($kept / $usual - 1.0) < self::WORTH
            ? \sprintf('The cushions give back %.0f %% of the speed, as in the house', 100 * $kept)
            : \sprintf(
                'The cushions are %s: they give back %.0f %% of the speed straight in, not %.0f',
                $kept > $usual ? 'lively' : 'dead',
                100 * $kept,
                100 * $usual,
            );
        [$out] = CushionFit::rollAway($table->cushion, 45.0);
        [$normal] = CushionFit::rollAway($house->cushion, 45.0);
        $says[] = abs($out - $normal) < 1.0
            ? 'A ball rolling in at 45° comes off as in the house'
            : \sprintf(
                'A ball rolling in at 45° comes off %.0f° %s: at %.0f°',
                abs($out - $normal),
                $out > $normal ? 'longer' : 'shorter',
                $out,
            );

        return $says;
    }

    /**
     * @return list<string>
     */
    public static function ofCue(CueSpec $cue): array
    {
        $angle = rad2deg(CueStrike::squirt(0.4, $cue));
        $usual = rad2deg(CueStrike::squirt(0.4, new CueSpec()));

        return [abs($angle / $usual - 1.0) < self::WORTH
            ? \sprintf('Squirts as the house cue: %.1f° with the tip 40 %% to the side', $angle)
            : \sprintf('Squirts %.1f° with the tip 40 %% to the side; the house cue %.1f°', $angle, $usual)];
    }

    private static function share(float $by, string $more, string $less, string $same): string
    {
        return abs($by) < self::WORTH ? $same : \sprintf($by > 0 ? $more : $less, \sprintf('%.0f %%', 100 * abs($by)));
    }
}
