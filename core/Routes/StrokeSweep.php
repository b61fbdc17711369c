<?php

declare(strict_types=1);

namespace ZigLane\Core\Routes;

use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\BallStates;
use ZigLane\Core\Physics\EventType;
use ZigLane\Core\Physics\Stroke;

/**
 * Sweeps strokes coarsely, from soft to hard for a set of tips, each speed judged together with its neighbours as the player's hand
 * would mix them.
 *
 * @internal
 */
final class StrokeSweep
{
    /** Tips swept, in ball radii, and part of what drops: [side, height, part]. */
    private const TIPS = [
        [0.0, 0.0, 0.0], [0.0, -0.25, 0.0], [0.0, 0.25, 0.0], [0.0, -0.45, 0.0], [0.0, 0.45, 0.0],
        [-0.2, 0.0, 0.0], [0.2, 0.0, 0.0], [-0.4, 0.0, 0.0], [0.4, 0.0, 0.0],
        [-0.2, -0.25, 0.0], [0.2, -0.25, 0.0], [-0.2, 0.25, 0.0], [0.2, 0.25, 0.0],
        [-0.33, -0.33, 0.0], [0.33, -0.33, 0.0], [-0.33, 0.33, 0.0], [0.33, 0.33, 0.0],
    ];

    /** Tips swept in the second round, between those, and toward both sides of the pocket. */
    private const MORE_TIPS = [
        [0.0, -0.12, 0.0], [0.0, 0.12, 0.0], [0.0, -0.35, 0.0], [0.0, 0.35, 0.0],
        [-0.3, -0.15, 0.0], [0.3, -0.15, 0.0], [-0.3, 0.15, 0.0], [0.3, 0.15, 0.0],
        [-0.2, -0.4, 0.0], [0.2, -0.4, 0.0], [-0.2, 0.4, 0.0], [0.2, 0.4, 0.0],
        [-0.45, -0.15, 0.0], [0.45, -0.15, 0.0], [-0.45, 0.15, 0.0], [0.45, 0.15, 0.0],
        [-0.27, -0.27, 0.0], [0.27, -0.27, 0.0], [-0.27, 0.27, 0.0], [0.27, 0.27, 0.0],
        [0.0, 0.0, -0.6], [0.0, 0.0, 0.6], [0.0, -0.25, -0.6], [0.0, -0.25, 0.6], [0.0, 0.25, -0.6], [0.0, 0.25, 0.6],
        [0.0, -0.45, -0.6], [0.0, -0.45, 0.6], [0.0, 0.45, -0.6], [0.0, 0.45, 0.6],
    ];

    /** Ratio of neighbouring speeds; softest and hardest, as shares of the reading stroke's; hardest of all, m/s. */
    private const RUNG = 1.13;
    private const SOFTEST = 0.5;
    private const HARDEST = 5.5;
    private const MOST_SPEED = 7.5;

    /** Least error of speed that neighbours are mixed by; how many of them to either side, and as far as so many standard deviations. */
    private const LEAST_SIGMA = 0.03;
    private const NEIGHBOURS = 2;
    private const DEVIATIONS = 2.0;

    /** Tips further from the centre than this count as high, low, left or right, radii. */
    private const HIGH = 0.2;
    private const ASIDE = 0.1;

    /** @var list<ContactStroke> */
    private array $contacts = [];

    public function __construct(private readonly StrokeTrials $trials) {}

    /**
     * The first round: strokes of widely spaced tips.
     *
     * @return list<Candidate> valued with their neighbours
     */
    public function coarse(): array
    {
        return $this->candidates(self::TIPS);
    }

    /**
     * The second round: strokes of tips between those, and of balls sent toward a side of the pocket.
     *
     * @return list<Candidate> valued with their neighbours
     */
    public function fine(): array
    {
        return $this->candidates(self::MORE_TIPS);
    }

