<?php

declare(strict_types=1);

namespace ZigLane\Core\Decision;

/**
 * What playing a stroke under the player's errors came to. Shares and chances 0–1.
 */
final readonly class StrokeChances
{
    /**
     * @param float $win    chance to win the rack
     * @param float $made   share of the tries in which the turn goes on or the rack is won
     * @param float $fouls  share of the tries
     * @param float $hidden share of the tries after which the other player sees no ball that may be hit
     * @param float $ifMade chance to win the rack where the turn goes on; 0 without any
     * @param float $ifNot  and in the other tries; 0 without any
     * @param float $leaves mean chance to run out that the other player is left with where the turn passes
     * @param float $runOut chance that the player runs out with it, by state values
     * @param float $error  standard error of the chance to win
     * @param OptionKind|null $known what it is, where that is settled; told from the shares when null
     */
    public function __construct(
        public float $win = 0.0,
        public float $made = 0.0,
        public float $fouls = 0.0,
        public float $hidden = 0.0,
        public float $ifMade = 0.0,
        public float $ifNot = 0.0,
        public float $leaves = 0.0,
        public float $runOut = 0.0,
        public float $error = 0.0,
        private ?OptionKind $known = null,
    ) {}

    /** The same with another chance to win the rack. */
    public function winning(float $win): self
    {
        return $this->with(self::share($win), $this->ifMade, $this->ifNot, $this->known);
    }

    /** The same, of the same kind, where the turn that goes on, and the one that passes, are worth so much more. */
    public function mended(float $ifMade, float $ifNot): self
    {
        return $this->with(
            self::share($this->win + $this->made * $ifMade + (1 - $this->made) * $ifNot),
            self::share($this->ifMade + $ifMade),
            self::share($this->ifNot + $ifNot),
            $this->kind(),
        );
    }

    /** The same, told as a pot when it would be told as a safety: what a run-out begins with is gone for, however likely. */
    public function gone(): self
    {
        return OptionKind::Safe === $this->kind() ? $this->with($this->win, $this->ifMade, $this->ifNot, OptionKind::Go) : $this;
    }

    private function with(float $win, float $ifMade, float $ifNot, ?OptionKind $known): self
    {
        return new self(
            $win,
            $this->made,
            $this->fouls,
            $this->hidden,
            $ifMade,
            $ifNot,
            $this->leaves,
            $this->runOut,
            $this->error,
            $known,
        );
    }

    private static function share(float $value): float
    {
        return max(0.0, min(1.0, $value));
    }

    /** Whether it is a pot, a safety, or something of both: a pot that is not likely but still wins often enough when it is missed. */
    public function kind(): OptionKind
    {
        if (null !== $this->known) {
            return $this->known;
        }
        $byPot = $this->win > 0.0 ? $this->made * $this->ifMade / $this->win : 0.0;

        return match (true) {
            $this->made >= OptionKind::POT => OptionKind::Go,
            $this->made < OptionKind::SAFETY => $byPot < OptionKind::BY_POT ? OptionKind::Safe : OptionKind::Go,
            default => $this->ifNot < OptionKind::STILL_WINS ? OptionKind::Go : OptionKind::TwoWay,
        };
    }
}
