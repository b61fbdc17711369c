<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Geometry\Point;

/**
 * Where ways of the cue ball meet a resting ball: asked for once for each place of the ball.
 *
 * @internal
 */
final class WayMeetings
{
    /** @var list<Box> what a ball must lie in to be met, by way */
    private array $boxes = [];

    /** @var array<string, array<int, float>> by place of the ball and by way */
    private array $met = [];

    /**
     * @param list<list<float>> $ways     corners of the chords, x and y in turn, m
     * @param float             $diameter of a ball, m
     */
    public function __construct(private readonly array $ways, private readonly float $diameter)
    {
        foreach ($ways as $way) {
            $this->boxes[] = Box::around($way, $diameter);
        }
    }

    /**
     * Where on its chords each way that meets a ball meets it.
     *
     * @return array<int, float> chord and share of it, by way
     */
    public function with(Point $ball): array
    {
        $key = pack('d2', $ball->x, $ball->y);
        if (!isset($this->met[$key])) {
            $reach = $this->diameter * $this->diameter;
            $met = [];
            foreach ($this->ways as $n => $way) {
                $box = $this->boxes[$n];
                if ($ball->x < $box->left || $ball->x > $box->right || $ball->y < $box->low || $ball->y > $box->high) {
                    continue;
                }
                $at = Chords::meeting($way, $ball->x, $ball->y, $reach);
                if (null !== $at) {
                    $met[$n] = $at;
                }
            }
            $this->met[$key] = $met;
        }

        return $this->met[$key];
    }
}
