<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Potting\PotChance;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Settings\Defaults;

/**
 * What racks of straight pool come to for a player on a table, and how far the chance of a single one is drawn to that.
 *
 * With many balls left, in any order, state values tell racks apart that are not: what they see differs from rack to rack far more than
 * what racks come to does. So their chance is a mean of theirs and the usual one, on the scale of log odds, weighted by how sure they
 * are (B. Efron and C. Morris, "Data analysis using Stein's estimator and its generalizations", J. Am. Stat. Assoc. 70, 1975).
 */
final readonly class ClearingPrior
{
    /** With so many shots left they are worth as much as the usual chance; fitted to 187 racks (docs/planning.md). */
    private const HALF = 5.0;

    /** Chances beyond these (0–1) are not told apart. */
    private const SURE = 0.002;

    /** The spot shot: cue ball and ball, diamonds. */
    private const CUE = [2.0, 3.0];
    private const BALL = [6.0, 2.0];

    /** @param float $kept share of shots after which a run is still on, 0–1 */
    public function __construct(public float $kept) {}

    /** For the player, the table and the cue of a rack: by the chance of the spot shot there. */
    public static function of(Rack $rack): self
    {
        $size = $rack->table->size;
        $layout = new Layout([BallId::CUE => $size->pointAt(...self::CUE), 1 => $size->pointAt(...self::BALL)]);
        $cue = $layout->ball(BallId::CUE);
        $chance = new PotChance($rack->simulator(), $layout, new Pot(1, Pocket::FootLeft), $rack->player);

        return new self(self::interpolated($chance->fromPlace($cue->x, $cue->y)->chance));
    }

    /**
     * A chance as it is told.
     *
     * @param float $pot    of the shot, 0–1
     * @param float $chance to run out with it, by state values, 0–1
     * @param int   $left   shots after it
     *
     * @return float 0–1, not above the pot's
     */
    public function drawn(float $pot, float $chance, int $left): float
    {
        if ($pot <= 0.0 || $left < 1) {
            return min($pot, $chance);
        }
        $sure = 1 / (1 + ($left / self::HALF) ** 2);
        $odds = $sure * self::logOdds($chance / $pot) + (1 - $sure) * self::logOdds($this->kept ** $left);

        return $pot / (1 + exp(-$odds));
    }

    private static function logOdds(float $chance): float
    {
        $chance = max(self::SURE, min(1 - self::SURE, $chance));

        return log($chance / (1 - $chance));
    }

    /** Between what was measured at the levels, and as at the last of them beyond. */
    private static function interpolated(float $spot): float
    {
        $before = Defaults::CLEARING_KEPT[0];
        foreach (Defaults::CLEARING_KEPT as $point) {
            if ($spot <= $point[0]) {
                return self::between($before, $point, $spot);
            }
            $before = $point;
        }

        return $before[1];
    }

    /**
     * @param array{float, float} $one   place and value
     * @param array{float, float} $other
     */
    private static function between(array $one, array $other, float $at): float
    {
        $part = $other[0] > $one[0] ? max(0.0, ($at - $one[0]) / ($other[0] - $one[0])) : 1.0;

        return $one[1] + $part * ($other[1] - $one[1]);
    }
}
