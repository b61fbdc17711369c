<?php

declare(strict_types=1);

namespace ZigLane\Core\Measuring\Problem;

use ZigLane\Core\Finding;
use ZigLane\Core\ListOf;
use ZigLane\Core\Measuring\Parameter;

/**
 * Together the readings need a number that no table has.
 */
final readonly class OutOfRange implements Finding
{
    /**
     * @param float        $low   least on any table
     * @param float        $high  most
     * @param list<string> $tests that tell about it, by name
     */
    public function __construct(
        public Parameter $parameter,
        public float $value,
        public float $low,
        public float $high,
        #[ListOf('string')]
        public array $tests,
    ) {}
}
