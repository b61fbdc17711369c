<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading;

/**
 * One thing that stands in the way of running out, and what it forces.
 */
final readonly class Trouble
{
    /**
     * @param list<int> $balls    concerned, the one in trouble first
     * @param string    $sentence a whole sentence
     * @param int       $weight   the more, the worse
     */
    public function __construct(public TroubleKind $kind, public array $balls, public string $sentence, public int $weight) {}
}
