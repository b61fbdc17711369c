<?php

declare(strict_types=1);

namespace ZigLane\Core\Routes;

use ZigLane\Core\Physics\Stroke;

/**
 * A stroke that pots the ball and moves others.
 */
final readonly class ContactStroke
{
    /** @param non-empty-list<int> $moved those balls */
    public function __construct(public Stroke $stroke, public array $moved) {}
}
