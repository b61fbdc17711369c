<?php

declare(strict_types=1);

namespace ZigLane\Core\Line;

use ZigLane\Core\Aiming\AimRefused;
use ZigLane\Core\Aiming\AimRequest;
use ZigLane\Core\Aiming\AimSolver;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Games\Game;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\Speed;
use ZigLane\Core\Physics\TableLengths;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Rack\ShotSpec;

/**
 * Something sensible to begin a new leg with: the ball that is due, centre ball, two lengths, into the pocket that
 * leaves most room for error. No plan, only a start.
 */
final class FirstTry
{
    public const LENGTHS = 2.0;

    private function __construct() {}

    /**
     * @return ShotSpec|null null when there is nothing to shoot at
     */
    public static function for(Simulator $simulator, Layout $layout, Game $game): ?ShotSpec
    {
        $solver = new AimSolver($simulator);
        $speed = (new TableLengths($simulator))->toSpeed(self::LENGTHS);
        $best = null;
        $most = 0.0;
        $targets = $game->legalTargets($layout);
        foreach ($targets as $ball) {
            foreach (Pocket::cases() as $pocket) {
                try {
                    $aim = $solver->solve($layout, new AimRequest($ball, $pocket, $speed));
                } catch (AimRefused|InvalidInput) {
                    continue;
                }
                // The share of cue directions that pot it grows with the window and falls with a thinner cut and a
                // longer way to the contact.
                $room = $aim->window * cos($aim->cutAngle) / max($layout->ball(BallId::CUE)->distanceTo($aim->ghost), 0.1);
                if (!$aim->result->scratched() && $room > $most) {
                    $most = $room;
                    $best = [$ball, $pocket];
                }
            }
        }
        $best ??= [] === $targets ? null : [$targets[0], self::nearest($simulator, $layout, $targets[0])];

        return null === $best ? null : ShotSpec::toPocket(new Pot($best[0], $best[1]), Speed::tableLengths(self::LENGTHS), new Tip());
    }

    private static function nearest(Simulator $simulator, Layout $layout, int $ball): Pocket
    {
        $pockets = Pocket::cases();
        $way = static fn(Pocket $p): float => $simulator->geometry->pocket($p)->mouthMiddle()->distanceTo($layout->ball($ball));
        usort($pockets, static fn(Pocket $a, Pocket $b): int => $way($a) <=> $way($b));

        return $pockets[0];
    }
}
