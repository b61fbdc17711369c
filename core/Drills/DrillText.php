<?php

declare(strict_types=1);

namespace ZigLane\Core\Drills;

/**
 * What a drill says of itself.
 */
final readonly class DrillText
{
    /** Longest name and note, characters. */
    public const NAME = 60;
    public const NOTE = 400;

    /**
     * @param string $does  what is to be done, in a sentence or two
     * @param string $watch one thing to watch
     */
    public function __construct(public string $name, public string $does = '', public string $watch = '') {}
}
