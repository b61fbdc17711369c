<?php

declare(strict_types=1);

namespace ZigLane\Core\Wording;

use ZigLane\Core\Photo\NoseTip;
use ZigLane\Core\Photo\TapDoubt;
use ZigLane\Core\Photo\TapDoubtKind;

/**
 * What is said while a table is laid out from a photo.
 */
final class PhotoWording
{
    private function __construct() {}

    /** "head left corner, cushion on the long rail". */
    public static function tip(NoseTip $tip): string
    {
        $pocket = $tip->pocket->spoken();
        if ($tip->pocket->isSide()) {
            return "$pocket pocket, cushion nearer the " . ($tip->second ? 'foot' : 'head');
        }

        return "$pocket corner, cushion on the " . ($tip->second ? 'short' : 'long') . ' rail';
    }

    /** What is wrong, and what to do about it. */
    public static function doubt(TapDoubt $doubt): string
    {
        return match ($doubt->kind) {
            TapDoubtKind::Mirrored => 'In this order the camera would be under the table: the tips go the other way round. '
                . 'Start again, or turn the small table the way you stood.',
            TapDoubtKind::RailsChanged => 'Long and short rails are changed over: each tip was pointed at a corner too early or too late. '
                . 'Start again, or turn the small table.',
            TapDoubtKind::WrongTip => null === $doubt->tip ? 'One of the tips does not fit the others.' : \sprintf(
                'This one does not fit the others: %s. It is %d pixels off. Point at it again.',
                self::tip($doubt->tip),
                round($doubt->value),
            ),
            TapDoubtKind::DoNotFit => 'These tips do not fit together. Check each: the place is the end of the cushion’s nose, '
                . 'not the pocket’s middle. Is the table’s size right?',
            TapDoubtKind::TooLow => \sprintf(
                'The picture was taken from low down (%d° above the cloth). Hold the phone higher: from 20° on balls are placed well.',
                round(rad2deg($doubt->value)),
            ),
        };
    }
}
