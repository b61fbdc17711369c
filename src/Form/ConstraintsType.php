<?php

declare(strict_types=1);

namespace ZigLane\App\Form;

use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\CheckboxType;
use Symfony\Component\Form\Extension\Core\Type\ChoiceType;
use Symfony\Component\Form\Extension\Core\Type\IntegerType;
use Symfony\Component\Form\Extension\Core\Type\TextType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Validator\Constraints\PositiveOrZero;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Rack\Rack;

/**
 * What a player has settled before the rack is planned: pocket-5 = foot-left; order = "3 5 7"; zone-5 = "2,1 3,1 3,2"; keep = 2.
 *
 * @extends AbstractType<array<string, mixed>>
 */
final class ConstraintsType extends AbstractType
{
    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $rack = $options['rack'];
        \assert($rack instanceof Rack);
        $pockets = array_map(static fn(Pocket $pocket): string => $pocket->value, Pocket::cases());
        $builder->add('keep', IntegerType::class, [
            'required' => false,
            'invalid_message' => 'The number of legs to keep is not a number',
            'constraints' => [new PositiveOrZero(message: 'The number of legs to keep is below 0')],
        ]);
        $builder->add('order', TextType::class, ['required' => false, 'empty_data' => '']);
        $builder->add('again', CheckboxType::class, ['required' => false, 'false_values' => [null, '', '0', 'false']]);
        foreach ($rack->layout->objectBalls() as $ball) {
            $builder->add("pocket-$ball", ChoiceType::class, [
                'required' => false,
                'choices' => array_combine($pockets, $pockets),
                'invalid_message' => "pins.pockets.$ball: is none of " . implode(', ', $pockets),
            ]);
            $builder->add("zone-$ball", TextType::class, ['required' => false, 'empty_data' => '']);
        }
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setRequired('rack');
        $resolver->setAllowedTypes('rack', Rack::class);
        $resolver->setDefault('allow_extra_fields', true);
    }

    /**
     * The form's answers as Files\ConstraintsFile reads them.
     *
     * @param array<string, mixed> $answers
     *
     * @return array<string, mixed>
     */
    public static function document(array $answers, Rack $rack): array
    {
        $words = static fn(string $pattern, mixed $text): array => preg_split(
            $pattern,
            \is_string($text) ? trim($text) : '',
            -1,
            \PREG_SPLIT_NO_EMPTY,
        ) ?: [];
        $pins = [
            'pockets' => [],
            'zones' => [],
            'keep' => $answers['keep'] ?? 0,
            'order' => $words('/[^0-9a-z]+/i', $answers['order'] ?? ''),
        ];
        foreach ($rack->layout->objectBalls() as $ball) {
            if (null !== ($answers["pocket-$ball"] ?? null)) {
                $pins['pockets'][$ball] = $answers["pocket-$ball"];
            }
            $zone = $words('/[\s;]+/', $answers["zone-$ball"] ?? '');
            if ([] !== $zone) {
                $pins['zones'][$ball] = array_map(static fn(string $at): array => explode(',', $at), $zone);
            }
        }

        return $pins;
    }
}
