<?php

declare(strict_types=1);

namespace ZigLane\App\Profile;

use Symfony\Contracts\Cache\CacheInterface;
use Symfony\Contracts\Cache\ItemInterface;
use ZigLane\App\Entity\Profile;
use ZigLane\Core\Equipment\CueSpec;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Potting\Calibration;
use ZigLane\Core\Rack\Files\EquipmentFields;
use ZigLane\Core\Rack\Files\Fields;
use ZigLane\Core\Rack\Files\PlayerFields;
use ZigLane\Core\Wording\ComparisonWording;

/**
 * The numbers of a profile as they are typed, and what they mean in words.
 */
final class ProfileForm
{
    /** How long the chance of a player's straight shot is remembered, s. */
    private const REMEMBERED = 86400;

    public function __construct(private readonly ProfileStore $store, private readonly CacheInterface $cache) {}

    /**
     * @return array<string, int|float|string|bool> by field of ProfileType, and the name
     */
    public function values(ProfileKind $kind, ?Profile $profile): array
    {
        $none = static fn(string $path): array => [];
        $flat = match ($kind) {
            ProfileKind::Table => EquipmentFields::writeTable(null === $profile ? new Table() : $this->store->table($profile), $none),
            ProfileKind::Cue => EquipmentFields::writeCue(null === $profile ? new CueSpec() : $this->store->cue($profile)),
            ProfileKind::Player => self::playerValues(null === $profile ? Player::of(Level::League) : $this->store->player($profile)),
        };
        $values = ['name' => $profile?->name() ?? ''];
        array_walk_recursive($flat, static function (mixed $value, string|int $key) use (&$values): void {
            if (\is_scalar($value) && 'profile' !== $key) {
                $values[(string) $key] = $value;
            }
        });

        return $values;
    }

    /**
     * @param array<string, mixed> $typed by field of ProfileType
     *
     * @throws InvalidInput
     */
    public function save(ProfileKind $kind, ?Profile $profile, array $typed): Profile
    {
        $none = static fn(string $path): array => [];
        $only = static fn(string ...$keys): object => (object) array_intersect_key($typed, array_flip($keys));
        $document = match ($kind) {
            ProfileKind::Table => ['table' => EquipmentFields::writeTable(EquipmentFields::table(new Fields((object) ((array) $only(
                'size',
                'cornerMouthMm',
                'sideMouthMm',
            ) + ['cloth' => $only('slide', 'roll', 'spinDecay'), 'cushion' => $only('restitution', 'friction')]), ''))[0], $none)],
            ProfileKind::Cue => ['cue' => EquipmentFields::writeCue(
                EquipmentFields::cue(new Fields($only('massKg', 'tipRestitution', 'endMassRatio'), ''))[0],
            )],
            ProfileKind::Player => ['player' => PlayerFields::write(PlayerFields::read(new Fields((object) (
                (array) $only('level', 'hand', 'reachCm') + ['errors' => $only('aimDeg', 'speedPercent', 'tipMm')]
            ), '')))],
        };
        if (null !== $profile && [] !== $this->store->sheet($profile)) {
            $document['sheet'] = $this->store->sheet($profile);
        }

        return $this->store->save($profile, $kind, \is_string($typed['name'] ?? null) ? $typed['name'] : '', $document);
    }

    /**
     * @return list<string> what it does otherwise than the house's
     */
    public function says(Profile $profile): array
    {
        return match (ProfileKind::from($profile->kind())) {
            ProfileKind::Table => ComparisonWording::ofTable($this->store->table($profile)),
            ProfileKind::Cue => ComparisonWording::ofCue($this->store->cue($profile)),
            ProfileKind::Player => $this->ofPlayer($this->store->player($profile)),
        };
    }

    /**
     * @return list<string>
     */
    private function ofPlayer(Player $player): array
    {
        return [
            \sprintf('Makes a straight shot of eight feet, rolled, in %.0f %% of the tries', 100 * $this->longShot($player)),
            \sprintf(
                'Aim ± %.2f°, speed ± %.0f %%, tip ± %.1f mm; %s-handed, reaches %.0f cm',
                rad2deg($player->aim),
                100 * $player->speed,
                1000 * $player->tip,
                $player->hand->value,
                100 * $player->reach,
            ),
        ];
    }

    /** Chance of the straight shot; worked out once for each set of errors. */
    private function longShot(Player $player): float
    {
        return $this->cache->get('long-straight-' . hash(
            'xxh128',
            serialize([$player->aim, $player->speed, $player->tip]),
        ), static function (ItemInterface $item) use ($player): float {
            $item->expiresAfter(self::REMEMBERED);

            return (new Calibration())->chance($player);
        });
    }

    /**
     * @return array<string, float|string>
     */
    private static function playerValues(Player $player): array
    {
        return [
            'level' => $player->level->value,
            'aimDeg' => rad2deg($player->aim),
            'speedPercent' => $player->speed * 100,
            'tipMm' => $player->tip * 1000,
            'hand' => $player->hand->value,
            'reachCm' => $player->reach * 100,
        ];
    }
}
