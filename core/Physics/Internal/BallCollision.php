<?php

declare(strict_types=1);

namespace ZigLane\Core\Physics\Internal;

use ZigLane\Core\Equipment\BallSpec;

/**
 * Two equal balls meet.
 *
 * Normal impulse from restitution; the tangential impulse opposes the slip of the two surfaces, horizontal and
 * vertical together, and is at most μ(u) times the normal one and at most the m|u|/7 that ends the slip: each ball's
 * surface gains 1/m from being pushed and R²/I = 5/(2m) from being turned, together 7/m for the pair.
 * After R. E. Wallace and M. C. Schroeder, "Analysis of billiard ball collisions in two dimensions",
 * Am. J. Phys. 56, 1988, with friction that depends on the slip.
 */
final class BallCollision
{
    /**
     * Balls part at least this fast, m/s. Without it a ball that keeps pressing on another would meet it infinitely
     * often; the energy it may add is below 2 nJ a contact, far less than the cloth takes while the ball presses.
     */
    public const LEAST_PARTING = 2e-4;

    private function __construct() {}

    /**
     * @param float $vn  speed at which the balls approach along the line of centres, m/s, ≥ 0
     * @param float $ut  slip of ball 1's surface over ball 2's along t = ẑ × n, m/s
     * @param float $uz  the same upward, m/s
     *
     * @return array{float, float, float} impulses per mass, m/s: normal (ball 1 gets −n, ball 2 +n), and what ball 1
     *                                    gets along t and upward (ball 2 the opposite)
     */
    public static function impulses(BallSpec $ball, float $vn, float $ut, float $uz): array
    {
        $parting = $ball->restitution * $vn;
        if ($parting < self::LEAST_PARTING) {
            $parting = self::LEAST_PARTING;
        }
        $normal = 0.5 * ($vn + $parting);
        $slip = sqrt($ut * $ut + $uz * $uz);
        if ($slip < 1e-12) {
            return [$normal, 0.0, 0.0];
        }
        $friction = ($ball->frictionFloor + $ball->frictionRise * exp(-$ball->frictionFall * $slip)) * $normal;
        $enough = $slip / 7.0;
        $size = ($friction < $enough ? $friction : $enough) / $slip;

        return [$normal, -$ut * $size, -$uz * $size];
    }
}
