<?php

declare(strict_types=1);

namespace ZigLane\Core\Line;

use ZigLane\Core\Aiming\AimSolution;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Equipment\TableGeometry;
use ZigLane\Core\Physics\Layout;

/**
 * What a player needs to aim one shot, in sizes that can be seen at the table.
 */
final readonly class AimCard
{
    /**
     * @param float $cut     rad, positive to the right
     * @param float $hit     fraction of the ball that is covered, 1 full
     * @param float $widths  the cue ball's line passes the ball's middle by so many ball widths, positive right
     * @param float $gap     cue ball to contact, m
     * @param float $run     ball to pocket, m
     * @param float $throw   how far throw carries the ball off at the pocket, m, positive right
     * @param float $squirt  how far squirt carries the cue ball off at the contact, m, positive right
     * @param float $swerve  the same for swerve
     */
    private function __construct(
        public float $cut,
        public float $hit,
        public float $widths,
        public float $gap,
        public float $run,
        public float $throw,
        public float $squirt,
        public float $swerve,
    ) {}

    /** The card of a solved aim, lengths in m and angles in rad. */
    public static function of(AimSolution $aim, Layout $layout, int $ball, Pocket $pocket, TableGeometry $geometry): self
    {
        $cue = $layout->ball(BallId::CUE);
        $at = $layout->ball($ball);
        $way = $cue->angleTo($aim->ghost);
        $gap = $cue->distanceTo($aim->ghost);
        $run = $at->distanceTo($geometry->pocket($pocket)->mouthMiddle());
        // The line through the ghost ball's middle passes the ball's middle this far to the side, in ball widths (2R).
        $widths = (($aim->ghost->x - $at->x) * -sin($way) + ($aim->ghost->y - $at->y) * cos($way)) / $aim->ghost->distanceTo($at);

        return new self(
            $aim->cutAngle,
            $aim->hitFraction(),
            $widths,
            $gap,
            $run,
            tan($aim->throw) * $run,
            tan($aim->squirt) * $gap,
            tan($aim->swerve) * $gap,
        );
    }
}
