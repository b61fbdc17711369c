<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Finding;

use ZigLane\Core\Finding;
use ZigLane\Core\ListOf;
use ZigLane\Core\Routes\Family;

/**
 * The cue ball goes round many cushions.
 */
final readonly class RoundTheTable implements Finding
{
    /**
     * @param list<string> $rails in order
     * @param ?Family $plainer another way of the same pot over fewer
     * @param float $chance of running out that way, 0–1
     */
    public function __construct(
        #[ListOf('string')]
        public array $rails,
        public ?Family $plainer,
        public float $chance,
    ) {}

    /** The same beside a chance to run out that was mended by a factor. */
    public function times(float $factor): self
    {
        return new self($this->rails, $this->plainer, max(0.0, min(1.0, $factor * $this->chance)));
    }
}