    /**
     * Every place the cue ball can be sent to by potting the ball.
     *
     * @return list<SweptPosition>
     */
    public function positions(): array
    {
        $positions = [];
        foreach (self::TIPS as [$side, $height, $offset]) {
            array_push($positions, ...array_filter($this->ladder($side, $height, $offset)));
        }

        return $positions;
    }

    /**
     * Strokes met so far that pot the ball and move others.
     *
     * @return list<ContactStroke>
     */
    public function contacts(): array
    {
        return $this->contacts;
    }

    /**
     * @param list<array{float, float, float}> $tips side, height, part of what drops
     *
     * @return list<Candidate>
     */
    private function candidates(array $tips): array
    {
        $sigma = max($this->trials->rack->player->speed, self::LEAST_SIGMA);
        $neighbours = (int) max(self::NEIGHBOURS, ceil(self::DEVIATIONS * $sigma / log(self::RUNG)));
        $spread = [];
        for ($k = -$neighbours; $k <= $neighbours; ++$k) {
            $spread[] = exp(-0.5 * ($k * log(self::RUNG) / $sigma) ** 2);
        }
        $found = [];
        foreach ($tips as [$side, $height, $offset]) {
            $ladder = $this->ladder($side, $height, $offset);
            foreach ($ladder as $n => $swept) {
                if (null === $swept || $swept->value <= 0.0) {
                    continue;
                }
                $sum = $weights = 0.0;
                foreach ($spread as $k => $weight) {
                    $sum += $weight * ($ladder[$n + $k - $neighbours]->value ?? 0.0);
                    $weights += $weight;
                }
                $found[] = new Candidate($swept->aimed, $offset, $sum / $weights, self::idea($swept->rails, $side, $height, $offset));
            }
        }

        return $found;
    }

    /**
     * The strokes of one tip from soft to hard; null where the pot fails, the cue ball falls or another ball is moved.
     *
     * @return list<SweptPosition|null>
     */
    private function ladder(float $side, float $height, float $offset): array
    {
        $easy = $this->trials->pot->readingSpeed($this->trials->cue->x, $this->trials->cue->y);
        $most = min(self::MOST_SPEED, $easy * self::HARDEST);
        $ladder = [];
        for ($speed = $easy * self::SOFTEST; $speed <= $most; $speed *= self::RUNG) {
            $candidate = $this->trials->aimed(new Stroke($speed, $side, $height), $offset);
            $ladder[] = null === $candidate ? null : $this->swept($candidate);
        }

        return $ladder;
    }

    private function swept(Candidate $candidate): ?SweptPosition
    {
        ++$this->trials->played;
        $state = $this->trials->recorded($candidate->aimed);
        if (null === $state) {
            return null;
        }
        $stroke = $candidate->aimed->stroke;
        $moved = $this->trials->moved($state);
        if ([] !== $moved) {
            // What is moved on purpose is looked for with the ball sent to the middle.
            if (0.0 === $candidate->offset) {
                $this->contacts[] = new ContactStroke($stroke, $moved);
            }

            return null;
        }

        return new SweptPosition(
            $candidate->aimed,
            new Point($state->x[0], $state->y[0]),
            $this->trials->evaluator->valueAt($state->x[0], $state->y[0]),
            implode('-', CushionPath::of($state, self::contact($state), $stroke->side)->rails),
        );
    }

    /** When the cue ball met its first ball, s. */
    private static function contact(BallStates $recorded): float
    {
        foreach ($recorded->events as $event) {
            if (EventType::BallBall === $event->type && (0 === $event->slot || 0 === $event->other)) {
                return $event->time;
            }
        }

        return INF;
    }

    private static function idea(string $rails, float $side, float $height, float $offset): string
    {
        $high = abs($height) < self::HIGH ? 'c' : ($height > 0 ? 'h' : 'l');
        $aside = abs($side) < self::ASIDE ? 'c' : ($side > 0 ? 'r' : 'l');

        return $rails . '|' . $high . $aside . ($offset <=> 0.0);
    }
}
