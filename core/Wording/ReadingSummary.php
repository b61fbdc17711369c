<?php

declare(strict_types=1);

namespace ZigLane\Core\Wording;

use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Reading\TableReading;

/**
 * A reading in a few sentences: what a player would say after a walk round the table.
 */
final class ReadingSummary
{
    private function __construct() {}

    /**
     * @return list<string> whole sentences, the most important first
     */
    public static function of(TableReading $reading, Rack $rack): array
    {
        $say = [];
        $problem = $reading->troubles[0] ?? null;
        if (null !== $problem) {
            $say[] = TroubleWording::sentence($problem);
        } elseif ([] !== $reading->own) {
            $say[] = 'Nothing is in the way: every ball goes somewhere, so it comes down to position.';
        }
        $count = \count($reading->own);
        $none = $one = [];
        foreach ($reading->own as $ball) {
            match (\count($reading->openings->going($ball))) {
                0 => $none[] = $ball,
                1 => $one[] = $ball,
                default => null,
            };
        }
        if ($count > 0) {
            $say[] = \sprintf(
                '%d of %s directly%s%s.',
                $count - \count($none),
                1 === $count ? 'one ball goes' : "$count balls go",
                [] === $one ? '' : \sprintf('; %s in one pocket only', BallNames::each($one)),
                [] === $none ? '' : \sprintf('; not yet %s', BallNames::each($none)),
            );
        }
        if (isset($reading->keys[0])) {
            $say[] = KeyBallWording::sentence($reading->keys[0]);
        }
        if ($rack->rules()->isTableOpen()) {
            $say[] = 'The table is open: both groups are read.';
        }

        return $say;
    }
}
