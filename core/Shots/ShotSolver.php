<?php

declare(strict_types=1);

namespace ZigLane\Core\Shots;

use ZigLane\Core\Aiming\AimRefused;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Aiming\RefusalReason;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Rail;
use ZigLane\Core\Numerics\HoldingIntervals;
use ZigLane\Core\Physics\AimedStroke;
use ZigLane\Core\Physics\CueStrike;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\Stroke;
use ZigLane\Core\Settings\Defaults;

/**
 * Finds the direction of the cue for a shot that is not a plain pot, by playing it: directions are tried in steps about the one of
 * plain geometry, those that begin well more closely, and the edges of the widest interval in which it is made are bisected. Speed,
 * spin, throw and every cushion are the simulator's own, so nothing has to be made good afterwards.
 */
final readonly class ShotSolver
{
    /** Directions tried at first; in each interval that begins well, and once more where that finds none. */
    private const COARSE = 72;
    private const FINE = [96, 384];

    /** Halvings of a step to find an edge. */
    private const BISECTIONS = 12;

    /** Where there is no such shot, a stroke so much harder is tried to tell whether it was too soft. */
    private const HARDER = 1.8;

    /** Contacts with rubber after which a try is given up: it would be a fluke. */
    private const MOST_RAILS = 24;

    public function __construct(private Simulator $simulator) {}

    /**
     * @param float $offset part of the directions in which it is made, −1 … 1; 0 is their middle
     *
     * @throws AimRefused when no direction makes it
     */
    public function solve(Layout $layout, Pot $pot, Intent $intent, Stroke $stroke, float $offset = 0.0): SolvedShot
    {
        foreach (array_filter([BallId::CUE, $pot->ball, $intent->other, $intent->then], \is_int(...)) as $ball) {
            if (!$layout->has($ball)) {
                throw new AimRefused(RefusalReason::NotOnTable, \sprintf('The %s is not on the table.', BallId::spoken($ball)));
            }
        }
        $table = new ShotTable($this->simulator, $layout, $pot, $intent);
        $pattern = ShotPatterns::of($intent->kind) ?? throw new \LogicException('A plain pot is aimed by AimSolver.');
        $near = $this->near($table, $pattern, $stroke);
        $widest = $this->widest($table, $pattern, $stroke, $near) ?? throw $this->refusal($table, $pattern, $stroke, $near);

        return $this->solved($layout, $stroke, $widest, $offset);
    }

    /** The same without a word where there is no such shot, at the cost of a coarse look alone. */
    public function find(Layout $layout, Pot $pot, Intent $intent, Stroke $stroke): ?SolvedShot
    {
        $table = new ShotTable($this->simulator, $layout, $pot, $intent);
        $pattern = ShotPatterns::of($intent->kind) ?? throw new \LogicException('A plain pot is aimed by AimSolver.');
        $widest = $this->widest($table, $pattern, $stroke, $this->near($table, $pattern, $stroke), \array_slice(self::FINE, 0, 1));

        return null === $widest ? null : $this->solved($layout, $stroke, $widest, 0.0);
    }

    /**
     * @param array{float, float} $interval directions in which it is made, rad
     */
    private function solved(Layout $layout, Stroke $stroke, array $interval, float $offset): SolvedShot
    {
        [$low, $high] = $interval;
        $shot = Shot::of(new AimedStroke(($low + $high) / 2 + $offset * ($high - $low) / 2, $stroke));

        return new SolvedShot($shot, $this->simulator->play($layout, $shot), $low, $high);
    }

    /**
     * Where the shot begins as it should.
     *
     * @return list<array{float, float}> directions of the cue, rad
     */
    private function near(ShotTable $table, ShotPattern $pattern, Stroke $stroke): array
    {
        $range = $pattern->range($table);
        if (null === $range) {
            return [];
        }
        // The cue ball leaves aside of the cue.
        $squirt = CueStrike::squirt($stroke->side, $this->simulator->cue, $stroke->elevation);

        return $this->intervals(
            fn(float $aim): bool => $pattern->begins($this->played($table, $stroke, $aim)),
            $range[0] + $squirt,
            $range[1] + $squirt,
            self::COARSE,
        );
    }

    /**
     * The widest interval in which it is made.
     *
     * @param list<array{float, float}> $near
     * @param list<int>                 $fine directions tried in each of them, until there is one
     *
     * @return array{float, float}|null directions of the cue, rad
     */
    private function widest(ShotTable $table, ShotPattern $pattern, Stroke $stroke, array $near, array $fine = self::FINE): ?array
    {
        $made = fn(float $aim): bool => $pattern->isMade($this->played($table, $stroke, $aim));
        foreach ($fine as $steps) {
            $widest = null;
            foreach ($near as [$low, $high]) {
                foreach ($this->intervals($made, $low, $high, $steps) as [$least, $most]) {
                    if (null === $widest || $most - $least > $widest[1] - $widest[0]) {
                        $widest = [$least, $most];
                    }
                }
            }
            if (null !== $widest) {
                return $widest;
            }
        }

        return null;
    }

    /**
     * Why there is no such shot.
     *
     * @param list<array{float, float}> $near
     */
    private function refusal(ShotTable $table, ShotPattern $pattern, Stroke $stroke, array $near): AimRefused
    {
        $ball = BallId::spoken($table->pot->ball);
        $other = BallId::spoken($table->intent->first($table->pot->ball));
        $by = BallId::spoken((int) $table->intent->other);
        $rails = implode(' and the ', array_map(static fn(Rail $rail): string => $rail->value . ' rail', $table->intent->rails));
        if ([] === $near) {
            return new AimRefused(RefusalReason::Missed, match ($table->intent->kind) {
                ShotKind::RailFirst => "From here the cue ball does not get to the $ball off the $rails close beside it.",
                ShotKind::Kiss => "From here the $ball cannot be sent into the $by.",
                ShotKind::Jump => "The cue ball does not fly over the $by to the $ball: raise the cue, or play harder.",
                ShotKind::Swerve => "The cue ball does not curve round the $by to the $ball: raise the cue, or add side.",
                ShotKind::Bank => "From here the $ball cannot be sent off the $rails.",
                ShotKind::Kick => "From here the cue ball does not get to the $ball off the $rails.",
                ShotKind::Carom => "From here the cue ball does not go off the $other into the $ball.",
                default => "From here the $other cannot be sent into the $ball.",
            });
        }
        $harder = $stroke->withSpeed(min($stroke->speed * self::HARDER, Defaults::MAX_CUE_SPEED));
        $how = \sprintf('a %s puts the %s in the %s pocket', $table->intent->kind->value, $ball, $table->pot->pocket->spoken());

        return null === $this->widest($table, $pattern, $harder, $this->near($table, $pattern, $harder))
            ? new AimRefused(RefusalReason::Missed, "With this stroke no direction is found in which $how.")
            : new AimRefused(RefusalReason::TooSoft, "Too soft: harder, $how.");
    }

    private function played(ShotTable $table, Stroke $stroke, float $aim): Played
    {
        $states = $this->simulator->struck($table->layout, new AimedStroke($aim, $stroke));
        $this->simulator->run($states, record: true, mostRails: self::MOST_RAILS);

        return new Played($table, $states);
    }

    /**
     * Where something holds, its edges bisected from within.
     *
     * @param \Closure(float): bool $holds by direction, rad
     *
     * @return list<array{float, float}> rad, ascending
     */
    private function intervals(\Closure $holds, float $from, float $to, int $steps): array
    {
        return HoldingIntervals::scanned(
            $holds,
            $from,
            $to,
            $steps,
            static fn(float $inside, float $outside): float => HoldingIntervals::edge($holds, $inside, $outside, self::BISECTIONS)[0],
        );
    }
}
