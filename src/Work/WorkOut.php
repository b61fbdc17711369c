<?php

declare(strict_types=1);

namespace ZigLane\App\Work;

/**
 * To the workers: somebody waits for this task's answer.
 */
final readonly class WorkOut
{
    public function __construct(public string $task) {}
}
