<?php

declare(strict_types=1);

namespace ZigLane\Core\Experiments;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\Stroke;
use ZigLane\Core\Potting\NoPot;
use ZigLane\Core\Potting\PotChance;
use ZigLane\Core\Potting\ShotSampler;
use ZigLane\Core\Rack\Playable;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Reading\FromHere;
use ZigLane\Core\Reading\Openings;
use ZigLane\Core\Settings\Defaults;

/**
 * Plays as people do without a plan: looks one ball ahead, with centre-ball, follow and draw strokes at three speeds and no side,
 * imagines where the cue ball stops when nothing goes wrong, and judges what that leaves a little wrong (our own choices, made to be
 * sensible; common practice, no source).
 */
final class People implements Policy
{
    /** Balls and pockets thought about, the likeliest first. */
    private const THOUGHT = 3;

    /** Heights of the tip (radii), and speeds as times that of an easy pot. */
    private const HEIGHTS = [0.28, 0.0, -0.35];
    private const SPEEDS = [0.8, 1.0, 1.35];

    /** How wrong a judgement is: a normal error of the logarithm of what is judged. */
    private const WRONG = 0.3;

    /** With the ball in hand: so far behind the ball (m), at such angles to its line (rad). */
    private const BEHIND = [0.45, 0.3];
    private const ANGLES = [0.0, 0.3, -0.3];

    /** Balls thought of as the next one; cuts thought of as possible, rad; chances below this need not be exact. */
    private const NEXT = 2;
    private const WIDEST = 1.2;
    private const ROUGH = 0.3;

    /** Places of the ball in hand that are thought about. */
    private const PLACES = 4;

    /** A place that leaves no shot is worth so little. */
    private const NOTHING = 0.02;

    private readonly Generator $judgement;

    public function __construct(int $seed = 1)
    {
        $this->judgement = new Generator($seed);
    }

    public function next(Rack $rack): ?array
    {
        $best = null;
        $most = -1.0;
        foreach ($this->laid($rack) as $laid) {
            $chosen = $this->chosen($laid);
            if (null !== $chosen && $chosen[1] > $most) {
                [$called, $most] = $chosen;
                $best = [$laid, $called];
            }
        }

        return $best;
    }

    /**
     * The rack as it lies, or with the ball in hand put behind the easiest balls.
     *
     * @return list<Rack>
     */
    private function laid(Rack $rack): array
    {
        if (!$rack->ballInHand) {
            return [$rack];
        }
        $simulator = $rack->simulator();
        $laid = [];
        foreach ($rack->rules()->legalTargets($rack->layout) as $ball) {
            foreach (\array_slice(Openings::goingOf($simulator, $rack->layout, $ball), 0, 1) as $opening) {
                $pot = new PotChance($simulator, $rack->layout->without(BallId::CUE), new Pot($ball, $opening->pocket), $rack->player);
                foreach (self::ANGLES as $angle) {
                    foreach (self::BEHIND as $far) {
                        $place = $rack->layout->ball($ball)->toward($pot->window()->toward + $angle, -$far);
                        $isRoom = Playable::hasRoom($simulator, $rack->layout, $place);
                        $chance = $isRoom ? $pot->fromPlace($place->x, $place->y)->chance : 0.0;
                        if ($chance > 0.0) {
                            $laid[] = [$chance, $rack->withBall(BallId::CUE, $place)->withBallInHand(false)];
                            break;
                        }
                    }
                }
            }
        }

        usort($laid, static fn(array $a, array $b): int => $b[0] <=> $a[0]);

        return array_column(\array_slice($laid, 0, self::PLACES), 1);
    }

    /**
     * The shot that looks best, and how good it looks.
     *
     * @return array{Called, float}|null
     */
    private function chosen(Rack $rack): ?array
    {
        $cue = $rack->layout->ball(BallId::CUE);
        $best = null;
        $most = 0.0;
        foreach ($this->thought($rack, $cue) as [$pot, $speed, $easy]) {
            $chance = new PotChance($rack->simulator(), $rack->layout, $pot, $rack->player);
            $sampler = new ShotSampler($rack->simulator(), $rack->layout, $pot);
            foreach (self::SPEEDS as $times) {
                foreach (self::HEIGHTS as $height) {
                    $stroke = $chance->line($cue, new Stroke(min($speed * $times, Defaults::MAX_CUE_SPEED), 0.0, $height));
                    $state = $stroke instanceof NoPot ? null : $sampler->run($stroke);
                    if ($stroke instanceof NoPot || null === $state || !$sampler->pots($state) || $sampler->scratches($state)) {
                        continue;
                    }
                    // Harder strokes are less sure, as everyone knows.
                    $looks = $easy / $times ** 0.2 * self::leaves($rack, $sampler->table($state));
                    $looks *= exp(self::WRONG * $this->judgement->normal());
                    if ($looks > $most) {
                        $most = $looks;
                        $best = new Called($pot->ball, $pot->pocket, Shot::of($stroke));
                    }
                }
            }
        }

        return null === $best ? null : [$best, $most];
    }

    /**
     * Pots that come to mind: with the speed of an easy stroke, m/s, and the chance.
     *
     * @return list<array{Pot, float, float}>
     */
    private function thought(Rack $rack, Point $cue): array
    {
        $thought = [];
        foreach (FromHere::now($rack, $cue) as $from) {
            foreach ($from->pots as [$pocket, $read]) {
                $thought[] = [new Pot($from->ball, $pocket), $read->speed, $read->chance];
            }
        }
        usort($thought, static fn(array $a, array $b): int => $b[2] <=> $a[2]);

        return \array_slice($thought, 0, self::THOUGHT);
    }

    /** The chance of the next ball from where the cue ball stops. */
    private static function leaves(Rack $rack, Layout $layout): float
    {
        if ($rack->rules()->isOver($layout) || [] === $rack->rules()->legalTargets($layout)) {
            return 1.0;
        }

        $cue = $layout->ball(BallId::CUE);
        $balls = $rack->rules()->legalTargets($layout);
        $balls = $layout->nearestTo($cue, $balls);
        $best = self::NOTHING;
        foreach (\array_slice($balls, 0, self::NEXT) as $ball) {
            foreach (Pocket::cases() as $pocket) {
                $chance = new PotChance($rack->simulator(), $layout, new Pot($ball, $pocket), $rack->player);
                if (abs($chance->cutFrom($cue->x, $cue->y)) < self::WIDEST) {
                    $best = max($best, $chance->fromPlace($cue->x, $cue->y, self::ROUGH)->chance);
                }
            }
        }

        return $best;
    }
}
