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

    /** "aim ½ ball width to the left of the ball's middle". */
    public function aimWords(): string
    {
        if (abs($this->widths) < 0.02) {
            return 'aim at the middle of the ball';
        }
        $far = abs($this->widths);
        $side = $this->widths > 0 ? 'right' : 'left';
        $where = match (true) {
            $far < 0.48 => 'inside its edge',
            $far < 0.52 => 'at its edge',
            default => 'outside its edge',
        };

        return \sprintf('aim %.2f ball widths to the %s of the ball’s middle, %s', $far, $side, $where);
    }
}
