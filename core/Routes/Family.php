<?php

declare(strict_types=1);

namespace ZigLane\Core\Routes;

use ZigLane\Core\Physics\Internal\Kernel;
use ZigLane\Core\Physics\Internal\KernelState;

/**
 * What a cue ball does on its way, in the trade's words: which cushions in which order, with which stroke and spin. Routes of
 * one family are the same idea hit a little differently.
 */
final readonly class Family
{
    public const RAILS = ['head', 'foot', 'left', 'right'];

    /** Rolling share of the cue ball's speed at the contact, forward positive, beyond which it is not stun. */
    private const STUN = 0.18;

    /** Tip to the side, in ball radii, from which it counts. */
    private const SIDE = 0.12;

    /** A cue ball that goes no further than this after the contact has stopped, m. */
    private const STOPPED = 0.15;

    /** Follow struck harder than this is forced, m/s. */
    private const FORCED = 3.0;

    /**
     * @param list<string> $rails  after the contact, in order
     * @param string       $stroke "stop", "stun", "draw", "follow", "force follow", "drag" or "drag draw"
     * @param string       $side   "", "inside" or "outside"
     * @param string       $spin   at the first cushion: "", "running" or "reverse"
     */
    private function __construct(public array $rails, public string $stroke, public string $side, public string $spin) {}

    /**
     * @param KernelState $whole the shot, recorded
     * @param KernelState $hit   the same, stopped at the contact, recorded
     * @param float       $a     tip to the right, radii
     * @param float       $b     tip upward, radii
     * @param float       $cut   rad, positive to the right
     * @param float       $r     ball radius, m
     */
    public static function of(KernelState $whole, KernelState $hit, float $a, float $b, float $speed, float $cut, float $r): self
    {
        // As it met the ball: its last piece before.
        $vx = $vy = 0.0;
        foreach ($hit->pieces as [$slot, $from, $to, , , $px, $py, $ax, $ay]) {
            if (0 === $slot) {
                $vx = $px + $ax * ($to - $from);
                $vy = $py + $ay * ($to - $from);
            }
        }
        $v2 = max($vx * $vx + $vy * $vy, 1e-9);
        $rolling = $r * ($hit->wy[0] * $vx - $hit->wx[0] * $vy) / $v2;
        [$rails, $spin] = self::rails($whole, $hit->time, $a);
        $travel = hypot($whole->x[0] - $hit->x[0], $whole->y[0] - $hit->y[0]);
        $low = $b < -self::SIDE;
        $stroke = match (true) {
            [] === $rails && $travel < self::STOPPED => 'stop',
            $rolling < -self::STUN => 'draw',
            $rolling <= self::STUN => $low ? 'drag stun' : 'stun',
            $low => 'drag',
            $speed > self::FORCED => 'force follow',
            default => 'follow',
        };
        $side = abs($a) < self::SIDE || abs($cut) < 0.03 ? '' : (($a > 0) === ($cut > 0) ? 'inside' : 'outside');

        return new self($rails, $stroke, $side, abs($a) < self::SIDE ? '' : $spin);
    }

    /**
     * Cushions of the cue ball after the contact, and whether the side tip's spin runs at the first.
     *
     * @return array{list<string>, string}
     */
    public static function rails(KernelState $recorded, float $contact, float $a): array
    {
        $rails = [];
        $spin = '';
        foreach ($recorded->log as [$t, $kind, $slot, $what]) {
            if (0 !== $slot || Kernel::EV_CUSHION !== $kind || $t <= $contact) {
                continue;
            }
            if ([] === $rails) {
                $spin = self::runs($recorded, $t, $what, $a) ? 'running' : 'reverse';
            }
            $rails[] = self::RAILS[$what];
        }

        return [$rails, $spin];
    }

    /** The same idea in one word, to compare by. */
    public function key(): string
    {
        return implode('-', $this->rails) . '|' . $this->stroke . '|' . $this->side;
    }

    /** "follow with running outside spin, foot and left cushions". */
    public function words(): string
    {
        $spin = trim("{$this->spin} {$this->side}");
        $rails = match (\count($this->rails)) {
            0 => 'no cushion',
            1 => "{$this->rails[0]} cushion",
            default => implode(', ', \array_slice($this->rails, 0, -1)) . ' and ' . $this->rails[\count($this->rails) - 1] . ' cushions',
        };

        return $this->stroke . ('' === $spin ? '' : " with $spin spin") . ", $rails";
    }

    /** Right-hand spin takes the cue ball to its own right at a cushion: it runs when the ball goes that way anyhow. */
    private static function runs(KernelState $recorded, float $t, int $wall, float $a): bool
    {
        foreach ($recorded->pieces as [$slot, , $to, , , $vx, $vy]) {
            if (0 === $slot && abs($to - $t) < 1e-9) {
                // Along the cushion, to the right of one who faces it: see the frame in Simulation\Internal\Kernel.
                $along = match ($wall) {
                    0 => -$vy,
                    1 => $vy,
                    2 => $vx,
                    default => -$vx,
                };

                return $along * $a > 0.0;
            }
        }

        return false;
    }
}
