<?php

declare(strict_types=1);

namespace ZigLane\Core\Routes;

/**
 * What a route comes to under a player's errors.
 */
final readonly class RouteChances
{
    /**
     * @param float $pot      share of tries in which the ball drops and the cue ball stays up
     * @param float $position of all tries: potted, and the next ball left well enough, with an angle that leads on
     * @param float $value    of all tries: the mean chance on the next ball, nothing where the pot fails
     * @param float $scratch  share of tries
     * @param float $touches  share of tries in which another ball is moved
     * @param float $hooked   of the potted: no shot is left
     * @param float $astray   of the potted: a shot is left, but not well enough or from the wrong side
     * @param int   $tries    that the shares rest on
     */
    public function __construct(
        public float $pot,
        public float $position,
        public float $value,
        public float $scratch,
        public float $touches,
        public float $hooked,
        public float $astray,
        public int $tries,
    ) {}

    /** The same with another mean chance on the next ball, 0–1. */
    public function worth(float $value): self
    {
        return new self(
            $this->pot,
            $this->position,
            $value,
            $this->scratch,
            $this->touches,
            $this->hooked,
            $this->astray,
            $this->tries,
        );
    }

    /** Of a route of which no more is known. */
    public static function of(float $pot, float $position, float $value): self
    {
        return new self($pot, $position, $value, 0.0, 0.0, 0.0, 0.0, 0);
    }

    /** Of a route that has not been played yet. */
    public static function none(): self
    {
        return self::of(0.0, 0.0, 0.0);
    }
}
