<?php

declare(strict_types=1);

namespace ZigLane\Core\Experiments;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\Games\Group;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Player\Stance;
use ZigLane\Core\Rack\FreshRack;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Settings\Defaults;

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

    public function __construct(private GameName $game, private Player $player, private Policy $policy, private int $seed, private bool $inHand = true) {}

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
        for ($shots = 0; $shots < self::MOST; ++$shots) {
            $next = $this->policy->next($rack);
            if (null === $next) {
                return new Played(false, $predicted ?? 0.0, $shots);
            }
            [$rack, $called] = $next;
            $predicted ??= $called->runOut;
            $result = $simulator->play($rack->layout, $this->missed($rack, $called->shot, $random));
            $verdict = $rack->rules()->judge($rack->layout, $result);
            if ($verdict->won) {
                return new Played(true, $predicted, $shots + 1);
            }
            $potted = array_diff(array_keys($result->pocketed), [BallId::CUE]);
            $made = GameName::NineBall === $this->game ? [] !== $potted : ($result->pocketed[$called->ball] ?? null) === $called->pocket;
            if ($verdict->lost || !$verdict->legal() || !$made) {
                return new Played(false, $predicted, $shots + 1);
            }
            $rack = $rack->withLayout($result->final);
            if (GameName::EightBall === $this->game && null === $rack->group) {
                $rack = $rack->withGroup(Group::Solids->owns($called->ball) ? Group::Solids : Group::Stripes);
            }
        }

        return new Played(false, (float) $predicted, $shots);
    }

    /** The stroke as the player executes it. */
    private function missed(Rack $rack, Shot $shot, Generator $random): Shot
    {
        $cue = $rack->layout->ball(BallId::CUE);
        $error = $this->player->errors($shot->elevation, $shot->speed, Stance::at($this->player, $cue->x, $cue->y, $shot->aim, $rack->table->length(), $rack->table->width()));
        $a = $shot->tip->side + $error->tip * $random->normal();
        $b = $shot->tip->height + $error->tip * $random->normal();
        // Beyond the limit the tip slips off; here the ball is then hit at the limit, and badly aimed.
        $far = hypot($a, $b);
        $slip = $far > Defaults::MISCUE_LIMIT ? Defaults::MISCUE_LIMIT / $far : 1.0;
        $aim = $shot->aim + $error->aim * $random->normal() + ($slip < 1.0 ? 0.2 : 0.0);

        return new Shot($aim, min(Defaults::MAX_CUE_SPEED, $shot->speed * max(0.05, 1.0 + $error->speed * $random->normal())), new Tip($a * $slip, $b * $slip), $shot->elevation);
    }
}
