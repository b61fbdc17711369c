<?php

declare(strict_types=1);

namespace ZigLane\App\Camera;

use ZigLane\Core\Camera\Doubt;
use ZigLane\Core\Camera\DoubtKind;
use ZigLane\Core\Camera\FrameReview;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\TableSize;
use ZigLane\Core\Logbook\LogbookFields;
use ZigLane\Core\Wording\CameraWording;

/**
 * What a frame after a shot proposes as its result.
 */
final class FrameResult
{
    /** A ball that is seen within this of where it lay has not moved, m. */
    private const STILL = 0.02;

    private function __construct() {}

    /**
     * @param int|null $ball that was to be potted: when it is not seen it dropped
     *
     * @return array{at: string, made: bool, cue: array{float, float}|null, moved: array<string, array{float, float}|null>,
     *               doubts: list<string>}
     */
    public static function of(FrameReview $review, ?int $ball, TableSize $size): array
    {
        $after = $review->layout();
        $moved = [];
        foreach ($review->before->objectBalls() as $one) {
            $place = $after->has($one) ? $after->ball($one) : null;
            if (null === $place ? $one === $ball : $place->distanceTo($review->before->ball($one)) > self::STILL) {
                $moved[BallId::name($one)] = LogbookFields::diamonds($place, $size, 4);
            }
        }
        $dropped = static fn(Doubt $doubt): bool => DoubtKind::Missing === $doubt->kind && $doubt->ball === $ball;
        $doubts = array_values(array_filter($review->doubts, static fn(Doubt $doubt): bool => !$dropped($doubt)));

        return [
            'at' => LogbookFields::time($review->frame->at),
            'made' => null !== $ball && !$after->has($ball),
            'cue' => $after->has(BallId::CUE) ? LogbookFields::diamonds($after->ball(BallId::CUE), $size, 4) : null,
            'moved' => $moved,
            'doubts' => array_map(CameraWording::doubt(...), $doubts),
        ];
    }
}
