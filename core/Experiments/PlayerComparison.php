<?php

declare(strict_types=1);

namespace ZigLane\Core\Experiments;

use ZigLane\Core\Planning\PlanSearch;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Potting\Calibration;
use ZigLane\Core\Rack\Rack;

/**
 * What errors are worth: two players' chances of pots that everyone knows, and of running out a few short racks.
 */
final readonly class PlayerComparison
{
    /**
     * @param array<string, array{float, float}> $pots   chances of the one and of the other, by Calibration's names
     * @param array{float, float}                $runOut mean chance of the racks
     */
    private function __construct(public array $pots, public array $runOut) {}

    /**
     * Either player on the same tables.
     *
     * @param non-empty-list<Rack> $racks short ones: each is planned for both
     */
    public static function of(Player $one, Player $other, array $racks): self
    {
        $calibration = new Calibration();
        $pots = [];
        foreach ($calibration->names() as $name) {
            $pots[$name] = [$calibration->chance($one, $name), $calibration->chance($other, $name)];
        }

        return new self($pots, [self::runOut($one, $racks), self::runOut($other, $racks)]);
    }

    /**
     * Mean of the first whole plans: their chance is within a few points of the settled one's.
     *
     * @param non-empty-list<Rack> $racks
     */
    private static function runOut(Player $player, array $racks): float
    {
        $sum = 0.0;
        foreach ($racks as $rack) {
            foreach ((new PlanSearch($rack->withPlayer($player)))->plans() as $plan) {
                $sum += $plan->runOut;
                break;
            }
        }

        return $sum / \count($racks);
    }
}
