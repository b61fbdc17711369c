<?php

declare(strict_types=1);

namespace ZigLane\App\Work;

/**
 * What is known of a task by now.
 *
 * @template-covariant T
 */
final readonly class Answer
{
    /**
     * @param T|null      $value   the best so far; null before the first
     * @param bool        $settled whether it is the last
     * @param string|null $problem why there will be none
     */
    public function __construct(public mixed $value, public bool $settled, public ?string $problem = null) {}
}
