<?php

declare(strict_types=1);

namespace ZigLane\Core\Potting;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\AimedStroke;
use ZigLane\Core\Physics\BallStates;
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

    /** Number of the first long rail in what was recorded. */
    private const LONG_RAILS = 2;

    /** Contacts with rubber after which a stroke is given up. */
    private const MOST_RAILS = 24;

    /** A ball that comes to a rail at less than this (sine of the angle) runs along it to its pocket: nobody calls that a bank. */
    private const ALONG = 0.17;

    /** A rail that is touched so near to the mouth of the pocket leads into it: nobody calls that a bank either, m. */
    public const AT_THE_POCKET = 0.2;

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

    /**
     * Whether a ball that comes from one place to a rail at another is banked off it, and not sent along it, or into a pocket beside it.
     *
     * @param bool       $long  the rail is a long one
     * @param Point|null $mouth of the pocket that the ball drops in; null for none
     */
    public static function isBank(Point $from, Point $at, bool $long, ?Point $mouth): bool
    {
        if (null !== $mouth && $at->distanceTo($mouth) < self::AT_THE_POCKET) {
            return false;
        }
        $into = $long ? abs($at->y - $from->y) : abs($at->x - $from->x);

        return $into > self::ALONG * $from->distanceTo($at);
    }

    /** Middle of the mouth that a ball drops in; null where it stays on the table, or leaves it. */
    private function mouth(BallStates $state, int $slot): ?Point
    {
        return !$state->isDown($slot) || $state->isOff($slot)
            ? null
            : $this->simulator->geometry->pocket(Pocket::at($state->pocket[$slot]))->mouthMiddle();
    }

    /** How many times as large as on a straight shot the error of aim is, from 1. */
    public function times(AimedStroke $stroke): float
    {
        $state = $this->simulator->struck($this->layout, $stroke);
        $this->simulator->run($state, record: true, mostRails: self::MOST_RAILS);
        $hit = false;
        $kicked = $banked = 0;
        $rails = [];
        $from = array_values($this->layout->balls);
        foreach ($state->events as $event) {
            if (EventType::BallBall === $event->type) {
                $hit = true;
            } elseif (EventType::BallCushion === $event->type) {
                $kicked += $hit ? 0 : 1;
                $at = new Point($event->x, $event->y);
                $mouth = $this->mouth($state, $event->slot);
                $isBank = self::isBank($from[$event->slot], $at, $event->other >= self::LONG_RAILS, $mouth);
                $rails[$event->slot] = ($rails[$event->slot] ?? 0) + ($isBank ? 1 : 0);
                $from[$event->slot] = $at;
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
