<?php

declare(strict_types=1);

namespace ZigLane\Core\Physics;

use ZigLane\Core\Equipment\BallSpec;
use ZigLane\Core\Equipment\CueSpec;

/**
 * The instant of the stroke: what the cue ball has when the tip has left it.
 *
 * The tip gives an impulse J along the cue, J = (1 + e) V m / (1 + m/M + 5/2 (a² + b²)), from conservation of momentum
 * and angular momentum with restitution e between tip and ball; a, b are the offsets in radii. With d the direction of
 * the cue over the bed, s the player's right, z up and ε the elevation, J points along d cosε − z sinε, the tip
 * touches at R (a s + b (d sinε + z cosε) − √(1−a²−b²) (d cosε − z sinε)), and r × J gives
 *
 *   ω = (5 J / 2 m R) (b s − a z cosε − a d sinε)
 *
 * A raised cue drives the ball into the cloth with J sinε / m: it is thrown back, or stays down, and rubs, as on landing from a jump
 * (Internal\Flight). Side offset with a raised cue leaves spin about the line of travel, and the ball swerves. Squirt: a side offset
 * pushes the cue's end aside and the ball the other way, tan α = (5/2) a √(1−a²) / (1 + k + (5/2)(1−a²)); after R. Shepard, "Everything
 * you always wanted to know about cue ball squirt, but were afraid to ask", 2001. It turns J in the plane of the cue and s: over the
 * bed, where the cue's own part is shortened by cosε, the angle grows to tan α / cosε.
 *
 * "Right" is d turned by +90° because y runs from the left rail to the right one; see Internal\Kernel.
 */
final class CueStrike
{
    private function __construct() {}

    /** What a stroke gives the cue ball. */
    public static function of(AimedStroke $aimed, CueSpec $cue, BallSpec $ball): Motion
    {
        $stroke = $aimed->stroke;
        $a = $stroke->side;
        $b = $stroke->height;
        $v = (1.0 + $cue->tipRestitution) * $stroke->speed
            / (1.0 + $ball->mass / $cue->mass + 2.5 * ($a * $a + $b * $b));
        $way = $aimed->aim - self::squirt($a, $cue, $stroke->elevation);
        $dx = cos($way);
        $dy = sin($way);
        $spin = 2.5 * $v / $ball->radius;
        $cosE = cos($stroke->elevation);
        $sinE = sin($stroke->elevation);
        $level = $v * (0.0 === $stroke->elevation ? 1.0 : self::levelPart(self::squirt($a, $cue), $cosE));

        return new Motion(
            $level * $dx,
            $level * $dy,
            $spin * (-$b * $dy - $a * $sinE * $dx),
            $spin * ($b * $dx - $a * $sinE * $dy),
            -$spin * $a * $cosE,
            -$v * $sinE,
        );
    }

    /**
     * The cue ball's speed as a share of the cue's, for a tip offset in radii and a level cue.
     */
    public static function gain(float $side, float $height, CueSpec $cue, BallSpec $ball): float
    {
        return (1 + $cue->tipRestitution) / (1 + $ball->mass / $cue->mass + 2.5 * ($side * $side + $height * $height));
    }

    /**
     * How far the ball leaves to the side away from the tip, rad; positive for a tip on the right (it leaves left).
     *
     * @param float $side      of the tip, ball radii
     * @param float $elevation of the cue, rad
     */
    public static function squirt(float $side, CueSpec $cue, float $elevation = 0.0): float
    {
        $rest = 1.0 - $side * $side;
        $level = atan2(2.5 * $side * sqrt($rest), 1.0 + $cue->endMassRatio + 2.5 * $rest);

        return 0.0 === $elevation ? $level : atan2(sin($level), cos($level) * cos($elevation));
    }

    /** Share of the impulse that goes over the bed, for a squirt (rad) and the cosine of the elevation. */
    private static function levelPart(float $squirt, float $cosE): float
    {
        return hypot(cos($squirt) * $cosE, sin($squirt));
    }
}
