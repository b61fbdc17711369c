<?php

declare(strict_types=1);

namespace ZigLane\Core\Decision;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Physics\AimedStroke;

/**
 * A stroke with what playing it under the player's errors came to.
 */
final readonly class Tried
{
    /**
     * @param Pot|null $call   what is called; null for a safety
     * @param float    $win    chance to win the rack, 0–1
     * @param float    $made   share of the tries in which the turn goes on or the rack is won, 0–1
     * @param float    $fouls  share of the tries, 0–1
     * @param float    $ifMade chance to win the rack after those; 0 without any
     * @param float    $ifNot  and after the others; 0 without any
     * @param float    $leaves mean chance to run out that the other player is left with where the turn passes, 0–1
     * @param float    $runOut chance that the player runs out with it, by state values, 0–1
     * @param float    $error  standard error of the chance to win
     */
    public function __construct(
        public AimedStroke $stroke,
        public ?Pot $call,
        public float $win = 0.0,
        public float $made = 0.0,
        public float $fouls = 0.0,
        public float $ifMade = 0.0,
        public float $ifNot = 0.0,
        public float $leaves = 0.0,
        public float $runOut = 0.0,
        public float $error = 0.0,
    ) {}

    /** The same with another chance to win the rack. */
    public function winning(float $win): self
    {
        return new self(
            $this->stroke,
            $this->call,
            max(0.0, min(1.0, $win)),
            $this->made,
            $this->fouls,
            $this->ifMade,
            $this->ifNot,
            $this->leaves,
            $this->runOut,
            $this->error,
        );
    }

    /** Whether it is a pot, a safety, or something of both. */
    public function kind(): OptionKind
    {
        return match (true) {
            $this->made >= OptionKind::POT => OptionKind::Go,
            $this->made < OptionKind::SAFETY => OptionKind::Safe,
            default => OptionKind::TwoWay,
        };
    }

    /**
     * @param list<self> $tried
     *
     * @return list<self> the best first
     */
    public static function ranked(array $tried): array
    {
        usort($tried, static fn(self $one, self $two): int => $two->win <=> $one->win);

        return $tried;
    }
}
