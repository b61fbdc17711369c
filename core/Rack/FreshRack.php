<?php

declare(strict_types=1);

namespace ZigLane\Core\Rack;

use ZigLane\Core\Aiming\AimRefused;
use ZigLane\Core\Aiming\AimRequest;
use ZigLane\Core\Aiming\AimSolver;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Games\Game;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\EventType;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\ShotResult;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Player\ErrorSample;
use ZigLane\Core\Player\Execution;
use ZigLane\Core\Player\ExecutionError;
use ZigLane\Core\Player\Player;

/**
 * A rack as a legal break leaves it, simulated; the same number always gives the same rack.
 *
 * In nine-ball, ten-ball and eight-ball the balls are broken hard from the head string. In straight pool the rack of fourteen
 * is opened by a break shot, as it is in the middle of a run: the break ball beside it is potted, and the cue ball goes on into
 * the balls. Breaks that scratch, drop the money ball or the eight, or are not legal are played again with the next numbers.
 */
final readonly class FreshRack
{
    /** Cue speed of a break shot, m/s (common practice, no source). */
    public const SHOT_SPEED = 3.6;

    /** A break differs less from the next in speed than a player's other strokes do: by this share of the error (our own choice). */
    private const BREAK_SPREAD = 0.4;
    private const SHOT_SPREAD = 0.3;

    /** A legal break drops a ball or sends so many to a rail (WPA rules, from memory). */
    private const TO_RAIL = 4;

    /** Breaks tried before giving up. */
    private const MOST = 200;

    /**
     * @param Rack $rack      cue ball where the break left it
     * @param int  $dropped   balls that the break potted
     * @param int  $tries     breaks until this one
     */
    private function __construct(public Rack $rack, public int $dropped, public int $tries) {}

    /**
     * @param int $number repeats the rack
     */
    public static function broken(
        GameName $game,
        int $number,
        Player $player,
        Table $table = new Table(),
        BreakStroke $stroke = new BreakStroke(),
    ): self {
        $random = new Generator(1_000_003 * $number + $game->seed());
        $rules = $game->rules();
        $simulator = new Simulator($table);
        for ($try = 1; $try <= self::MOST; ++$try) {
            $left = $rules->endsWithBreakShot() ? self::opened($simulator, $rules, $random, $player) : self::struck(
                $simulator,
                $rules,
                $random,
                $player,
                $stroke,
            );
            if (null !== $left) {
                [$layout, $dropped] = $left;

                return new self(
                    new Rack(
                        \sprintf('Break %d, %s', $number, str_replace('-', ' ', $game->value)),
                        $game,
                        $table,
                        $layout,
                        player: $player,
                    ),
                    $dropped,
                    $try,
                );
            }
        }
        throw new \LogicException('No legal break in ' . self::MOST . ' tries.');
    }

    /**
     * @return array{Layout, int}|null
     */
    private static function struck(Simulator $simulator, Game $game, Generator $random, Player $player, BreakStroke $stroke): ?array
    {
        [$layout, $result] = self::tried($simulator, $game, $random, $player, $stroke);
        $dropped = \count($result->pocketed);

        return $result->scratched() || [] !== array_filter(
            array_keys($result->pocketed),
            $game->spoilsBreak(...),
        ) || !self::isLegal($result)
            ? null
            : [$result->final, $dropped];
    }

    /**
     * One break, whatever comes of it.
     *
     * @return array{Layout, ShotResult} as racked, without the cue ball, and what it did
     */
    public static function tried(Simulator $simulator, Game $game, Generator $random, Player $player, BreakStroke $stroke): array
    {
        $layout = RackUp::layout($simulator, $game, $random, $stroke->gap);
        $cue = $simulator->table->size->pointAt(BreakStroke::FROM_HEAD, 2.0 + $stroke->aside + $random->between(-0.05, 0.05));
        $error = new ExecutionError($player->aim, self::BREAK_SPREAD * $player->speed, $player->tip / $simulator->ball->radius);
        $meant = $stroke->shot($layout, $cue, 2 * $simulator->ball->radius);
        $shot = Execution::shot($error, new ErrorSample($random->normal(), $random->normal(), 0.0, $random->normal()), $meant);

        return [$layout, $simulator->play($layout->with(BallId::CUE, $cue), $shot)];
    }

    /** Whether a break drops a ball or sends enough to a rail. */
    public static function isLegal(ShotResult $result): bool
    {
        return [] !== array_diff_key($result->pocketed, [BallId::CUE => true]) || self::toRail($result) >= self::TO_RAIL;
    }

    /**
     * The break shot of straight pool.
     *
     * @return array{Layout, int}|null
     */
    private static function opened(Simulator $simulator, Game $game, Generator $random, Player $player): ?array
    {
        $rack = RackUp::layout($simulator, $game, $random);
        // The ball at the apex is the break ball, beside the rack; the cue ball lies behind it.
        $apex = RackUp::apex($rack);
        $side = 0 === $random->integer(0, 1) ? -1.0 : 1.0;
        $size = $simulator->table->size;
        $break = $size->pointAt($random->between(5.9, 6.5), 2.0 + $side * $random->between(0.72, 0.95));
        $cue = $size->pointAt($random->between(4.6, 5.1), 2.0 + $side * $random->between(0.9, 1.35));
        $layout = $rack->with($apex, $break)->with(BallId::CUE, $cue);
        $pocket = $side < 0 ? Pocket::FootLeft : Pocket::FootRight;
        try {
            $aim = (new AimSolver($simulator))->solve($layout, new AimRequest($apex, $pocket, self::SHOT_SPEED, new Tip(0.0, 0.15)));
        } catch (AimRefused) {
            return null;
        }
        $error = new ExecutionError(0.0, self::SHOT_SPREAD * $player->speed, 0.0);
        $meant = new Shot($aim->shot->aim, self::SHOT_SPEED, new Tip(0.0, 0.15));
        $shot = Execution::shot($error, new ErrorSample(0.0, $random->normal(), 0.0, 0.0), $meant);
        $result = $simulator->play($layout, $shot);
        $moved = 0;
        foreach ($result->final->objectBalls() as $ball) {
            $moved += $result->final->ball($ball)->distanceTo($layout->ball($ball)) > 0.1 ? 1 : 0;
        }

        return $result->scratched() || !isset($result->pocketed[$apex]) || $moved < 8 ? null : [$result->final, \count($result->pocketed)];
    }

    private static function toRail(ShotResult $result): int
    {
        $balls = [];
        foreach ($result->events as $event) {
            if (EventType::BallCushion === $event->type && BallId::CUE !== $event->balls[0]) {
                $balls[$event->balls[0]] = true;
            }
        }

        return \count($balls);
    }
}
