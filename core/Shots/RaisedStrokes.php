<?php

declare(strict_types=1);

namespace ZigLane\Core\Shots;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\Stroke;

/**
 * The strokes with a raised cue that jumps and swerves are tried with, the gentlest first: errors grow with the cue's elevation.
 */
final readonly class RaisedStrokes
{
    /** Elevations (degrees) and, for each, speeds (m/s) of a jump with the tip at the centre. */
    private const JUMPS = [[20, [3.0, 4.0]], [30, [2.5, 3.5, 4.5]], [40, [2.5, 3.5]], [50, [2.5, 3.5]]];

    /** Elevations (degrees), and speeds (m/s) and tips (radii to the side and up) of a swerve; each to either side. */
    private const SWERVES = [[10, [1.2, 1.8]], [20, [1.2, 1.8, 2.6]], [35, [1.2, 2.0]], [60, [1.5]]];
    private const TIPS = [[0.3, 0.0], [0.4, -0.2]];

    public function __construct(private Simulator $simulator) {}

    /**
     * A stroke that makes the shot, as gentle as can be; null when none of them does.
     *
     * @param Intent $intent of a jump or a swerve
     * @param bool   $few    look at one speed of each elevation but the steepest only, for a page that cannot wait
     */
    public function gentlest(Layout $layout, Pot $pot, Intent $intent, bool $few = false): ?SolvedShot
    {
        $solver = new ShotSolver($this->simulator);
        foreach (self::ladder($intent->kind, $few) as $rung) {
            $best = null;
            foreach ($rung as $stroke) {
                $solved = $solver->find($layout, $pot, $intent, $stroke);
                if (null !== $solved && (null === $best || $solved->width() > $best->width())) {
                    $best = $solved;
                }
            }
            if (null !== $best) {
                return $best;
            }
        }

        return null;
    }

    /**
     * All strokes of a kind, for a search that tries directions by itself.
     *
     * @return list<Stroke>
     */
    public static function all(ShotKind $kind): array
    {
        return array_merge(...iterator_to_array(self::ladder($kind, few: false), false));
    }

    /**
     * By elevation.
     *
     * @return iterable<list<Stroke>>
     */
    private static function ladder(ShotKind $kind, bool $few): iterable
    {
        $rungs = ShotKind::Jump === $kind ? self::JUMPS : self::SWERVES;
        foreach ($few ? \array_slice($rungs, 0, -1) : $rungs as [$degrees, $speeds]) {
            $rung = [];
            foreach ($few ? \array_slice($speeds, -1) : $speeds as $speed) {
                if (ShotKind::Jump === $kind) {
                    $rung[] = new Stroke($speed, 0.0, 0.0, deg2rad($degrees));
                    continue;
                }
                foreach (\array_slice(self::TIPS, $few ? 1 : 0) as [$side, $height]) {
                    $rung[] = new Stroke($speed, $side, $height, deg2rad($degrees));
                    $rung[] = new Stroke($speed, -$side, $height, deg2rad($degrees));
                }
            }
            yield $rung;
        }
    }
}
