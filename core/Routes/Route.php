<?php

declare(strict_types=1);

namespace ZigLane\Core\Routes;

use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Reading\SpeedWindow;

/**
 * One way to pot a ball and go on, with what it comes to for a player.
 */
final readonly class Route
{
    /**
     * @param float            $offset   part of what drops that the ball is sent to, −1 … 1
     * @param Point            $stop     where the cue ball comes to lie when nothing goes wrong
     * @param float            $travel   of the cue ball after the contact, m
     * @param float            $pot      share of tries in which the ball drops and the cue ball stays up
     * @param float            $position of all tries: potted, and the next ball left well enough, with an angle that leads on
     * @param float            $value    of all tries: the mean chance on the next ball, nothing where the pot fails
     * @param float            $scratch  share of tries
     * @param float            $touches  share of tries in which another ball is moved
     * @param float            $hooked   of the potted: no shot is left
     * @param float            $astray   of the potted: a shot is left, but not well enough or from the wrong side
     * @param array{int, Pocket}|null $next the ball and pocket that it is for
     * @param SpeedWindow|null $window   as shares of its speed
     * @param int              $tries    that the shares rest on
     * @param FreedBall|null       $freed    when it moves another ball on purpose
     */
    public function __construct(
        public int $ball,
        public Pocket $pocket,
        public Shot $shot,
        public float $offset,
        public Family $family,
        public Point $stop,
        public float $travel,
        public float $pot,
        public float $position,
        public float $value,
        public float $scratch,
        public float $touches,
        public float $hooked,
        public float $astray,
        public ?array $next,
        public ?SpeedWindow $window,
        public int $tries,
        public ?FreedBall $freed = null,
    ) {}

    /** The same as a route that moves a ball on purpose. */
    public function moving(FreedBall $freed, float $pot, float $value, float $scratch, int $tries): self
    {
        return new self(
            $this->ball,
            $this->pocket,
            $this->shot,
            $this->offset,
            $this->family,
            $this->stop,
            $this->travel,
            $pot,
            0.0,
            $value,
            $scratch,
            1.0,
            0.0,
            0.0,
            null,
            null,
            $tries,
            $freed,
        );
    }
}
