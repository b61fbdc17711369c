<?php

declare(strict_types=1);

namespace ZigLane\Core\Routes;

/**
 * What a route that moves another ball on purpose does for that ball.
 */
final readonly class FreedBall
{
    /**
     * @param int   $ball  that is moved
     * @param float $moved share of tries in which it is
     * @param float $goes  share of tries after which it goes in some pocket
     * @param bool  $before whether it goes as it lies
     */
    public function __construct(public int $ball, public float $moved, public float $goes, public bool $before) {}
}
