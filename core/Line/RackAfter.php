<?php

declare(strict_types=1);

namespace ZigLane\Core\Line;

use ZigLane\Core\Rack\Rack;

/**
 * The rack as legs leave it.
 */
final class RackAfter
{
    private function __construct() {}

    /**
     * @param Rack             $rack     as the first of them found it
     * @param list<LegOutcome> $outcomes of its first legs, played
     *
     * @return Rack as far as they hold, the group taken by a ball that was made on an open table, without legs
     */
    public static function legs(Rack $rack, array $outcomes): Rack
    {
        $rack = $rack->withLegs([]);
        foreach ($outcomes as $leg) {
            $layout = LegState::Holds === $leg->state ? $leg->after() : null;
            if (null === $layout) {
                continue;
            }
            $pot = $leg->spec->intent->isSafety() ? null : $leg->pot();
            $rack = (null === $pot ? $rack : $rack->taking($pot->ball))->goneOn($layout);
        }

        return $rack;
    }
}
