<?php

declare(strict_types=1);

namespace ZigLane\Core\Camera;

/**
 * One doubt about a frame.
 */
final readonly class Doubt
{
    /**
     * @param int|null $ball  that it is about; null for one that was not recognised
     * @param int|null $other the other ball, where there is one
     * @param int|null $detection its number in the frame, where it was seen
     */
    public function __construct(public DoubtKind $kind, public ?int $ball, public ?int $other = null, public ?int $detection = null) {}

    /** Tells it from every other doubt about the same frame. */
    public function key(): string
    {
        return implode('-', [$this->kind->value, $this->ball ?? 'x', $this->other ?? 'x', $this->detection ?? 'x']);
    }
}
