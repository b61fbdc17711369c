<?php

declare(strict_types=1);

namespace ZigLane\Core\Physics;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Settings\Defaults;

/**
 * Speed as people feel it: how many table lengths the cue ball alone would travel.
 *
 * The measure is a stroke from one end rail straight to the other and back as often as it goes, struck a fifth of the
 * radius above centre as for a lag; one length is the way of the ball's centre from rail to rail. A lag is two.
 */
final readonly class TableLengths
{
    private const LAG_HEIGHT = 0.2;

    public function __construct(private Simulator $simulator) {}

    /** Lengths that a cue speed (m/s) sends the ball. */
    public function ofSpeed(float $speed): float
    {
        $g = $this->simulator->geometry;
        $way = 0.0;
        foreach ($this->rolled($speed)->paths[BallId::CUE] ?? [] as $piece) {
            $way += $piece->length();
        }

        return $way / ($g->length - 2 * $g->reach);
    }

    /** How long it rolls then, s. */
    public function seconds(float $speed): float
    {
        return $this->rolled($speed)->duration;
    }

    private function rolled(float $speed): ShotResult
    {
        $g = $this->simulator->geometry;
        $layout = new Layout([BallId::CUE => new Point($g->reach, $g->width / 2)]);

        return $this->simulator->play($layout, new Shot(0.0, $speed, new Tip(0.0, self::LAG_HEIGHT)));
    }

    /** The most lengths anyone can send it on this table. */
    public function most(): float
    {
        return $this->ofSpeed(Defaults::MAX_CUE_SPEED);
    }

    /**
     * Cue speed, m/s, that sends the ball so many lengths; bisection to 0.1 mm/s, the way growing with the speed.
     *
     * @throws InvalidInput when no person strikes that hard
     */
    public function toSpeed(float $lengths): float
    {
        if (!is_finite($lengths) || $lengths <= 0.0) {
            throw new InvalidInput('speed.lengths', 'must be above 0 table lengths');
        }
        $high = Defaults::MAX_CUE_SPEED;
        if ($lengths > $this->ofSpeed($high)) {
            throw new InvalidInput('speed.lengths', \sprintf(
                '%.1f is more than a person can send the cue ball (limit %.1f table lengths here)',
                $lengths,
                $this->ofSpeed($high),
            ));
        }
        $low = 0.0;
        while ($high - $low > 1e-4) {
            $middle = ($low + $high) / 2;
            if ($this->ofSpeed($middle) < $lengths) {
                $low = $middle;
            } else {
                $high = $middle;
            }
        }

        return ($low + $high) / 2;
    }
}
