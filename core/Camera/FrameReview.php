<?php

declare(strict_types=1);

namespace ZigLane\Core\Camera;

use ZigLane\Core\Equipment\TableGeometry;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Settings\Defaults;

/**
 * A frame held against how the balls lay before: what it says, and what of it is to be looked at by a person. A camera takes one number for
 * another, and loses balls; no frame is taken over with a doubt that nobody answered.
 */
final readonly class FrameReview
{
    /** Nearer than this to where a ball lay it lies where it did, m: more than a camera errs, and less than a ball beside it is away. */
    private const SAME = 0.035;

    /** Of what the camera is less sure than this a person is asked. */
    private const SURE = 0.6;

    /** Balls may overlap by so much as a camera reads them, m. */
    private const READING = 0.01;

    /** @var list<Doubt> */
    public array $doubts;

    /** @var array<int, int> what each detection is proposed to be: ball by number in the frame */
    public array $proposed;

    /**
     * @param Layout $before how the balls lay when they were last known
     */
    public function __construct(public Frame $frame, public Layout $before, TableGeometry $geometry)
    {
        [$proposed, $doubts] = $this->named();
        $seen = array_values($proposed);
        foreach (array_keys($before->balls) as $ball) {
            if (!\in_array($ball, $seen, true)) {
                $doubts[] = new Doubt(DoubtKind::Missing, $ball);
            }
        }
        $this->proposed = $proposed;
        $this->doubts = [...$doubts, ...$this->impossible($proposed, $geometry)];
    }

    /** Where the balls lie as it is proposed; those that were not seen are left out. */
    public function layout(): Layout
    {
        $balls = [];
        foreach ($this->proposed as $n => $ball) {
            $balls[$ball] = $this->frame->detections[$n]->at;
        }
        ksort($balls);

        return new Layout($balls);
    }

    /**
     * What each detection is: its own number, or the one of the ball that lay there.
     *
     * @return array{array<int, int>, list<Doubt>}
     */
    private function named(): array
    {
        $proposed = $doubts = $claimed = [];
        foreach ($this->frame->detections as $n => $detection) {
            $lay = $this->ballAt($detection->at);
            $says = $detection->ball;
            if (null === $says || $detection->sure < self::SURE) {
                $doubts[] = new Doubt(DoubtKind::Unsure, $says, $lay, $n);
                $says ??= $lay;
            } elseif (null !== $lay && $lay !== $says) {
                // It may have been moved there, or its number is read wrongly: the place speaks for the ball that lay there.
                $doubts[] = new Doubt($this->swaps($says, $lay) ? DoubtKind::Swapped : DoubtKind::Mistaken, $says, $lay, $n);
                $says = $lay;
            } elseif (!$this->before->has($says)) {
                $doubts[] = new Doubt(DoubtKind::Appeared, $says, null, $n);
            }
            if (null === $says) {
                continue;
            }
            if (isset($claimed[$says])) {
                $doubts[] = new Doubt(DoubtKind::Double, $says, null, $n);
                continue;
            }
            $claimed[$says] = true;
            $proposed[$n] = $says;
        }

        return [$proposed, $doubts];
    }

    /** Whether the ball that lay here is seen where the other one lay. */
    private function swaps(int $says, int $lay): bool
    {
        foreach ($this->frame->detections as $detection) {
            if ($detection->ball === $lay && $this->before->has($says)) {
                return $detection->at->distanceTo($this->before->ball($says)) < self::SAME;
            }
        }

        return false;
    }

    /** The ball that lay at a place. */
    private function ballAt(Point $place): ?int
    {
        $nearest = null;
        $near = self::SAME;
        foreach ($this->before->balls as $ball => $lay) {
            $far = $lay->distanceTo($place);
            if ($far < $near) {
                [$near, $nearest] = [$far, $ball];
            }
        }

        return $nearest;
    }

    /**
     * @param array<int, int> $proposed
     *
     * @return list<Doubt>
     */
    private function impossible(array $proposed, TableGeometry $geometry): array
    {
        $doubts = [];
        foreach ($proposed as $n => $ball) {
            $at = $this->frame->detections[$n]->at;
            $onBed = $geometry->onBed($at);
            if (!$geometry->canRest($at) && $onBed->distanceTo($at) > self::READING) {
                $doubts[] = new Doubt(DoubtKind::Impossible, $ball, null, $n);
            }
            foreach ($proposed as $k => $other) {
                if ($k < $n && $at->distanceTo($this->frame->detections[$k]->at) < 2 * Defaults::BALL_RADIUS - self::READING) {
                    $doubts[] = new Doubt(DoubtKind::Impossible, $ball, $other, $n);
                }
            }
        }

        return $doubts;
    }
}
