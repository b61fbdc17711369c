<?php

declare(strict_types=1);

namespace ZigLane\Core\Photo;

use ZigLane\Core\Equipment\TableGeometry;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Numerics\LeastSquares;
use ZigLane\Core\Settings\Defaults;

/**
 * The camera worked out from where tips of the noses were pointed at: place, turn, focal length and distortion by least squares, begun
 * from the plane-to-picture mapping of the tips (Y. I. Abdel-Aziz and H. M. Karara, "Direct linear transformation from comparator
 * coordinates into object space coordinates in close-range photogrammetry", 1971; the split of the mapping into turn and place: Z. Zhang,
 * "A flexible new technique for camera calibration", IEEE PAMI 22, 2000).
 */
final readonly class CameraFit
{
    /** Focal lengths that are tried at first, in the picture's longer side. */
    private const FOCALS = [0.55, 0.72, 1.0, 1.5];

    /** Steps of the differences that carry the camera's uncertainty to a place, in the fit's own parameters. */
    private const STEP = 1e-4;

    /**
     * @param float             $spread     misfit in expected misfits: about 1 when the taps are right
     * @param float             $tapError   of one tip under the magnifier, px
     * @param list<list<float>> $covariance of the camera's changed() parameters
     */
    private function __construct(public PhotoCamera $camera, public float $spread, public float $tapError, private array $covariance) {}

    /**
     * @throws InvalidInput with too few taps, or when no camera could have seen them so
     */
    public static function of(Taps $taps, TableGeometry $geometry): self
    {
        if (\count($taps->at) < Taps::FEWEST) {
            throw new InvalidInput('tips', \sprintf('Point at %d tips at least', Taps::FEWEST));
        }
        $model = new TapModel($taps, $geometry);
        $best = null;
        try {
            $mapping = $model->mapping();
            foreach (self::FOCALS as $focal) {
                $start = $model->start($mapping, $focal);
                $fit = LeastSquares::fit(static fn(array $p): array => $model->residuals($start->changed($p)), array_fill(0, 8, 0.0));
                $cost = array_sum(array_map(static fn(float $r): float => $r * $r, $fit->residuals));
                if (null === $best || $cost < $best[0]) {
                    $best = [$cost, $start->changed($fit->parameters), $fit->covariance];
                }
            }
        } catch (\DomainException) {
            throw new InvalidInput('tips', 'These tips lie too nearly on a line: point at one at each corner');
        }
        [$cost, $camera, $covariance] = $best;

        // Two believed numbers count as readings beside two for each tap; eight are fitted.
        return new self($camera, sqrt($cost / (2 * \count($taps->at) + 2 - 8)), $model->error, $covariance);
    }

    /**
     * How far off a ball may be whose middle is seen there: m, 95 of 100 lie nearer.
     *
     * @param float $error of the point in the picture, px, one standard deviation
     */
    public function uncertainty(float $u, float $v, float $error): float
    {
        $height = Defaults::BALL_RADIUS;
        $at = fn(?PhotoCamera $camera, float $du, float $dv): Point => ($camera ?? $this->camera)->onHeight($u + $du, $v + $dv, $height)
            ?? new Point(1e3, 1e3);
        $slopes = [];
        for ($i = 0; $i < 8; ++$i) {
            $change = array_fill(0, 8, 0.0);
            $change[$i] = self::STEP;
            $ahead = $at($this->camera->changed($change), 0.0, 0.0);
            $change[$i] = -self::STEP;
            $back = $at($this->camera->changed($change), 0.0, 0.0);
            $slopes[] = [($ahead->x - $back->x) / (2 * self::STEP), ($ahead->y - $back->y) / (2 * self::STEP)];
        }
        $looser = max(1.0, $this->spread) ** 2;
        $xx = $xy = $yy = 0.0;
        foreach ($slopes as $i => [$ax, $ay]) {
            foreach ($slopes as $k => [$bx, $by]) {
                $c = $looser * $this->covariance[$i][$k];
                $xx += $c * $ax * $bx;
                $xy += $c * $ax * $by;
                $yy += $c * $ay * $by;
            }
        }
        foreach ([[1.0, 0.0], [0.0, 1.0]] as [$du, $dv]) {
            $ahead = $at(null, $du, $dv);
            $back = $at(null, -$du, -$dv);
            $sx = $error * ($ahead->x - $back->x) / 2;
            $sy = $error * ($ahead->y - $back->y) / 2;
            $xx += $sx * $sx;
            $xy += $sx * $sy;
            $yy += $sy * $sy;
        }
        $mean = ($xx + $yy) / 2;
        $half = sqrt((($xx - $yy) / 2) ** 2 + $xy * $xy);

        return self::circle(sqrt($mean + $half), sqrt(max(0.0, $mean - $half)));
    }

    /**
     * Radius of the circle that holds 95 of 100 of a normal spread with these two standard deviations.
     *
     * The first term is exact for a spread along a line, the sum for a round one; between them it is right to 1 %.
     */
    private static function circle(float $long, float $short): float
    {
        $ratio = $long > 0.0 ? $short / $long : 0.0;

        return $long * (1.96 + (2.4477 - 1.96) * $ratio ** 1.8);
    }
}
