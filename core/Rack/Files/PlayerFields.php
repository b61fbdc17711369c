<?php

declare(strict_types=1);

namespace ZigLane\Core\Rack\Files;

use ZigLane\Core\InvalidInput;
use ZigLane\Core\Player\Hand;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Settings\Defaults;

/**
 * A player as files state one: in racks and in profiles.
 */
final class PlayerFields
{
    private function __construct() {}

    /** @throws InvalidInput */
    public static function read(Fields $fields): Player
    {
        $level = Level::BEGINNER === $fields->raw('level') ? Level::FirstYear : $fields->choice('level', Level::class, 'league');
        $errors = $fields->object('errors');
        $preset = Player::of($level);

        return new Player(
            $level,
            $errors->has('aimDeg') ? deg2rad($errors->number('aimDeg', null, 0.0, 5.0, 'degrees')) : $preset->aim,
            $errors->has('speedPercent') ? $errors->number('speedPercent', null, 0.0, 60.0, '%') / 100 : $preset->speed,
            $errors->has('tipMm') ? $errors->number('tipMm', null, 0.0, 10.0, 'mm') / 1000 : $preset->tip,
            $fields->choice('hand', Hand::class, 'right'),
            $fields->number('reachCm', Defaults::REACH * 100, 40.0, 140.0, 'cm') / 100,
            null === $fields->raw('profile') ? null : $fields->text('profile', null, 80),
        );
    }

    /**
     * @return array<string, mixed> ready for json_encode; what is the level's or the house's own is left out
     */
    public static function write(Player $player): array
    {
        return ['level' => $player->level->value]
            + ($player->isPreset() ? [] : ['errors' => [
                'aimDeg' => round(rad2deg($player->aim), 6),
                'speedPercent' => round($player->speed * 100, 6),
                'tipMm' => round($player->tip * 1000, 6),
            ]])
            + (Hand::Right === $player->hand ? [] : ['hand' => $player->hand->value])
            + (Defaults::REACH === $player->reach ? [] : ['reachCm' => round($player->reach * 100, 3)])
            + (null === $player->name ? [] : ['profile' => $player->name]);
    }
}
