<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading\Trouble;

/**
 * Kinds of trouble, and how much each usually weighs: the heaviest is named first.
 */
enum TroubleKind: string
{
    case Stuck = 'stuck';
    case Blocks = 'blocks';
    case Cluster = 'cluster';
    case SameLane = 'same lane';
    case OnePocket = 'one pocket';
    case Frozen = 'frozen';
    case ByRail = 'by the rail';
    case Far = 'far';

    /** The more, the worse; to rank by. */
    public function weight(): int
    {
        return match ($this) {
            self::Stuck => 100,
            self::Blocks => 80,
            self::Cluster => 70,
            self::SameLane => 60,
            self::OnePocket => 50,
            self::Frozen => 30,
            self::ByRail => 20,
            self::Far => 15,
        };
    }
}
