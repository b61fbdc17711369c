<?php

declare(strict_types=1);

namespace ZigLane\Core\Wording;

use ZigLane\Core\Camera\Doubt;
use ZigLane\Core\Camera\DoubtKind;
use ZigLane\Core\Equipment\BallId;

/**
 * What is doubtful about a camera's frame, in sentences.
 */
final class CameraWording
{
    private function __construct() {}

    /** One doubt, as a question to who stands at the table. */
    public static function doubt(Doubt $doubt): string
    {
        $ball = null === $doubt->ball ? 'A ball' : 'The ' . BallId::spoken($doubt->ball);
        $other = null === $doubt->other ? '' : 'the ' . BallId::spoken($doubt->other);

        return match ($doubt->kind) {
            DoubtKind::Missing => "$ball was not seen. Is it off the table?",
            DoubtKind::Mistaken => "$ball is seen where $other lay. Is it not $other?",
            DoubtKind::Swapped => "$ball and $other are seen in each other’s places. Their numbers were probably read wrongly.",
            DoubtKind::Appeared => "$ball was not on the table before. Is it now?",
            DoubtKind::Double => "$ball is seen twice. Which one is it?",
            DoubtKind::Unsure => null === $doubt->other
                ? "$ball was not recognised for sure. Which one is it?"
                : "$ball was not recognised for sure; it lies where $other lay.",
            DoubtKind::Impossible => null === $doubt->other ? "$ball is seen in a rail." : "$ball is seen inside $other.",
        };
    }
}
