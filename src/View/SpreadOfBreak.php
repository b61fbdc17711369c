<?php

declare(strict_types=1);

namespace ZigLane\App\View;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Planning\BreakShot;

/**
 * Where some tries of a break shot leave the balls, to draw; mm.
 */
final readonly class SpreadOfBreak
{
    private const TRIES = 24;

    /** @var list<array{x: string, y: string}> object balls */
    public array $balls;

    /** @var list<array{x: string, y: string}> the cue ball */
    public array $cue;

    /** Tries in which the ball drops. */
    public int $good;
    public int $tries;

    public function __construct(BreakShot $break)
    {
        $balls = $cue = [];
        $good = 0;
        foreach ($break->tries(1, self::TRIES) as $layout) {
            if (null === $layout) {
                continue;
            }
            ++$good;
            foreach ($layout->balls as $ball => $place) {
                $mark = ['x' => Svg::mm($place->x), 'y' => Svg::mm($place->y)];
                if (BallId::CUE === $ball) {
                    $cue[] = $mark;
                } else {
                    $balls[] = $mark;
                }
            }
        }
        $this->balls = $balls;
        $this->cue = $cue;
        $this->good = $good;
        $this->tries = self::TRIES;
    }
}
