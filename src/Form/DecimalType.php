<?php

declare(strict_types=1);

namespace ZigLane\App\Form;

use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\DataTransformerInterface;
use Symfony\Component\Form\Exception\TransformationFailedException;
use Symfony\Component\Form\Extension\Core\Type\TextType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\Form\FormInterface;
use Symfony\Component\Form\FormView;
use Symfony\Component\OptionsResolver\OptionsResolver;

/**
 * A number as a person types it: with a point or a comma. Empty is null.
 *
 * @implements DataTransformerInterface<float, string>
 *
 * @extends AbstractType<float>
 */
final class DecimalType extends AbstractType implements DataTransformerInterface
{
    /** Places that a number is shown with. */
    private const PLACES = 5;

    /** So much of what is no number is said again. */
    private const SAID = 30;

    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $builder->addViewTransformer($this);
    }

    public function buildView(FormView $view, FormInterface $form, array $options): void
    {
        $view->vars['unit'] = $options['unit'];
        $view->vars['hint'] = $options['hint'];
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults(['unit' => '', 'hint' => '', 'compound' => false]);
        $resolver->setAllowedTypes('unit', 'string');
        $resolver->setAllowedTypes('hint', 'string');
    }

    public function getParent(): string
    {
        return TextType::class;
    }

    public function transform(mixed $value): string
    {
        return null === $value ? '' : (string) round($value, self::PLACES);
    }

    public function reverseTransform(mixed $value): ?float
    {
        $text = str_replace(',', '.', trim((string) $value));
        if ('' === $text) {
            return null;
        }
        if (!is_numeric($text) || !is_finite((float) $text)) {
            $said = mb_strimwidth($text, 0, self::SAID, '…');
            throw new TransformationFailedException('Not a number.', invalidMessage: "\"$said\" is not a number");
        }

        return (float) $text;
    }
}
