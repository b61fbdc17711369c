<?php

declare(strict_types=1);

namespace ZigLane\Core\Logbook\Fit;

use ZigLane\Core\Numerics\NormalDistribution;

/**
 * One way in which an attempt may have come about: errors that send the cue ball to where it stopped, and how the stop changes with them.
 *
 * @internal
 */
final readonly class ErrorMode
{
    /**
     * @param list<float>                 $errors  aim (rad), speed (share), tip to the side and in height (m)
     * @param array{float, float}         $stop    where the cue ball stops under them, m
     * @param list<array{float, float}>  $slopes  of that stop by each of the errors
     * @param list<array{float, float}>  $windows errors of aim with which the ball drops, the others being so, rad
     */
    public function __construct(public array $errors, public array $stop, public array $slopes, public array $windows) {}

    /**
     * Density of the stop that was seen, in closed form about this mode: a normal distribution, times the chance that the ball dropped, or
     * did not, given that stop.
     *
     * @param array{float, float} $seen    m
     * @param bool                $dropped whether the ball did
     * @param list<float>         $means   of the errors
     * @param list<float>         $squares of their standard deviations
     * @param float               $reading standard error with which a stop is read, m
     *
     * @return float 1/m²
     */
    public function density(array $seen, bool $dropped, array $means, array $squares, float $reading): float
    {
        // What is left unexplained by the mean errors, and its covariance.
        [$dx, $dy] = [$seen[0] - $this->stop[0], $seen[1] - $this->stop[1]];
        $xx = $yy = $reading ** 2;
        $xy = 0.0;
        foreach ($this->slopes as $n => [$x, $y]) {
            $off = $means[$n] - $this->errors[$n];
            $dx -= $x * $off;
            $dy -= $y * $off;
            $xx += $x * $x * $squares[$n];
            $xy += $x * $y * $squares[$n];
            $yy += $y * $y * $squares[$n];
        }
        $det = $xx * $yy - $xy * $xy;
        if ($det <= 0.0) {
            return 0.0;
        }
        [$wx, $wy] = [($yy * $dx - $xy * $dy) / $det, ($xx * $dy - $xy * $dx) / $det];
        $normal = exp(-0.5 * ($dx * $wx + $dy * $wy)) / (2 * M_PI * sqrt($det));
        // The error of aim, given the stop.
        [$ax, $ay] = $this->slopes[0];
        $mean = $means[0] + $squares[0] * ($ax * $wx + $ay * $wy);
        $known = $squares[0] ** 2 * ($ax * ($yy * $ax - $xy * $ay) + $ay * ($xx * $ay - $xy * $ax)) / $det;
        $spread = sqrt(max(1e-16, $squares[0] - $known));
        $share = 0.0;
        foreach ($this->windows as [$low, $high]) {
            $share += NormalDistribution::share(($high - $mean) / $spread) - NormalDistribution::share(($low - $mean) / $spread);
        }

        return $normal * max(0.0, $dropped ? $share : 1 - $share);
    }
}
