<?php

declare(strict_types=1);

namespace ZigLane\Core\Experiments;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Player\ErrorSample;
use ZigLane\Core\Player\Execution;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Player\Stance;
use ZigLane\Core\Rack\FreshRack;
use ZigLane\Core\Rack\Rack;

/**
 * Plays fresh racks, every stroke with the player's error in it, until the rack is run out or the turn is over.
 *
 * The turn goes on while the stroke is legal and the called ball drops in its pocket; in nine-ball any ball will do. After the
 * break the player has the ball in hand, as when one practises alone.
 */
final readonly class Season
{
    /** Shots after which a rack is given up: more than any rack has. */
    private const MOST = 40;

    public function __construct(
        private GameName $game,
        private Player $player,
        private Policy $policy,
        private int $seed,
        private bool $inHand = true,
    ) {}

    /**
     * @return \Generator<int, Played> one a rack
     */
    public function play(int $racks): \Generator
    {
        for ($n = 0; $n < $racks; ++$n) {
            $fresh = FreshRack::broken($this->game, $this->seed * 100_003 + $n, $this->player);
            // Errors of their own for every rack: what one rack needs does not shift the next one's.
            yield $this->rack($fresh->rack->withBallInHand($this->inHand), new Generator(7_919 * ($this->seed * 100_003 + $n) + 1));
        }
    }

    private function rack(Rack $rack, Generator $random): Played
    {
        $simulator = $rack->simulator();
        $predicted = null;
        $lost = $rack->rules()->pointsLostByFoul();
        $points = 0;
        for ($shots = 0; $shots < self::MOST; ++$shots) {
            $next = $this->policy->next($rack);
            if (null === $next) {
                return new Played(false, $predicted ?? 0.0, $shots, $points);
            }
            [$rack, $called] = $next;
            $predicted ??= $called->runOut;
            $result = $simulator->play($rack->layout, $this->missed($rack, $called->shot, $random));
            $verdict = $rack->rules()->judge($rack->layout, $result);
            if ($lost > 0) {
                $points += $verdict->legal() ? \count($result->pocketed) : -$lost;
            }
            if ($verdict->won) {
                return new Played(true, $predicted, $shots + 1, $points);
            }
            if ($verdict->lost || !$verdict->legal() || !$rack->rules()->countsAsMade($called->ball, $called->pocket, $result)) {
                return new Played(false, $predicted, $shots + 1, $points);
            }
            $rack = $rack->taking($called->ball)->goneOn($result->final);
        }

        return new Played(false, (float) $predicted, $shots, $points);
    }

    /** The stroke as the player executes it. */
    private function missed(Rack $rack, Shot $shot, Generator $random): Shot
    {
        $cue = $rack->layout->ball(BallId::CUE);
        $error = Execution::errors(
            $this->player,
            $shot->elevation,
            $shot->speed,
            Stance::of($this->player, $cue, $shot->aim, $rack->simulator()->geometry),
        );
        [$side, $height] = [$random->normal(), $random->normal()];

        return Execution::shot($error, new ErrorSample($random->normal(), $random->normal(), $side, $height), $shot);
    }
}
