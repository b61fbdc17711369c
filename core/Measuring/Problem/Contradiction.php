<?php

declare(strict_types=1);

namespace ZigLane\Core\Measuring\Problem;

use ZigLane\Core\Finding;

/**
 * A reading that does not fit the rest.
 */
final readonly class Contradiction implements Finding
{
    /**
     * @param string      $test  by name
     * @param float       $off   by so many times the error of a reading
     * @param string|null $other the only other test of its kind, by name
     */
    public function __construct(public string $test, public float $off, public ?string $other) {}
}
