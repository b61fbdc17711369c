<?php

declare(strict_types=1);

namespace ZigLane\Core\Line;

use ZigLane\Core\Aiming\AimRefused;
use ZigLane\Core\Aiming\AimRequest;
use ZigLane\Core\Aiming\AimSolution;
use ZigLane\Core\Aiming\AimSolver;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Games\Game;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Physics\EventType;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\LeastElevation;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\ShotResult;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\TableLengths;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\ShotSpec;
use ZigLane\Core\Settings\Defaults;

/**
 * Plays the legs of a rack one after the other, each from where the last one left the balls, and finds what
 * goes wrong. A leg that no longer works ends the line but stays in it, as do those behind it.
 */
final readonly class LinePlayer
{
    private AimSolver $solver;
    private TableLengths $lengths;

    public function __construct(private Simulator $simulator)
    {
        $this->solver = new AimSolver($simulator);
        $this->lengths = new TableLengths($simulator);
    }

    /** A player of lines on the table and with the cue of a rack. */
    public static function for(Rack $rack): self
    {
        return new self($rack->simulator());
    }

    /**
     * @return list<LegOutcome>
     */
    public function play(Rack $rack): array
    {
        $game = $rack->rules();
        $layout = $rack->layout;
        $outcomes = [];
        $broken = null;
        foreach ($rack->legs as $index => $spec) {
            $number = $index + 1;
            if (null !== $broken) {
                $outcomes[] = new LegOutcome($number, $spec, LegState::Waits, null, [new LegFault(LegFaultKind::NotReached, $broken)]);
                continue;
            }
            $leg = $this->leg($number, $spec, $layout, $game);
            $outcomes[] = $leg;
            if (LegState::Breaks === $leg->state) {
                $broken = $number;
            }
            $layout = $leg->after() ?? $layout;
        }

        return $outcomes;
    }

    /** One leg from a layout. */
    public function leg(int $number, ShotSpec $spec, Layout $layout, Game $game): LegOutcome
    {
        if ($game->isOver($layout)) {
            return new LegOutcome($number, $spec, LegState::Spent, $layout, [new LegFault(LegFaultKind::RackOver)]);
        }
        $ball = $spec->ball;
        if (null !== $ball && !$layout->has($ball)) {
            return new LegOutcome($number, $spec, LegState::Spent, $layout, [new LegFault(LegFaultKind::BallDown, $ball)]);
        }
        $notes = [];
        try {
            [$shot, $aim, $result] = $this->stroke($spec, $layout, $notes);
        } catch (AimRefused|InvalidInput $e) {
            $refused = new LegFault(LegFaultKind::Refused, message: $e->getMessage());

            return new LegOutcome($number, $spec, LegState::Breaks, $layout, [$refused], $notes);
        }
        $verdict = $game->judge($layout, $result);
        $faults = [];
        if (!$verdict->legal()) {
            $faults[] = new LegFault(LegFaultKind::Foul, foul: $verdict->foul);
        }
        if ($verdict->lost) {
            $faults[] = new LegFault(LegFaultKind::LostRack, $game->lastBall($layout));
        }
        if (null !== $ball && null !== $spec->pocket && ($result->pocketed[$ball] ?? null) !== $spec->pocket) {
            $in = $result->pocketed[$ball] ?? null;
            $faults[] = new LegFault(null === $in ? LegFaultKind::StaysUp : LegFaultKind::OtherPocket, $ball, $in);
        }
        if (null === $ball && [] === array_diff(array_keys($result->pocketed), [BallId::CUE])) {
            $faults[] = new LegFault(LegFaultKind::NothingDrops);
        }

        return new LegOutcome(
            $number,
            $spec,
            [] === $faults ? LegState::Holds : LegState::Breaks,
            $layout,
            $faults,
            [...$notes, ...self::unintended($ball ?? $result->firstHit, $result)],
            $shot,
            $aim,
            $result,
            $verdict,
        );
    }

    /**
     * The stroke that a leg asks for, at another speed with the same aim: what happens when it is hit softer or harder.
     *
     * @param float $factor 1.1 is a tenth harder
     */
    public function replay(LegOutcome $leg, float $factor): ?ShotResult
    {
        if (null === $leg->shot || null === $leg->before) {
            return null;
        }

        return $this->simulator->play($leg->before, $leg->shot->withSpeed(min($leg->shot->speed * $factor, Defaults::MAX_CUE_SPEED)));
    }

    /** Speed in table lengths on this table. */
    public function lengths(): TableLengths
    {
        return $this->lengths;
    }

    /**
     * Plays a shot as stated, raising the cue where a rail or a ball behind it forces that.
     *
     * @param list<LegNote> $notes what was changed is added here
     *
     * @return array{Shot, AimSolution|null, ShotResult}
     *
     * @throws AimRefused   when there is no direct shot
     * @throws InvalidInput when the stroke cannot be played
     */
    private function stroke(ShotSpec $spec, Layout $layout, array &$notes): array
    {
        $speed = $spec->speed->on($this->lengths);
        $asked = deg2rad($spec->elevationDeg);
        if (null !== $spec->aimDeg) {
            $aim = deg2rad($spec->aimDeg);
            $shot = new Shot($aim, $speed, $spec->tip, $this->raised($layout, $aim, $spec, $asked, $notes));

            return [$shot, null, $this->simulator->play($layout, $shot)];
        }
        if (null === $spec->ball || null === $spec->pocket) {
            throw new InvalidInput('shot', 'needs aimDeg, or ball and pocket');
        }
        $elevation = $asked;
        if ($layout->has(BallId::CUE)) {
            $toward = $layout->ball(BallId::CUE)->angleTo($layout->ball($spec->ball));
            $elevation = $this->raised($layout, $toward, $spec, $asked, $notes);
        }
        $solution = $this->solver->solve(
            $layout,
            new AimRequest($spec->ball, $spec->pocket, $speed, $spec->tip, $elevation, $spec->offset),
        );
        // The true direction differs from "at the ball": what stands behind the cue may differ too.
        $own = [];
        $least = $this->raised($layout, $solution->shot->aim, $spec, $asked, $own);
        if (abs($least - $elevation) > 1e-9) {
            $notes = $own;
            $solution = $this->solver->solve(
                $layout,
                new AimRequest($spec->ball, $spec->pocket, $speed, $spec->tip, $least, $spec->offset),
            );
        }

        return [$solution->shot, $solution, $solution->result];
    }

    /**
     * @param list<LegNote> $notes
     */
    private function raised(Layout $layout, float $aim, ShotSpec $spec, float $asked, array &$notes): float
    {
        $least = LeastElevation::of($layout, $aim, $spec->tip, $this->simulator->geometry, $this->simulator->ball);
        $most = deg2rad(Defaults::MAX_ELEVATION_DEG);
        if ($least > $most) {
            $notes[] = new LegNote(LegNoteKind::HardlyReachable, degrees: Defaults::MAX_ELEVATION_DEG);
            $least = $most;
        } elseif ($least > $asked + 1e-9) {
            $notes[] = new LegNote(LegNoteKind::RaisedCue, degrees: rad2deg($least));
        }

        return max($asked, $least);
    }

    /**
     * @return list<LegNote>
     */
    private static function unintended(?int $ball, ShotResult $result): array
    {
        $notes = [];
        $seen = [];
        $first = true;
        foreach ($result->events as $event) {
            if (EventType::BallBall !== $event->type) {
                continue;
            }
            [$a, $b] = $event->balls;
            if ($first) {
                $first = false;
                continue;
            }
            if (BallId::CUE !== $a && (BallId::CUE === $b || $b === $ball)) {
                [$a, $b] = [$b, $a];
            }
            if (isset($seen["$a-$b"])) {
                continue;
            }
            $seen["$a-$b"] = true;
            $notes[] = BallId::CUE === $a && $b === $ball
                ? new LegNote(LegNoteKind::MeetsAgain, $b)
                : new LegNote(LegNoteKind::RunsInto, $a, $b);
        }
        foreach ($result->pocketed as $id => $pocket) {
            if (BallId::CUE !== $id && $id !== $ball) {
                $notes[] = new LegNote(LegNoteKind::DropsToo, $id, pocket: $pocket);
            }
        }

        return $notes;
    }
}
