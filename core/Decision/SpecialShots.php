<?php

declare(strict_types=1);

namespace ZigLane\Core\Decision;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Equipment\Rail;
use ZigLane\Core\Physics\Stroke;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Shots\Intent;
use ZigLane\Core\Shots\ShotKind;
use ZigLane\Core\Shots\ShotSolver;

/**
 * Banks, kicks, combinations and caroms from where the cue ball lies: those that are worth a closer look.
 *
 * @internal
 */
final readonly class SpecialShots
{
    /** How they are struck at first: speed (m/s), height of the tip (radii). */
    private const SPEED = 2.0;
    private const HEIGHT = 0.1;

    /** Balls that may be hit first that are looked at, the nearest first. */
    private const BALLS = 2;

    public function __construct(private Rack $rack, private StrokeSpread $spread) {}

    /**
     * @return list<Tried> not judged yet
     */
    public function all(): array
    {
        $solver = new ShotSolver($this->rack->simulator());
        $stroke = new Stroke(self::SPEED, 0.0, self::HEIGHT);
        $found = [];
        foreach ($this->intents() as [$pot, $intent]) {
            $solved = $solver->find($this->rack->layout, $pot, $intent, $stroke);
            $raised = null === $solved ? null : $this->spread->raised($solved->shot->stroke());
            if (null !== $raised) {
                $found[] = new Tried($raised, $pot);
            }
        }

        return $found;
    }

    /**
     * @return list<array{Pot, Intent}>
     */
    private function intents(): array
    {
        $layout = $this->rack->layout;
        $cue = $layout->ball(BallId::CUE);
        $diameter = 2 * $this->rack->simulator()->ball->radius;
        $first = $this->rack->rules()->legalTargets($layout);
        usort($first, static fn(int $a, int $b): int => $cue->distanceTo($layout->ball($a)) <=> $cue->distanceTo($layout->ball($b)));
        $intents = [];
        foreach (\array_slice($first, 0, self::BALLS) as $ball) {
            $seen = Sight::of($layout, $ball, $diameter) > 0.0;
            foreach (Pocket::cases() as $pocket) {
                foreach (Rail::cases() as $rail) {
                    $intents[] = [new Pot($ball, $pocket), new Intent($seen ? ShotKind::Bank : ShotKind::Kick, [$rail])];
                }
                foreach ($seen ? $this->second($ball, $first) : [] as $other) {
                    $intents[] = [new Pot($other, $pocket), new Intent(ShotKind::Combination, other: $ball)];
                    $intents[] = [new Pot($other, $pocket), new Intent(ShotKind::Carom, other: $ball)];
                }
            }
        }

        return $intents;
    }

    /**
     * Balls that another is sent into: the one that wins, or others of one's own.
     *
     * @param list<int> $own
     *
     * @return list<int>
     */
    private function second(int $first, array $own): array
    {
        $last = $this->rack->rules()->lastBall($this->rack->layout);
        $wins = null !== $last && $this->rack->rules()->winsByFalling($this->rack->layout);
        $layout = $this->rack->layout;
        $balls = array_values(array_diff($own, [$first, $last]));
        usort(
            $balls,
            static fn(int $a, int $b): int => $layout->ball($first)->distanceTo($layout->ball($a))
                <=> $layout->ball($first)->distanceTo($layout->ball($b)),
        );

        return array_values(array_diff([...($wins ? [(int) $last] : []), ...\array_slice($balls, 0, 1)], [$first]));
    }
}
