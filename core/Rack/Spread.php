<?php

declare(strict_types=1);

namespace ZigLane\Core\Rack;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\Physics\Layout;

/**
 * A new rack to begin from: all balls of the game laid out apart, ready to be put where they lie on the real table.
 */
final class Spread
{
    private function __construct() {}

    /** All balls of a game, laid out apart. */
    public static function of(GameName $game, string $name, Table $table = new Table()): Rack
    {
        $balls = [BallId::CUE => $table->size->pointAt(2.0, 2.0)];
        foreach ($game->rules()->rack() as $n => $ball) {
            // Three rows across the foot half, each a little further along than the one before.
            $row = $n % 3;
            $balls[$ball] = $table->size->pointAt(3.5 + intdiv($n, 3) * 0.8 + $row * 0.25, 1.0 + $row);
        }

        return new Rack($name, $game, $table, new Layout($balls));
    }
}
