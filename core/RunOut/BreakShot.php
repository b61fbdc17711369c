<?php

declare(strict_types=1);

namespace ZigLane\Core\RunOut;

use ZigLane\Core\Ball\BallId;
use ZigLane\Core\Break\RackUp;
use ZigLane\Core\Chance\ErrorSamples;
use ZigLane\Core\Chance\NoPot;
use ZigLane\Core\Chance\PotChance;
use ZigLane\Core\Chance\Trial;
use ZigLane\Core\Cue\Shot;
use ZigLane\Core\Cue\Tip;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Random\Generator;
use ZigLane\Core\Reading\Openings;
use ZigLane\Core\Reading\Racking;
use ZigLane\Core\Simulation\Internal\KernelState;
use ZigLane\Core\Simulation\Layout;
use ZigLane\Core\Speed\TableLengths;
use ZigLane\Core\Table\Pocket;

/**
 * The break shot of straight pool: the last ball is potted from beside the fourteen that have been racked again, and the cue ball
 * goes on into them. Strokes are played with errors on the whole rack; what counts is the pot, and how many balls it spreads.
 */
final readonly class BreakShot
{
    /** Tips, [side, height] in radii, and cue speeds, m/s, that are tried. */
    private const TIPS = [[0.0, 0.0], [0.0, 0.25], [0.0, -0.25], [0.25, 0.1], [-0.25, 0.1]];
    private const SPEEDS = [2.4, 3.2, 4.0, 4.8];

    /** A ball has left the rack when it lies this far from where it was, m. */
    private const LEFT = 0.08;

    /** So many balls are a good spread (our own choice). */
    private const GOOD = 8;

    private const LOOKED = 5;
    private const TRIES = 32;

    /**
     * @param float $pot     share of tries in which the ball drops and the cue ball stays up
     * @param float $spread  balls that leave the rack, on average, when it does
     * @param float $scratch share of tries
     */
    private function __construct(public int $ball, public Pocket $pocket, public Shot $shot, public float $pot, public float $spread, public float $scratch, private float $lengths) {}

    /** The best from a table with one ball left; null when none spreads the rack, or the ball or the cue ball lies where it stands. */
    public static function of(Rack $rack): ?self
    {
        $ball = $rack->layout->objectBalls()[0] ?? null;
        $simulator = $rack->simulator();
        if (null === $ball || Racking::inside($simulator, $rack->layout->ball($ball)) || Racking::inside($simulator, $rack->layout->ball(BallId::CUE))) {
            return null;
        }
        $racked = self::racked($rack, $ball);
        $cue = $rack->layout->ball(BallId::CUE);
        $found = [];
        foreach (\array_slice(Openings::goingOf($simulator, $rack->layout, $ball), 0, 3) as $opening) {
            $pot = new PotChance($simulator, $racked, $ball, $opening->pocket, $rack->player);
            $trial = new Trial($simulator, $racked, $ball, $opening->pocket);
            foreach (self::TIPS as [$a, $b]) {
                foreach (self::SPEEDS as $speed) {
                    $line = $pot->line($cue->x, $cue->y, $speed, $a, $b);
                    if ($line instanceof NoPot) {
                        continue;
                    }
                    $state = $trial->run($line[0], $speed, $a, $b, $line[1]);
                    if (null === $state || !$trial->pots($state) || $trial->scratches($state)) {
                        continue;
                    }
                    $found[] = [self::spread($racked, $trial, $state), $opening->pocket, new Shot($line[0], $speed, new Tip($a, $b), $line[1]), $pot, $trial];
                }
            }
        }
        usort($found, static fn(array $p, array $q): int => $q[0] <=> $p[0]);
        $best = null;
        foreach (\array_slice($found, 0, self::LOOKED) as [$nominal, $pocket, $shot, $pot, $trial]) {
            if ($nominal < 2) {
                continue;
            }
            $one = self::played($rack, $racked, $ball, $pocket, $shot, $pot, $trial);
            $best = null === $best || $one->worth() > $best->worth() ? $one : $best;
        }

        return $best;
    }

    public function words(): string
    {
        return \sprintf(
            'Then the break shot: the %d in the %s pocket, %s, %.1f lengths: drops in %.0f %%, and %.0f balls leave the rack on average%s.',
            $this->ball,
            $this->pocket->spoken(),
            $this->shot->tip->clock(),
            $this->lengths,
            100 * $this->pot,
            $this->spread,
            $this->scratch < 0.015 ? '' : \sprintf('; scratch %.0f %%', 100 * $this->scratch),
        );
    }

    private function worth(): float
    {
        return $this->pot * min(1.0, $this->spread / self::GOOD);
    }

    private static function played(Rack $rack, Layout $racked, int $ball, Pocket $pocket, Shot $shot, PotChance $chance, Trial $trial): self
    {
        $cue = $racked->ball(BallId::CUE);
        $error = $chance->errors($cue->x, $cue->y, $shot->aim, $shot->elevation, $shot->speed);
        $pot = $spread = $scratch = 0;
        foreach (ErrorSamples::of(self::TRIES) as $sample) {
            $state = $trial->under($error, $sample, $shot->aim, $shot->speed, $shot->tip->side, $shot->tip->height, $shot->elevation);
            if (null === $state) {
                continue;
            }
            $scratch += $trial->scratches($state) ? 1 : 0;
            if ($trial->pots($state) && !$trial->scratches($state)) {
                ++$pot;
                $spread += self::spread($racked, $trial, $state);
            }
        }

        return new self($ball, $pocket, $shot, $pot / self::TRIES, $spread / max(1, $pot), $scratch / self::TRIES, (new TableLengths($rack->simulator()))->ofSpeed($shot->speed));
    }

    private static function spread(Layout $racked, Trial $trial, KernelState $state): int
    {
        $far = 0;
        $moved = $trial->moved($state);
        foreach ([] === $moved ? [] : $trial->places($state, $moved) as $ball => $place) {
            $from = $racked->ball($ball);
            $far += null === $place || hypot($place[0] - $from->x, $place[1] - $from->y) > self::LEFT ? 1 : 0;
        }

        return $far;
    }

    /** The break ball where it lies, and the other fourteen racked without the ball at the apex. */
    private static function racked(Rack $rack, int $ball): Layout
    {
        $full = RackUp::layout($rack->simulator(), $rack->game, new Generator($ball));
        $apex = $full->objectBalls()[0];
        foreach ($full->objectBalls() as $other) {
            $apex = $full->ball($other)->x < $full->ball($apex)->x ? $other : $apex;
        }
        // The apex's number goes where the break ball's would have been.
        $places = $full->balls;
        $places[$apex] = $places[$ball];

        return new Layout([BallId::CUE => $rack->layout->ball(BallId::CUE), $ball => $rack->layout->ball($ball)] + $places);
    }
}
