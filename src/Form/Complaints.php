<?php

declare(strict_types=1);

namespace ZigLane\App\Form;

use Symfony\Component\Form\FormError;
use Symfony\Component\Form\FormInterface;
use ZigLane\Core\InvalidInput;

/**
 * What is wrong with a form, in sentences.
 */
final class Complaints
{
    private function __construct() {}

    /**
     * Puts what the core refuses beside the field that it is about.
     *
     * @template T
     *
     * @param FormInterface<T> $form
     */
    public static function add(FormInterface $form, InvalidInput $refusal): void
    {
        $name = (string) preg_replace('/^.*\./', '', $refusal->path);
        if ('' !== $name && $form->has($name)) {
            $form->get($name)->addError(new FormError($refusal->problem));
        } else {
            $form->addError(new FormError($refusal->getMessage()));
        }
    }

    /**
     * All of it in one line: "Rolling resistance: 0.9 is outside 0.002–0.05."
     *
     * @template T
     *
     * @param FormInterface<T> $form
     */
    public static function sentence(FormInterface $form): string
    {
        $said = [];
        foreach ($form->getErrors(true) as $error) {
            $label = $error->getOrigin()?->getConfig()->getOption('label');
            $message = rtrim($error->getMessage(), '.');
            $said[] = ucfirst(\is_string($label) ? "$label: $message" : $message);
        }

        return [] === $said ? '' : implode('. ', array_unique($said)) . '.';
    }
}
