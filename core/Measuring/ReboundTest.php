<?php

declare(strict_types=1);

namespace ZigLane\Core\Measuring;

use ZigLane\Core\InvalidInput;
use ZigLane\Core\Physics\CushionRebound;
use ZigLane\Core\Physics\Motion;
use ZigLane\Core\Settings\Defaults;

/**
 * A ball rolls, without side, from a mark into a rail and back until it is as far from the rail as it began: so far along
 * the rail going in, so far coming out. The curve it makes while its spin settles is part of the reading.
 */
final readonly class ReboundTest implements Measurement
{
    /** Speed of a lag's ball at the rail, m/s. */
    private const PACE = 1.3;

    /**
     * @param float $off  from the contact with the rail to the mark, square to the rail, m
     * @param float $in   along the rail from mark to contact, m
     * @param float $out  along the rail from contact to where it is as far off again, m
     */
    public function __construct(private string $name, public float $off, public float $in, public float $out) {}

    public function name(): string
    {
        return $this->name;
    }

    public function about(): array
    {
        return [Parameter::Restitution, Parameter::Friction];
    }

    public function readings(): array
    {
        return [$this->out];
    }

    public function errors(): array
    {
        // Both ways are read.
        return [M_SQRT2 * Defaults::READING_ERROR];
    }

    public function predicted(Guess $guess, float $speed): array
    {
        $length = hypot($this->in, $this->off);
        $vx = $speed * $this->in / $length;
        $vy = $speed * $this->off / $length;
        // A radius of 1 m: the law knows no length.
        $back = CushionRebound::of(Motion::rolling($vx, $vy, 1.0), 1.0, $guess->table->cushion);

        return [self::crossing(new Motion($back->vx, -$back->vy, $back->wx, $back->wy), $guess->table->cloth->slide, $this->off)];
    }

    public function speed(): array
    {
        // "At about lag speed."
        return [self::PACE, 0.25];
    }

    public function assertPossible(): void
    {
        if ($this->in < 0.3 * $this->off || $this->in > 3.0 * $this->off) {
            throw new InvalidInput(
                $this->name,
                \sprintf(
                    '%.2f m along for %.2f m off the rail is too %s an angle to tell grip from bounce; take between 30° and 60°',
                    $this->in,
                    $this->off,
                    $this->in < $this->off ? 'steep' : 'flat',
                ),
            );
        }
        $outs = [];
        foreach ([0.7, 0.85, 1.0] as $e) {
            foreach ([0.05, 0.15, 0.2, 0.25, 0.3, 0.5] as $mu) {
                $outs[] = $this->predicted(
                    new Guess([Parameter::Restitution->value => $e, Parameter::Friction->value => $mu]),
                    self::PACE,
                )[0];
            }
        }
        [$least, $most] = [min($outs), max($outs)];
        if ($this->out < 0.85 * $least || $this->out > 1.15 * $most) {
            throw new InvalidInput($this->name, \sprintf(
                '%.2f m in and %.2f m out: a ball rolling without side comes out between %.2f and %.2f m on any rubber. Was there side on it, or was it still sliding?',
                $this->in,
                $this->out,
                $least,
                $most,
            ));
        }
    }

    /**
     * Where along the rail a ball is again so far off it.
     *
     * @param Motion $leaving x along the rail, y away from it, of a ball of 1 m radius
     * @param float  $slide   friction of a sliding ball
     * @param float  $off     m
     */
    private static function crossing(Motion $leaving, float $slide, float $off): float
    {
        [$vx, $vy] = [$leaving->vx, $leaving->vy];
        // Slip on the cloth.
        $ux = $vx - $leaving->wy;
        $uy = $vy - $leaving->wx;
        $slip = hypot($ux, $uy);
        $acc = $slide * Defaults::GRAVITY;
        $t = 2 * $slip / (7 * $acc);
        $ax = $slip > 0.0 ? -$acc * $ux / $slip : 0.0;
        $ay = $slip > 0.0 ? -$acc * $uy / $slip : 0.0;
        $y = ($vy + $ay * $t / 2) * $t;
        if ($y >= $off) {
            $t = 2 * $off / ($vy + sqrt(max($vy * $vy + 2 * $ay * $off, 0.0)));

            return ($vx + $ax * $t / 2) * $t;
        }

        return ($vx + $ax * $t / 2) * $t + ($off - $y) * ($vx + $ax * $t) / max($vy + $ay * $t, 1e-6);
    }
}
