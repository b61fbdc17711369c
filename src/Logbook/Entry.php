<?php

declare(strict_types=1);

namespace ZigLane\App\Logbook;

use ZigLane\Core\Logbook\Attempt;

/**
 * What a device wants kept of one attempt: a new one, a changed one, or that it is taken back.
 */
final readonly class Entry
{
    /**
     * @param string       $key     of the attempt
     * @param int          $edition counts the changes, from 1: what comes twice or late changes nothing
     * @param Attempt|null $attempt null when it is taken back
     */
    public function __construct(public string $key, public int $edition, public ?Attempt $attempt) {}
}
