<?php

declare(strict_types=1);

namespace ZigLane\App\Form;

use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\ChoiceType;
use Symfony\Component\Form\Extension\Core\Type\TextareaType;
use Symfony\Component\Form\Extension\Core\Type\TextType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Validator\Constraints\Length;
use ZigLane\Core\Logbook\Session;
use ZigLane\Core\Logbook\SessionKind;

/**
 * What can be said of a session.
 *
 * @extends AbstractType<array<string, mixed>>
 */
final class SessionType extends AbstractType
{
    private const TOO_LONG = 'must have at most {{ limit }} characters';

    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $kinds = array_map(static fn(SessionKind $kind): string => $kind->value, SessionKind::cases());
        $builder->add('kind', ChoiceType::class, [
            'label' => 'Kind',
            'choices' => array_combine($kinds, $kinds),
            'invalid_message' => 'is none of ' . implode(', ', $kinds),
        ]);
        $text = static fn(string $label, Length $length): array => [
            'label' => $label,
            'required' => false,
            'empty_data' => '',
            'constraints' => [$length],
        ];
        $name = new Length(max: Session::NAME, maxMessage: self::TOO_LONG);
        $builder->add('player', TextType::class, $text('Player', $name));
        $builder->add('place', TextType::class, $text('Table or place', $name));
        $builder->add('opponent', TextType::class, $text('Opponent', $name));
        $builder->add('notes', TextareaType::class, $text('Notes', new Length(max: Session::NOTES, maxMessage: self::TOO_LONG)));
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefault('allow_extra_fields', true);
    }
}
