<?php

declare(strict_types=1);

namespace ZigLane\Core\Routes;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Reading\SpeedWindow;

/**
 * One way to pot a ball and go on, with what it comes to for a player.
 */
final readonly class Route
{
    /**
     * @param float            $offset part of what drops that the ball is sent to, −1 … 1
     * @param Point            $stop   where the cue ball stops when nothing goes wrong
     * @param float            $travel of the cue ball after the contact, m
     * @param Pot|null         $next   that it is for
     * @param SpeedWindow|null $window as shares of its speed
     * @param FreedBall|null   $freed  when it moves another ball on purpose
     */
    public function __construct(
        public Pot $pot,
        public Shot $shot,
        public float $offset,
        public Family $family,
        public Point $stop,
        public float $travel,
        public RouteChances $chances,
        public ?Pot $next,
        public ?SpeedWindow $window,
        public ?FreedBall $freed = null,
    ) {}

    /** The same with what playing it under errors came to. */
    public function judged(RouteChances $chances, ?Pot $next, ?SpeedWindow $window): self
    {
        [$stop, $travel] = [$this->stop, $this->travel];

        return new self($this->pot, $this->shot, $this->offset, $this->family, $stop, $travel, $chances, $next, $window, $this->freed);
    }

    /** The same as a route that moves a ball on purpose. */
    public function moving(FreedBall $freed, RouteChances $chances): self
    {
        return new self($this->pot, $this->shot, $this->offset, $this->family, $this->stop, $this->travel, $chances, null, null, $freed);
    }
}
