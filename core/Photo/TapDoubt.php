<?php

declare(strict_types=1);

namespace ZigLane\Core\Photo;

/**
 * Something about the tips that a person should look at.
 */
final readonly class TapDoubt
{
    /**
     * @param NoseTip|null $tip   which one does not fit
     * @param float        $value by how much: px that the tip is off, or rad that the camera looks down
     */
    public function __construct(public TapDoubtKind $kind, public ?NoseTip $tip = null, public float $value = 0.0) {}

    /** Whether balls must not be placed while it stands. */
    public function forbids(): bool
    {
        return TapDoubtKind::TooLow !== $this->kind;
    }
}
