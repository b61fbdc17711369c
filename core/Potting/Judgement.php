<?php

declare(strict_types=1);

namespace ZigLane\Core\Potting;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Physics\AimedStroke;
use ZigLane\Core\Physics\EventType;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Player\Execution;
use ZigLane\Core\Player\ExecutionError;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Player\Stance;
use ZigLane\Core\Settings\Defaults;

/**
 * A line off a cushion is judged, not seen: how much larger that makes the error of aim. Told by playing the stroke once without an
 * error: cushions that the cue ball takes before the first ball, and those that a ball takes on its way to its pocket.
 */
final readonly class Judgement
{
    /** More cushions than these do not make it worse. */
    private const MOST = 3;

    /** Contacts with rubber after which a stroke is given up. */
    private const MOST_RAILS = 24;

    public function __construct(private Simulator $simulator, private Layout $layout) {}

    /** The errors of a player's stroke as it is judged. */
    public function errors(Player $player, AimedStroke $stroke): ExecutionError
    {
        $stance = Stance::of($player, $this->layout->ball(BallId::CUE), $stroke->aim, $this->simulator->geometry);
        $radius = $this->simulator->ball->radius;
        $error = Execution::errors($player, $stroke->stroke->elevation, $stroke->stroke->speed, $stance, $radius);
        $times = $this->times($stroke);

        return 1.0 === $times ? $error : new ExecutionError($error->aim * $times, $error->speed, $error->tip);
    }

    /** How many times as large as on a straight shot the error of aim is, from 1. */
    public function times(AimedStroke $stroke): float
    {
        $state = $this->simulator->struck($this->layout, $stroke);
        $this->simulator->run($state, record: true, mostRails: self::MOST_RAILS);
        $hit = false;
        $kicked = $banked = 0;
        $rails = [];
        foreach ($state->events as $event) {
            if (EventType::BallBall === $event->type) {
                $hit = true;
            } elseif (EventType::BallCushion === $event->type) {
                $kicked += $hit ? 0 : 1;
                $rails[$event->slot] = ($rails[$event->slot] ?? 0) + 1;
            } elseif (EventType::Pocketed === $event->type && 0 !== $event->slot) {
                $banked = $rails[$event->slot] ?? 0;
                break;
            }
        }

        return 1.0
            + Defaults::ERROR_PER_RAIL_KICKED * min(self::MOST, $kicked)
            + Defaults::ERROR_PER_RAIL_BANKED * min(self::MOST, $banked);
    }
}
