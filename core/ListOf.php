<?php

declare(strict_types=1);

namespace ZigLane\Core;

/**
 * What a finding's list holds: "int", "string", or a class built like a finding.
 */
#[\Attribute(\Attribute::TARGET_PARAMETER | \Attribute::TARGET_PROPERTY)]
final readonly class ListOf
{
    /** @param 'int'|'string'|class-string $type */
    public function __construct(public string $type) {}
}
