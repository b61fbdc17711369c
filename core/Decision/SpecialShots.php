<?php

declare(strict_types=1);

namespace ZigLane\Core\Decision;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Equipment\Rail;
use ZigLane\Core\Geometry\Angle;
use ZigLane\Core\Parallel\Processes;
use ZigLane\Core\Physics\Stroke;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Shots\Intent;
use ZigLane\Core\Shots\IntentGuess;
use ZigLane\Core\Shots\RaisedStrokes;
use ZigLane\Core\Shots\ShotKind;
use ZigLane\Core\Shots\ShotSolver;

/**
 * Banks, kicks, combinations, caroms, kisses, shots rail first and, where they are allowed, jumps and swerves from where the cue ball
 * lies: those that are worth a closer look.
 *
 * @internal
 */
final readonly class SpecialShots
{
    /** How they are struck at first: speed (m/s), height of the tip (radii). */
    private const SPEED = 2.0;
    private const HEIGHT = 0.1;

    /** A ball less far from a nose than this is worth a look rail first, m. */
    private const BESIDE = 0.12;

    /** Less than this seen of a ball, it may be worth to go over or round what hides it. */
    private const MOSTLY = 0.5;

    /** Thinner than this (rad) no ball is jumped at to be potted. */
    private const CUT = 1.2;

    /** Balls that may be hit first that are looked at, the nearest first. */
    private const BALLS = 2;

    public function __construct(private Rack $rack, private StrokeSpread $spread) {}

    /**
     * @param Processes|null $processes that share the work; this one alone when null
     *
     * @return list<Tried> not judged yet
     */
    public function all(?Processes $processes = null): array
    {
        $intents = $this->intents();
        $found = \count($intents) < 2 || null === $processes
            ? array_map($this->solved(...), $intents)
            : $processes->inHalves($intents, $this->solved(...));

        return array_values(array_filter($found));
    }

    /** @param array{Pot, Intent} $meant */
    private function solved(array $meant): ?Tried
    {
        [$pot, $intent] = $meant;
        $solved = $intent->kind->leavesCloth()
            ? (new RaisedStrokes($this->rack->simulator()))->gentlest($this->rack->layout, $pot, $intent)
            : (new ShotSolver($this->rack->simulator()))->find(
                $this->rack->layout,
                $pot,
                $intent,
                new Stroke(self::SPEED, 0.0, self::HEIGHT),
            );
        $raised = null === $solved ? null : $this->spread->raised($solved->shot->stroke());

        return null === $raised ? null : new Tried($raised, $pot);
    }

    /**
     * @return list<array{Pot, Intent}>
     */
    private function intents(): array
    {
        $layout = $this->rack->layout;
        $diameter = 2 * $this->rack->simulator()->ball->radius;
        $first = $layout->nearestTo($layout->ball(BallId::CUE), $this->rack->rules()->legalTargets($layout));
        $intents = [];
        foreach (\array_slice($first, 0, self::BALLS) as $ball) {
            $seen = Sight::of($layout, $ball, $diameter);
            foreach (Pocket::cases() as $pocket) {
                $pot = new Pot($ball, $pocket);
                array_push(
                    $intents,
                    ...($seen > 0.0 ? $this->ofSeen($pot, $first) : $this->offRails($pot)),
                    ...($seen < self::MOSTLY && $this->rack->house->jumps ? $this->raised($pot) : []),
                );
            }
        }

        return $intents;
    }

    /**
     * Where the ball is seen.
     *
     * @param list<int> $first balls that may be hit first
     *
     * @return list<array{Pot, Intent}>
     */
    private function ofSeen(Pot $pot, array $first): array
    {
        $layout = $this->rack->layout;
        $ball = $pot->ball;
        $intents = [];
        foreach (Rail::cases() as $rail) {
            $intents[] = [$pot, new Intent(ShotKind::Bank, [$rail])];
        }
        $rail = $this->railBeside($ball);
        if (null !== $rail) {
            $intents[] = [$pot, new Intent(ShotKind::RailFirst, [$rail])];
        }
        $nearest = $layout->nearestTo($layout->ball($ball), array_diff($this->rack->layout->objectBalls(), [$ball]))[0] ?? null;
        if (null !== $nearest) {
            $intents[] = [$pot, new Intent(ShotKind::Kiss, other: $nearest)];
        }
        foreach ($this->second($ball, $first) as $other) {
            $into = new Pot($other, $pot->pocket);
            $intents[] = [$into, new Intent(ShotKind::Combination, other: $ball)];
            $intents[] = [$into, new Intent(ShotKind::Carom, other: $ball)];
            $then = $layout->nearestTo($layout->ball($other), array_diff($this->rack->layout->objectBalls(), [$ball, $other]))[0] ?? null;
            if (null !== $then) {
                $intents[] = [$into, new Intent(ShotKind::Combination, other: $ball, then: $then)];
            }
        }

        return $intents;
    }

    /**
     * Where the ball is hidden.
     *
     * @return list<array{Pot, Intent}>
     */
    private function offRails(Pot $pot): array
    {
        return array_map(static fn(Rail $rail): array => [$pot, new Intent(ShotKind::Kick, [$rail])], Rail::cases());
    }

    /**
     * Over or round what hides most of the ball.
     *
     * @return list<array{Pot, Intent}>
     */
    private function raised(Pot $pot): array
    {
        $intents = [];
        $layout = $this->rack->layout;
        $cue = $layout->ball(BallId::CUE);
        $mouth = $this->rack->simulator()->geometry->pocket($pot->pocket)->entrance($layout->ball($pot->ball));
        $cut = Angle::wrap($layout->ball($pot->ball)->angleTo($mouth) - $cue->angleTo($layout->ball($pot->ball)));
        if (abs($cut) > self::CUT) {
            return $intents;
        }
        foreach ([ShotKind::Jump, ShotKind::Swerve] as $kind) {
            $way = (new IntentGuess($this->rack->simulator(), $layout, $pot))->of($kind, []);
            if (null !== $way) {
                $intents[] = [$pot, $way];
            }
        }

        return $intents;
    }

    /** The rail that a ball lies close to; null when it lies close to none. */
    private function railBeside(int $ball): ?Rail
    {
        [$rail, $gap] = $this->rack->simulator()->geometry->nearestRail($this->rack->layout->ball($ball));

        return $gap < self::BESIDE ? $rail : null;
    }

    /**
     * Balls that another is sent into: the one that wins, and the nearest that may be potted so; in a fixed order any other.
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
        $others = $this->rack->rules()->hasFixedOrder() ? $layout->objectBalls() : $own;
        $balls = $layout->nearestTo($layout->ball($first), array_diff($others, [$first, $last]));

        return array_values(array_diff([...($wins ? [(int) $last] : []), ...\array_slice($balls, 0, 1)], [$first]));
    }
}
