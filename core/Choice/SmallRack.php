<?php

declare(strict_types=1);

namespace ZigLane\Core\Choice;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\Games\Group;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Rack\FreshRack;
use ZigLane\Core\Rack\Playable;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Reading\FromHere;

/**
 * The end of a rack: a few balls as a break left them, the cue ball where something goes.
 */
final class SmallRack
{
    /** Tries at a place for the cue ball; it keeps so far from the rails, diamonds. */
    private const PLACES = 12;
    private const FROM_RAIL = 0.35;

    /** Chance of the likeliest pot at least. */
    private const SOMETHING = 0.4;

    /** Of a group's game, so many balls of the other group stay on the table. */
    private const OTHERS = 3;

    private function __construct() {}

    /**
     * @param int $number repeats the rack
     * @param int $balls  that are to be potted, the last one included
     *
     * @return Rack|null null where the break left too few balls, or nothing goes
     */
    public static function of(GameName $game, int $balls, int $number, Player $player, Table $table = new Table()): ?Rack
    {
        $fresh = FreshRack::broken($game, $number, $player, $table)->rack;
        $random = new Generator($number);
        $groups = Group::cases();
        $rack = $game->rules()->isTableOpen() ? $fresh->withGroup($groups[$random->integer(0, \count($groups) - 1)]) : $fresh;
        $layout = self::fewer($rack, $balls, $random);
        if (null === $layout) {
            return null;
        }
        for ($try = 0; $try < self::PLACES; ++$try) {
            $place = $table->size->pointAt(
                $random->between(self::FROM_RAIL, 8.0 - self::FROM_RAIL),
                $random->between(self::FROM_RAIL, 4.0 - self::FROM_RAIL),
            );
            if (!Playable::hasRoom($rack->simulator(), $layout->without(BallId::CUE), $place)) {
                continue;
            }
            try {
                $laid = $rack->withLayout($layout->with(BallId::CUE, $place));
            } catch (InvalidInput) {
                continue;
            }
            $chances = array_map(static fn(FromHere $from): float => $from->chance(), FromHere::now($laid, $place));
            if (max([0.0, ...$chances]) >= self::SOMETHING) {
                return $laid;
            }
        }

        return null;
    }

    /** The layout with so many balls left to pot: the last ones where the order is fixed, any where it is free. */
    private static function fewer(Rack $rack, int $balls, Generator $random): ?Layout
    {
        $own = $rack->rules()->ownBalls($rack->layout);
        if (\count($own) < $balls) {
            return null;
        }
        $last = $rack->rules()->lastBall($rack->layout);
        $others = array_values(array_diff($own, [$last]));
        sort($others);
        $others = $rack->rules()->hasFixedOrder() ? $others : $random->shuffled($others);
        $stay = [...\array_slice($others, -($balls - (null === $last ? 0 : 1))), $last];
        $rest = $rack->rules()->hasObstacles() ? array_values(array_diff($rack->layout->objectBalls(), $own, [$last])) : [];
        $stay = [...$stay, ...\array_slice($random->shuffled($rest), 0, self::OTHERS)];

        return new Layout(array_filter(
            $rack->layout->balls,
            static fn(int $ball): bool => BallId::CUE === $ball || \in_array($ball, $stay, true),
            \ARRAY_FILTER_USE_KEY,
        ));
    }
}
