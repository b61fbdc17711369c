<?php

declare(strict_types=1);

namespace ZigLane\Core\Physics;

use ZigLane\Core\Equipment\BallSpec;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Settings\Defaults;

/**
 * Where the tip touches the cue ball, seen along the cue: one stored truth, in ball radii from the centre, right and
 * up positive. Read it as a clock face and tips, or in millimetres.
 */
final readonly class Tip
{
    /**
     * @param float $side   −½ … ½, right positive
     * @param float $height −½ … ½, up positive
     *
     * @throws InvalidInput beyond the miscue limit
     */
    public function __construct(public float $side = 0.0, public float $height = 0.0)
    {
        if (!is_finite($side) || !is_finite($height)) {
            throw new InvalidInput('tip', 'must be two finite numbers');
        }
        $offset = hypot($side, $height);
        if ($offset > Defaults::MISCUE_LIMIT + 1e-9) {
            throw new InvalidInput('tip', \sprintf(
                '%.2f of the radius from the centre is a miscue (limit %.2f)',
                $offset,
                Defaults::MISCUE_LIMIT,
            ));
        }
    }

    /** Distance from the centre, ball radii. */
    public function offset(): float
    {
        return hypot($this->side, $this->height);
    }

    /** The same distance in tip widths. */
    public function tips(BallSpec $ball = new BallSpec()): float
    {
        return $this->offset() * $ball->radius / Defaults::TIP_WIDTH;
    }

    /** "centre", or the clock to the nearest half hour and the tips to the nearest quarter: "half past 10, 1 tip". */
    public function clock(): string
    {
        $tips = round($this->tips() * 4) / 4;
        if (0.0 === $tips) {
            return 'centre';
        }
        $halfHours = ((int) round(rad2deg(atan2($this->side, $this->height)) / 15) + 24) % 24;
        $hour = intdiv($halfHours, 2) ?: 12;
        $words = 1 === $halfHours % 2 ? "half past $hour" : "$hour o’clock";
        $whole = (int) floor($tips);
        $part = ['', '¼', '½', '¾'][(int) round(($tips - $whole) * 4)];
        $count = (0 === $whole ? '' : (string) $whole) . $part;

        return \sprintf('%s, %s %s', $words, $count, $tips > 1.0 ? 'tips' : 'tip');
    }
}
