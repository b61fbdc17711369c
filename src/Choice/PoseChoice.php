<?php

declare(strict_types=1);

namespace ZigLane\App\Choice;

use ZigLane\App\Work\Work;
use ZigLane\Core\Choice\PairPicker;
use ZigLane\Core\Choice\RackPicker;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Player\Player;

/**
 * Picks a rack that is worth thinking about, or two ways to play a shot.
 */
final class PoseChoice implements Work
{
    /** Picks until one has two ways that a player might choose between. */
    private const MOST = 12;

    public static function kind(): string
    {
        return 'choice-pose';
    }

    /**
     * @param list<mixed> $question PosedKind, GameName, int balls, Player, Table, int seed
     *
     * @return \Generator<int, array{looked: int, document: string|null}> racks looked at; the document once it is there
     */
    public function answers(array $question): \Generator
    {
        [$kind, $game, $balls, $player, $table, $seed] = $question;
        \assert($kind instanceof PosedKind && $game instanceof GameName && \is_int($balls) && $player instanceof Player);
        \assert($table instanceof Table && \is_int($seed));
        $looked = 0;
        // Every second rack is taken as it comes: else what looks good would never be.
        $plain = PosedKind::Rack === $kind && 0 === $seed % 2;
        for ($pick = 0; $pick < self::MOST; ++$pick) {
            $rack = null;
            foreach ((new RackPicker($game, $balls, $player, self::MOST * $seed + $pick, $table, $plain))->racks() as $rack) {
                yield ['looked' => ++$looked, 'document' => null];
                if (PosedKind::Pair === $kind) {
                    // Any will do that has two ways.
                    break;
                }
            }
            if (null === $rack) {
                continue;
            }
            $posed = PosedKind::Rack === $kind ? new Posed($rack, null, $plain) : Posed::of((new PairPicker($rack, $seed))->pair());
            if (null !== $posed) {
                yield ['looked' => $looked, 'document' => $posed->write()];

                return;
            }
        }
        throw new InvalidInput('', 'No such rack was found for this player: ask for more balls, or for fewer');
    }
}
