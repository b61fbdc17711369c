<?php

declare(strict_types=1);

namespace ZigLane\App\Choice;

use ZigLane\App\Profile\ProfileKind;
use ZigLane\App\Profile\ProfileStore;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;

/**
 * Who can be asked, and on which tables: the stored profiles, and the levels.
 */
final readonly class Choosers
{
    private const PROFILE = 'profile:';
    private const LEVEL = 'level:';

    public function __construct(private ProfileStore $profiles) {}

    /** @return array<string, string> names by what a wish calls them */
    public function players(): array
    {
        $players = $this->names(ProfileKind::Player);
        foreach (Level::cases() as $level) {
            $players[self::LEVEL . $level->value] = $level->spoken() . ' player';
        }

        return $players;
    }

    /** @return array<string, string> names by what a wish calls them */
    public function tables(): array
    {
        return ['' => 'an ordinary table'] + $this->names(ProfileKind::Table);
    }

    /** @throws InvalidInput when there is none, or it is damaged */
    public function player(string $who): Player
    {
        if (str_starts_with($who, self::LEVEL)) {
            $level = Level::tryFrom(substr($who, \strlen(self::LEVEL))) ?? throw new InvalidInput('who', 'is no level that is known');

            return Player::of($level);
        }
        $profile = $this->profiles->find((int) substr($who, \strlen(self::PROFILE)));
        if (!str_starts_with($who, self::PROFILE) || null === $profile || ProfileKind::Player->value !== $profile->kind()) {
            throw new InvalidInput('who', 'is no player that is known');
        }

        return $this->profiles->player($profile);
    }

    /** @throws InvalidInput when there is none, or it is damaged */
    public function table(string $place): Table
    {
        if ('' === $place) {
            return new Table();
        }
        $profile = $this->profiles->find((int) substr($place, \strlen(self::PROFILE)));
        if (!str_starts_with($place, self::PROFILE) || null === $profile || ProfileKind::Table->value !== $profile->kind()) {
            throw new InvalidInput('place', 'is no table that is known');
        }

        return $this->profiles->table($profile);
    }

    /** @return array<string, string> */
    private function names(ProfileKind $kind): array
    {
        $names = [];
        foreach ($this->profiles->all($kind) as $profile) {
            $names[self::PROFILE . $profile->id()] = $profile->name();
        }

        return $names;
    }
}
