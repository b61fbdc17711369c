<?php

declare(strict_types=1);

namespace ZigLane\App\Profile;

use Symfony\Component\HttpFoundation\InputBag;
use Symfony\Contracts\Cache\CacheInterface;
use Symfony\Contracts\Cache\ItemInterface;
use ZigLane\App\Entity\Profile;
use ZigLane\Core\Equipment\CueSpec;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Player\Hand;
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
    /** How long the chance of a player's reference pot is remembered, s. */
    private const REMEMBERED = 86400;

    public function __construct(private readonly ProfileStore $store, private readonly CacheInterface $cache) {}

    /**
     * @return array<string, array{label: string, unit: string, hint: string, choices: list<string>}> by field
     */
    public function fields(ProfileKind $kind): array
    {
        $field = static fn(string $label, string $unit = '', string $hint = '', string ...$choices): array => [
            'label' => $label,
            'unit' => $unit,
            'hint' => $hint,
            'choices' => array_values($choices),
        ];

        return match ($kind) {
            ProfileKind::Table => [
                'size' => $field('Size', '', '', '7ft', '8ft', '9ft'),
                'cornerMouthMm' => $field('Corner mouths', 'mm', '4½ in is 114.3'),
                'sideMouthMm' => $field('Side mouths', 'mm', '5 in is 127'),
                'roll' => $field('Rolling resistance', '', 'house 0.010; fast cloth 0.007'),
                'slide' => $field('Sliding friction', '', 'house 0.20'),
                'spinDecay' => $field('Decay of side spin', 'rad/s²', 'house 10'),
                'restitution' => $field('Bounce of the cushions', '', 'house 0.92'),
                'friction' => $field('Grip of the cushions', '', 'house 0.25'),
            ],
            ProfileKind::Cue => [
                'endMassRatio' => $field('Ball-to-end-mass ratio', '', 'house 30; 20 squirts much, 45 little'),
                'massKg' => $field('Mass', 'kg', 'house 0.567, 20 oz'),
                'tipRestitution' => $field('Tip restitution', '', 'house 0.75'),
            ],
            ProfileKind::Player => [
                'level' => $field('Nearest level', '', '', ...array_map(static fn(Level $l): string => $l->value, Level::cases())),
                'aimDeg' => $field('Error of aim', 'degrees', 'standard deviation; league 0.12, professional 0.05'),
                'speedPercent' => $field('Error of speed', '%', 'league 10, professional 4'),
                'tipMm' => $field('Error of the tip', 'mm', 'each way; league 0.5, professional 0.2'),
                'hand' => $field('Hand', '', '', ...array_map(static fn(Hand $h): string => $h->value, Hand::cases())),
                'reachCm' => $field('Reach from the table’s edge', 'cm', 'without stretching, to the bridge hand'),
            ],
        };
    }

    /**
     * @return array<string, string> by field, and the name
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
                $values[(string) $key] = \is_float($value) ? (string) round($value, 5) : (string) $value;
            }
        });

        return $values;
    }

    /**
     * @param InputBag<string> $form
     *
     * @throws InvalidInput
     */
    public function save(ProfileKind $kind, ?Profile $profile, InputBag $form): Profile
    {
        $number = static function (string $key) use ($form): float {
            $text = str_replace(',', '.', trim($form->getString($key)));
            if (!is_numeric($text) || !is_finite((float) $text)) {
                throw new InvalidInput($key, \sprintf('"%s" is not a number', mb_strimwidth($text, 0, 30, '…')));
            }

            return (float) $text;
        };
        $none = static fn(string $path): array => [];
        $document = match ($kind) {
            ProfileKind::Table => ['table' => EquipmentFields::writeTable(EquipmentFields::table(new Fields((object) [
                'size' => $form->getString('size'),
                'cornerMouthMm' => $number('cornerMouthMm'),
                'sideMouthMm' => $number('sideMouthMm'),
                'cloth' => (object) ['slide' => $number('slide'), 'roll' => $number('roll'), 'spinDecay' => $number('spinDecay')],
                'cushion' => (object) ['restitution' => $number('restitution'), 'friction' => $number('friction')],
            ], ''))[0], $none)],
            ProfileKind::Cue => ['cue' => EquipmentFields::writeCue(EquipmentFields::cue(new Fields((object) [
                'massKg' => $number('massKg'),
                'tipRestitution' => $number('tipRestitution'),
                'endMassRatio' => $number('endMassRatio'),
            ], ''))[0])],
            ProfileKind::Player => ['player' => PlayerFields::write(PlayerFields::read(new Fields((object) [
                'level' => $form->getString('level'),
                'errors' => (object) [
                    'aimDeg' => $number('aimDeg'),
                    'speedPercent' => $number('speedPercent'),
                    'tipMm' => $number('tipMm'),
                ],
                'hand' => $form->getString('hand'),
                'reachCm' => $number('reachCm'),
            ], '')))],
        };
        if (null !== $profile && [] !== $this->store->sheet($profile)) {
            $document['sheet'] = $this->store->sheet($profile);
        }

        return $this->store->save($profile, $kind, $form->getString('name'), $document);
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
            \sprintf('Makes the reference pot, a metre and a metre straight in, in %.0f %% of the tries', 100 * $this->reference($player)),
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

    /** Chance of the reference pot; worked out once for each set of errors. */
    private function reference(Player $player): float
    {
        return $this->cache->get('reference-' . hash(
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
