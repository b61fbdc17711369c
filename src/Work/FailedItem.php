<?php

declare(strict_types=1);

namespace ZigLane\App\Work;

/**
 * One piece of work that was given up.
 */
final readonly class FailedItem
{
    /**
     * @param int         $id   of the message
     * @param int|null    $rack whose plan it was; null for anything else, or when the rack is gone
     * @param string|null $name of that rack
     */
    public function __construct(
        public int $id,
        public ?int $rack,
        public ?string $name,
        public ?int $plan,
        public string $why,
        public ?\DateTimeInterface $at,
    ) {}
}
