<?php

declare(strict_types=1);

namespace ZigLane\Core\Rack;

/**
 * What rooms and events rule differently.
 */
final readonly class HouseRules
{
    /**
     * @param bool      $jumps  whether a plan may jump and curve: many rooms forbid it
     * @param bool|null $called whether ball and pocket are called; null as the game usually has it
     */
    public function __construct(public bool $jumps = false, public ?bool $called = null) {}
}
