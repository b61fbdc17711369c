<?php

declare(strict_types=1);

namespace ZigLane\Core\Rack;

use ZigLane\Core\Aiming\AimRefused;
use ZigLane\Core\Aiming\AimRequest;
use ZigLane\Core\Aiming\AimSolution;
use ZigLane\Core\Aiming\AimSolver;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\LeastElevation;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\ShotResult;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\Stroke;
use ZigLane\Core\Physics\TableLengths;
use ZigLane\Core\Settings\Defaults;
use ZigLane\Core\Shots\ShotSolver;

/**
 * A shot as stated, aimed, and with the cue raised where a rail or a ball behind it forces that: the one place where it is decided
 * how a stated shot is played.
 */
final readonly class StatedShot
{
    /**
     * @param AimSolution|null $aim   how the aim came about; null when a direction was given
     * @param float            $least elevation that the table forces, rad; INF when not even the steepest cue would do
     */
    private function __construct(public Shot $shot, public ?AimSolution $aim, public ShotResult $result, public float $least) {}

    /**
     * Played on a layout.
     *
     * @throws AimRefused   when there is no direct shot
     * @throws InvalidInput when the stroke cannot be played
     */
    public static function play(Simulator $simulator, ShotSpec $spec, Layout $layout): self
    {
        $speed = $spec->speed->on(new TableLengths($simulator));
        $least = static fn(float $aim): float => LeastElevation::of($layout, $aim, $spec->tip, $simulator->geometry, $simulator->ball);
        $raised = static fn(float $least): float => max(deg2rad($spec->elevationDeg), min($least, deg2rad(Defaults::MAX_ELEVATION_DEG)));
        if (null !== $spec->aimDeg) {
            $aim = deg2rad($spec->aimDeg);
            $need = $layout->has(BallId::CUE) ? $least($aim) : 0.0;
            $shot = new Shot($aim, $speed, $spec->tip, $raised($need));

            return new self($shot, null, $simulator->play($layout, $shot), $need);
        }
        if (null === $spec->ball || null === $spec->pocket) {
            throw new InvalidInput('shot', 'needs aimDeg, or ball and pocket');
        }
        if (!$spec->intent->isPlain()) {
            return self::ofKind($simulator, $spec, new Pot($spec->ball, $spec->pocket), $layout);
        }
        $solver = new AimSolver($simulator);
        // Of a ball that is gone the solver says so.
        $there = $layout->has(BallId::CUE) && $layout->has($spec->ball);
        $need = $there ? $least($layout->ball(BallId::CUE)->angleTo($layout->ball($spec->ball))) : 0.0;
        $solved = static fn(float $elevation): AimSolution => $solver->solve(
            $layout,
            new AimRequest($spec->ball, $spec->pocket, $speed, $spec->tip, $elevation, $spec->offset),
        );
        $solution = $solved($raised($need));
        // The true direction differs from "at the ball": what stands behind the cue may differ too.
        $own = $least($solution->shot->aim);
        if (abs($raised($own) - $raised($need)) > 1e-9) {
            $need = $own;
            $solution = $solved($raised($own));
        }

        return new self($solution->shot, $solution, $solution->result, $need);
    }

    /**
     * A shot that is not a plain pot.
     *
     * @throws AimRefused
     */
    private static function ofKind(Simulator $simulator, ShotSpec $spec, Pot $pot, Layout $layout): self
    {
        $speed = $spec->speed->on(new TableLengths($simulator));
        $solver = new ShotSolver($simulator);
        $most = deg2rad(Defaults::MAX_ELEVATION_DEG);
        $elevation = deg2rad($spec->elevationDeg);
        $solved = null;
        $least = 0.0;
        // What stands behind the cue is known when its direction is.
        for ($time = 0; $time < 2; ++$time) {
            $stroke = new Stroke($speed, $spec->tip->side, $spec->tip->height, $elevation);
            $solved = $solver->solve($layout, $pot, $spec->intent, $stroke, $spec->offset);
            $least = LeastElevation::of($layout, $solved->shot->aim, $spec->tip, $simulator->geometry, $simulator->ball);
            $raised = max(deg2rad($spec->elevationDeg), min($least, $most));
            if ($raised <= $elevation + 1e-9) {
                break;
            }
            $elevation = $raised;
        }

        return new self($solved->shot, null, $solved->result, $least);
    }
}
