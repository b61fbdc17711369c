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

    public function range(ShotTable $table): ?array
    {
        $to = $table->mouth;
        $ball = $table->ball;
        $then = $table->intent->then;
        if (null !== $then) {
            $between = $table->layout->ball($then);
            if (!$table->sends($between, $ball, $to)) {
                return null;
            }
            [$ball, $to] = [$between, $table->ghost($ball, $to)];
        }
        $first = $table->first();
        $isPossible = $table->sends($first, $ball, $to) && $table->sends($table->cue, $first, $table->ghost($ball, $to));

        return $isPossible ? $table->hitting($first) : null;
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
