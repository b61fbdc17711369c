<?php

declare(strict_types=1);

namespace ZigLane\Core;

/**
 * Something given from outside cannot be used. The message names the place (a path such as "balls.7[1]") and the limit.
 */
final class InvalidInput extends \InvalidArgumentException
{
    public function __construct(public readonly string $path, public readonly string $problem)
    {
        parent::__construct('' === $path ? $problem : $path . ': ' . $problem);
    }

    /** The same fault, seen from one level further out. */
    public function under(string $prefix): self
    {
        return new self(rtrim($prefix . '.' . $this->path, '.'), $this->problem);
    }
}
