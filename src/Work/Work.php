<?php

declare(strict_types=1);

namespace ZigLane\App\Work;

use Symfony\Component\DependencyInjection\Attribute\AutoconfigureTag;
use ZigLane\Core\InvalidInput;

/**
 * A kind of work that takes longer than a page may, done by a worker. Question and answers are serialized: values only.
 */
#[AutoconfigureTag]
interface Work
{
    /** Its name: 20 characters at most. */
    public static function kind(): string;

    /**
     * @param list<mixed> $question
     *
     * @return iterable<mixed> answers, each better than the one before; the last is kept
     *
     * @throws InvalidInput when the question has no answer; its message is shown
     */
    public function answers(array $question): iterable;
}
