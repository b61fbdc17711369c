<?php

declare(strict_types=1);

namespace ZigLane\Core\Logbook;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Rack\Rack;

/**
 * The table that an attempt leaves to the one who shot it.
 */
final class NextTable
{
    private function __construct() {}

    /**
     * The rack as it is gone on with: balls where they stopped, the group that was taken, ball in hand after a scratch.
     *
     * @throws InvalidInput when the rack is over, or no ball that may be shot at is left
     */
    public static function after(Attempt $attempt): Rack
    {
        $rack = $attempt->rack;
        $rules = $rack->rules();
        $layout = $attempt->result->after($rack->layout);
        if ($rules->isOver($layout) || [] === $layout->objectBalls()) {
            throw new InvalidInput('', 'The rack is over');
        }
        $ball = $attempt->meant->ball;
        $dropped = $attempt->result->made && null !== $ball && !$layout->has($ball);
        $rack = $dropped ? $rack->taking($ball) : $rack;
        if (!$layout->has(BallId::CUE)) {
            // Where it lay is as good a place as any to be taken from.
            return $rack->goneOn($layout->with(BallId::CUE, $rack->layout->ball(BallId::CUE)))->withBallInHand(true);
        }

        return $rack->goneOn($layout);
    }
}
