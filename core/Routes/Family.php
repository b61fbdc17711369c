<?php

declare(strict_types=1);

namespace ZigLane\Core\Routes;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Geometry\Angle;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\ListOf;
use ZigLane\Core\Physics\AimedStroke;
use ZigLane\Core\Physics\BallStates;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;

/**
 * What a cue ball does on its way, in the trade's words: which cushions in which order, with which stroke and spin. Routes of
 * one family are the same idea hit a little differently.
 */
final readonly class Family
{
    /** Rolling share of the cue ball's speed at the contact, forward positive, beyond which it is not stun. */
    private const STUN = 0.18;

    /** Tip to the side, in ball radii, from which it counts. */
    private const SIDE = 0.12;

    /** A cue ball that goes no further than this after the contact has stopped, m. */
    private const STOPPED = 0.15;

    /** Cuts below this (rad) are straight shots: no side is inside. */
    private const STRAIGHT = 0.03;

    /** Follow struck harder than this is forced, m/s. */
    private const FORCED = 3.0;

    /**
     * @param list<string> $rails  after the contact, in order
     * @param string       $stroke "stop", "stun", "draw", "follow", "force follow", "drag" or "drag draw"
     * @param string       $side   "", "inside" or "outside"
     * @param string       $spin   at the first cushion: "", "running" or "reverse"
     */
    public function __construct(
        #[ListOf('string')]
        public array $rails,
        public string $stroke,
        public string $side,
        public string $spin,
    ) {}

    /** Of a stroke that pots a ball. */
    public static function played(Simulator $simulator, Layout $layout, AimedStroke $aimed, Pot $pot): self
    {
        $whole = $simulator->struck($layout, $aimed);
        $simulator->run($whole, record: true);
        $hit = $simulator->struck($layout, $aimed);
        $simulator->run($hit, record: true, stopAtHit: true);
        $ball = $layout->ball($pot->ball);
        $toward = $ball->angleTo($simulator->geometry->pocket($pot->pocket)->entrance($ball));
        $cut = $toward - $layout->ball(BallId::CUE)->angleTo(new Point($hit->x[0], $hit->y[0]));

        return self::of($whole, $hit, $aimed, Angle::wrap($cut), $simulator->ball->radius);
    }

    /**
     * @param BallStates  $whole  the shot, recorded
     * @param BallStates  $hit    the same, stopped at the contact, recorded
     * @param float       $cut    rad, positive to the right
     * @param float       $radius of a ball, m
     */
    public static function of(BallStates $whole, BallStates $hit, AimedStroke $aimed, float $cut, float $radius): self
    {
        $tip = $aimed->stroke->side;
        $rolling = self::rolling($hit, $radius);
        $path = CushionPath::of($whole, $hit->time, $tip);
        $travel = hypot($whole->x[0] - $hit->x[0], $whole->y[0] - $hit->y[0]);
        $low = $aimed->stroke->height < -self::SIDE;
        $stroke = match (true) {
            [] === $path->rails && $travel < self::STOPPED => 'stop',
            $rolling < -self::STUN => 'draw',
            $rolling <= self::STUN => $low ? 'drag stun' : 'stun',
            $low => 'drag',
            $aimed->stroke->speed > self::FORCED => 'force follow',
            default => 'follow',
        };
        $side = abs($tip) < self::SIDE || abs($cut) < self::STRAIGHT ? '' : (($tip > 0) === ($cut > 0) ? 'inside' : 'outside');

        return new self($path->rails, $stroke, $side, abs($tip) < self::SIDE ? '' : $path->spin);
    }

    /** Rolling share of the cue ball's speed as it met the ball: as at the end of its last piece before. */
    private static function rolling(BallStates $hit, float $radius): float
    {
        $vx = $vy = 0.0;
        foreach ($hit->paths[0] ?? [] as $piece) {
            $vx = $piece->vx + $piece->ax * ($piece->to - $piece->from);
            $vy = $piece->vy + $piece->ay * ($piece->to - $piece->from);
        }

        return $radius * ($hit->wy[0] * $vx - $hit->wx[0] * $vy) / max($vx * $vx + $vy * $vy, 1e-9);
    }

    /** The same idea in one word, to compare by. */
    public function key(): string
    {
        return implode('-', $this->rails) . '|' . $this->stroke . '|' . $this->side;
    }
}
