<?php

declare(strict_types=1);

namespace ZigLane\App\Form;

use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\ChoiceType;
use Symfony\Component\Form\Extension\Core\Type\FormType;
use Symfony\Component\Form\Extension\Core\Type\TextType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Validator\Constraints\NotNull;
use Symfony\Component\Validator\Constraints\Range;
use ZigLane\Core\Equipment\TableSize;
use ZigLane\Core\Measuring\TestKind;

/**
 * The readings of an evening at a table, in the units of the page. What readings may be the core decides; see Measuring\Sheet.
 *
 * @extends AbstractType<MeasureAnswers>
 */
final class MeasureType extends AbstractType
{
    /** Pockets' mouths, inches. */
    private const NARROWEST = 3.75;
    private const WIDEST_CORNER = 5.5;
    private const WIDEST_SIDE = 5.9;

    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $sizes = array_map(static fn(TableSize $size): string => $size->value, TableSize::cases());
        $builder->add('size', ChoiceType::class, [
            'choices' => array_combine($sizes, $sizes),
            'invalid_message' => 'size: is not 7ft, 8ft or 9ft',
            'constraints' => [new NotNull(message: 'size: is not 7ft, 8ft or 9ft')],
        ]);
        foreach (['corner' => self::WIDEST_CORNER, 'side' => self::WIDEST_SIDE] as $name => $widest) {
            $message = 'The pockets’ mouths must be given in inches, between 3.75 and 5.5 (sides 5.9)';
            $builder->add($name, DecimalType::class, ['constraints' => [
                new NotNull(message: $message),
                new Range(min: self::NARROWEST, max: $widest, notInRangeMessage: $message),
            ]]);
        }
        $builder->add('name', TextType::class, ['required' => false, 'empty_data' => '']);
        $builder->add('save', ChoiceType::class, [
            'required' => false,
            'choices' => ['table' => 'table', 'cue' => 'cue'],
            'invalid_message' => 'There is only a table or a cue to keep',
        ]);
        $readings = $builder->create('m', FormType::class, ['required' => false]);
        foreach (TestKind::cases() as $kind) {
            $tries = $builder->create($kind->value, FormType::class, ['required' => false]);
            for ($try = 0; $try < TestKind::TRIES; ++$try) {
                $row = $builder->create((string) $try, FormType::class, ['required' => false]);
                foreach ($kind->fields() as $key => $field) {
                    $row->add($key, DecimalType::class, [
                        'required' => false,
                        'label' => ucfirst($kind->name($try)) . ": {$field['label']}",
                    ]);
                }
                $tries->add($row);
            }
            $readings->add($tries);
        }
        $builder->add($readings);
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults(['data_class' => MeasureAnswers::class, 'allow_extra_fields' => true]);
    }
}
