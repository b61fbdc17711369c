<?php

declare(strict_types=1);

namespace ZigLane\Core\Decision;

use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Games\Group;
use ZigLane\Core\Physics\Layout;

/**
 * How a stroke ended.
 */
final readonly class End
{
    /**
     * @param Layout             $table    afterwards; the cue ball may be missing after a foul
     * @param array<int, Pocket> $pocketed by ball
     * @param Group|null         $taken    group that is taken by it on an open table
     */
    public function __construct(public EndKind $kind, public Layout $table, public array $pocketed = [], public ?Group $taken = null) {}

    /** Chance to win the rack for the player who played it, 0–1. */
    public function value(Contest $contest): float
    {
        return match ($this->kind) {
            EndKind::Won => 1.0,
            EndKind::Lost => 0.0,
            EndKind::Made => $contest->afterLegal($this->taken)->turn($this->table),
            EndKind::Passed => 1 - $contest->afterLegal()->reversed()->turn($this->table),
            EndKind::Pushed => min($contest->turn($this->table), 1 - $contest->reversed()->turn($this->table)),
            EndKind::Foul => $contest->fouled($this->table),
        };
    }
}
