<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Line\LinePlayer;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Potting\ErrorSamples;
use ZigLane\Core\Potting\PotChance;
use ZigLane\Core\Potting\ShotSampler;
use ZigLane\Core\Rack\Rack;

/**
 * The break shot of straight pool: the last ball is potted from beside the fourteen that have been racked again, and the cue ball
 * goes on into them.
 */
final readonly class BreakShot
{
    /**
     * @param Rack    $rack    fourteen racked, the break ball and the cue ball where they lie; the stroke is its only leg
     * @param float   $pot     share of tries in which the ball drops and the cue ball stays up
     * @param float   $spread  balls that leave the rack, on average, when it does
     * @param float   $scratch share of tries
     * @param float   $next    chance of the best pot that is left when the ball drops, 0–1, on average
     */
    public function __construct(
        public Rack $rack,
        public int $ball,
        public Pocket $pocket,
        public float $pot,
        public float $spread,
        public float $scratch,
        public float $next,
    ) {}

    /**
     * Tables that tries leave, each with errors of the player's in it, by number: the same number always leaves the same.
     *
     * @return \Generator<int, Layout|null> null where the ball stays up or the cue ball falls
     */
    public function tries(int $first, int $count): \Generator
    {
        $shot = $this->shot();
        if (null === $shot) {
            return;
        }
        $layout = $this->rack->layout;
        $cue = $layout->ball(BallId::CUE);
        $simulator = $this->rack->simulator();
        $pot = new Pot($this->ball, $this->pocket);
        $error = (new PotChance($simulator, $layout, $pot, $this->rack->player))->errors($cue, $shot->stroke());
        $sampler = new ShotSampler($simulator, $layout, $pot);
        for ($n = $first; $n < $first + $count; ++$n) {
            $sample = ErrorSamples::random(1, new Generator(104_729 * $n + 17))[0];
            $state = $sampler->under($error, $sample, $shot->stroke());
            if (null === $state || !$sampler->pots($state) || $sampler->scratches($state)) {
                yield $n => null;
                continue;
            }
            $lie = [];
            foreach ($sampler->places($state, [BallId::CUE, ...$layout->objectBalls()]) as $ball => $place) {
                if (null !== $place) {
                    $lie[$ball] = new Point(...$place);
                }
            }
            yield $n => new Layout($lie);
        }
    }

    /**
     * The first try from a number on that drops the ball: the next rack.
     *
     * @return array{Rack, int}|null without legs, and the try's number; null when none of a hundred does
     */
    public function next(int $number): ?array
    {
        foreach ($this->tries($number, 100) as $n => $layout) {
            if (null !== $layout) {
                return [$this->rack->withLayout($layout)->withLegs([]), $n];
            }
        }

        return null;
    }

    /** The stroke; null when the aim solver refuses it on this table. */
    private function shot(): ?Shot
    {
        return LinePlayer::for($this->rack)->play($this->rack)[0]->shot ?? null;
    }
}
