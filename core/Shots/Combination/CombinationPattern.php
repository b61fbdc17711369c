<?php

declare(strict_types=1);

namespace ZigLane\Core\Shots\Combination;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Shots\Played;
use ZigLane\Core\Shots\PottedStraight;
use ZigLane\Core\Shots\ShotPattern;
use ZigLane\Core\Shots\ShotTable;

/**
 * A combination: the cue ball sends another ball into the one that is to be potted, or into a third that sends it on.
 */
final readonly class CombinationPattern implements ShotPattern
{
    use PottedStraight;

    public function range(ShotTable $table): array
    {
        return $table->hitting($table->first());
    }

    public function begins(Played $played): bool
    {
        $intent = $played->table->intent;
        $ball = $played->table->pot->ball;
        $links = array_values(array_filter([BallId::CUE, $intent->other, $intent->then, $ball], \is_int(...)));
        if ($played->firstHit() !== $intent->other || !$played->isDirect()) {
            return false;
        }
        $from = BallId::CUE;
        foreach ($links as $n => $link) {
            if ($n > 0 && $link !== $ball) {
                $meets = \array_slice($played->contacts($link), 0, 2);
                if ([$from, $links[$n + 1] ?? null] !== $meets || [] !== $played->rails($link, contacts: 1)) {
                    return false;
                }
                $from = $link;
            }
        }

        return $from === ($played->contacts($ball)[0] ?? null);
    }
}
