<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\Stroke;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Potting\PotChance;
use ZigLane\Core\Settings\Defaults;

/**
 * Whether the cue ball can be brought to a place by potting a ball: a sweep over tips and speeds, refined around the best.
 * A quick answer to "can I get there?"; the search for routes is another matter.
 */
final readonly class GetThere
{
    private const HEIGHTS = [-0.42, -0.2, 0.0, 0.2, 0.4];
    private const SIDES = [-0.3, 0.0, 0.3];
    private const SPEEDS = [1.0, 1.3, 1.7, 2.2, 2.9, 3.8, 5.0];
    private const ROUNDS = 3;

    /** Near enough, m. */
    public const NEAR = 0.12;

    /** A pot below this is no way to get anywhere. */
    private const LEAST_POT = 0.15;

    /**
     * @param float      $off  of the place, m; INF when the ball cannot be potted at all
     * @param Point|null $stop where the cue ball comes to lie
     * @param float      $pot  chance of the pot
     */
    private function __construct(public float $off, public ?Shot $shot, public ?Point $stop, public float $pot) {}

    /** Whether the cue ball stops near enough to the place. */
    public function can(): bool
    {
        return $this->off <= self::NEAR;
    }

    /** Sweeps tips and speeds for a stroke that pots the ball and stops near the place. */
    public static function search(Simulator $simulator, Layout $layout, PotChance $pot, Point $place): self
    {
        $cue = $layout->ball(BallId::CUE);
        $easy = $pot->readingSpeed($cue->x, $cue->y);
        $best = new self(INF, null, null, 0.0);
        $try = static function (float $speed, float $a, float $b) use ($simulator, $layout, $pot, $cue, $place, &$best): void {
            if (hypot($a, $b) > Defaults::MISCUE_LIMIT || $speed > 8.0) {
                return;
            }
            $read = $pot->with($cue, new Stroke($speed, $a, $b), self::LEAST_POT);
            if ($read->chance < self::LEAST_POT) {
                return;
            }
            $shot = new Shot($read->aim, $speed, new Tip($a, $b), $read->elevation);
            $result = $simulator->play($layout, $shot);
            if ($result->scratched() || ($result->pocketed[$pot->pot->ball] ?? null) !== $pot->pot->pocket) {
                return;
            }
            $stop = $result->final->ball(BallId::CUE);
            $off = $stop->distanceTo($place);
            if ($off < $best->off) {
                $best = new self($off, $shot, $stop, $read->chance);
            }
        };
        foreach (self::SPEEDS as $times) {
            foreach (self::HEIGHTS as $b) {
                foreach (self::SIDES as $a) {
                    $try($easy * $times, $a, $b);
                }
            }
        }
        [$dv, $dt] = [0.12, 0.1];
        for ($round = 0; $round < self::ROUNDS && null !== $best->shot && $best->off > 0.02; ++$round) {
            $from = $best->shot;
            foreach ([
                [1, 0, 0],
                [-1, 0, 0],
                [0, 1, 0],
                [0, -1, 0],
                [0, 0, 1],
                [0, 0, -1],
                [1, 0, 1],
                [1, 0, -1],
                [-1, 0, 1],
                [-1, 0, -1],
            ] as [$v, $a, $b]) {
                $try($from->speed * (1 + $dv * $v), $from->tip->side + $dt * $a, $from->tip->height + $dt * $b);
            }
            $dv /= 2;
            $dt /= 2;
        }

        return $best;
    }
}
