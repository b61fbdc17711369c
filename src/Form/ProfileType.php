<?php

declare(strict_types=1);

namespace ZigLane\App\Form;

use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\ChoiceType;
use Symfony\Component\Form\Extension\Core\Type\TextType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Validator\Constraints\Length;
use Symfony\Component\Validator\Constraints\NotBlank;
use Symfony\Component\Validator\Constraints\NotNull;
use ZigLane\App\Profile\ProfileKind;
use ZigLane\Core\Equipment\TableSize;
use ZigLane\Core\Player\Hand;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;

/**
 * The numbers of a table, a cue or a player. What they may be the core decides; see Profile\ProfileForm.
 *
 * @extends AbstractType<array<string, mixed>>
 */
final class ProfileType extends AbstractType
{
    private const LONGEST_NAME = 80;

    /** @var array<string, array<string, array{string, string, string}>> label, unit and hint by kind and field */
    private const NUMBERS = [
        'table' => [
            'cornerMouthMm' => ['Corner mouths', 'mm', '4½ in is 114.3'],
            'sideMouthMm' => ['Side mouths', 'mm', '5 in is 127'],
            'roll' => ['Rolling resistance', '', 'house 0.010; fast cloth 0.007'],
            'slide' => ['Sliding friction', '', 'house 0.20'],
            'spinDecay' => ['Decay of side spin', 'rad/s²', 'house 10'],
            'restitution' => ['Bounce of the cushions', '', 'house 0.92'],
            'friction' => ['Grip of the cushions', '', 'house 0.25'],
        ],
        'cue' => [
            'endMassRatio' => ['Ball-to-end-mass ratio', '', 'house 30; 20 squirts much, 45 little'],
            'massKg' => ['Mass', 'kg', 'house 0.567, 20 oz'],
            'tipRestitution' => ['Tip restitution', '', 'house 0.75'],
        ],
        'player' => [
            'aimDeg' => ['Error of aim', 'degrees', 'standard deviation'],
            'speedPercent' => ['Error of speed', '%', ''],
            'tipMm' => ['Error of the tip', 'mm', 'each way'],
            'reachCm' => ['Reach from the table’s edge', 'cm', 'without stretching, to the bridge hand'],
        ],
    ];

    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $kind = $options['kind'];
        \assert($kind instanceof ProfileKind);
        $builder->add('name', TextType::class, ['label' => 'Name', 'constraints' => [
            new NotBlank(message: 'must have a name'),
            new Length(max: self::LONGEST_NAME, maxMessage: 'must have at most {{ limit }} characters'),
        ]]);
        match ($kind) {
            ProfileKind::Table => self::choice($builder, 'size', 'Size', TableSize::cases()),
            ProfileKind::Player => self::choice($builder, 'level', 'Nearest level', Level::cases()),
            ProfileKind::Cue => null,
        };
        foreach (self::NUMBERS[$kind->value] as $name => [$label, $unit, $hint]) {
            if ('reachCm' === $name) {
                self::choice($builder, 'hand', 'Hand', Hand::cases());
            }
            $builder->add($name, DecimalType::class, [
                'label' => $label,
                'unit' => $unit,
                'hint' => implode('; ', array_filter([$hint, self::usual($name)])),
                'constraints' => [new NotNull(message: '"" is not a number')],
            ]);
        }
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setRequired('kind');
        $resolver->setAllowedTypes('kind', ProfileKind::class);
    }

    /** What players of two levels have there; '' for what is no error of theirs. */
    private static function usual(string $name): string
    {
        $of = static fn(Player $player): ?float => match ($name) {
            'aimDeg' => rad2deg($player->aim),
            'speedPercent' => 100 * $player->speed,
            'tipMm' => 1000 * $player->tip,
            default => null,
        };
        $said = [];
        foreach ([Level::League, Level::Professional] as $level) {
            $value = $of(Player::of($level));
            if (null !== $value) {
                $said[] = \sprintf('%s %.3g', $level->spoken(), $value);
            }
        }

        return implode(', ', $said);
    }

    /**
     * @param FormBuilderInterface<array<string, mixed>|null> $builder
     * @param list<\BackedEnum>                               $cases
     */
    private static function choice(FormBuilderInterface $builder, string $name, string $label, array $cases): void
    {
        $words = array_map(static fn(\BackedEnum $case): string => (string) $case->value, $cases);
        $labels = array_map(
            static fn(\BackedEnum $case): string => $case instanceof Level ? $case->spoken() : (string) $case->value,
            $cases,
        );
        $builder->add($name, ChoiceType::class, [
            'label' => $label,
            'choices' => array_combine($labels, $words),
            'invalid_message' => 'must be one of: ' . implode(', ', $words),
        ]);
    }
}
