<?php

declare(strict_types=1);

namespace ZigLane\Core\Decision;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Physics\AimedStroke;

/**
 * A stroke that was tried.
 */
final readonly class Tried
{
    /** @param Pot|null $call what is called; null for a safety */
    public function __construct(
        public AimedStroke $stroke,
        public ?Pot $call,
        public StrokeChances $chances = new StrokeChances(),
    ) {}

    /** Chance to win the rack, 0–1. */
    public function win(): float
    {
        return $this->chances->win;
    }

    /** The same with another chance to win the rack. */
    public function winning(float $win): self
    {
        return new self($this->stroke, $this->call, $this->chances->winning($win));
    }

    /**
     * @param list<self> $tried
     *
     * @return list<self> the best first
     */
    public static function ranked(array $tried): array
    {
        usort($tried, static fn(self $one, self $two): int => $two->chances->win <=> $one->chances->win);

        return $tried;
    }
}
