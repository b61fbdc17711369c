<?php

declare(strict_types=1);

namespace ZigLane\Core\Line;

use ZigLane\Core\Aiming\AimRefused;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Games\Foul;
use ZigLane\Core\Games\FoulCall;
use ZigLane\Core\Games\Game;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Physics\EventType;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\ShotResult;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\TableLengths;
use ZigLane\Core\Rack\Kitchen;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\ShotSpec;
use ZigLane\Core\Rack\StatedShot;
use ZigLane\Core\Settings\Defaults;
use ZigLane\Core\Shots\Intent;

/**
 * Plays the legs of a rack one after the other, each from where the last one left the balls, and finds what
 * goes wrong. A leg that no longer works ends the line but stays in it, as do those behind it.
 */
final readonly class LinePlayer
{
    private TableLengths $lengths;

    public function __construct(private Simulator $simulator)
    {
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
        $at = $rack;
        $outcomes = [];
        $broken = null;
        foreach ($rack->legs as $index => $spec) {
            $number = $index + 1;
            if (null !== $broken) {
                $outcomes[] = new LegOutcome($number, $spec, LegState::Waits, null, [new LegFault(LegFaultKind::NotReached, $broken)]);
                continue;
            }
            $leg = $this->leg($number, $spec, $at->layout, $at->rules());
            if (0 === $index && null !== $leg->result && Kitchen::isLeftWrongly($rack, $leg->result)) {
                $foul = new FoulCall(Foul::InKitchen, ball: $leg->result->firstHit);
                $leg = $leg->breaking(new LegFault(LegFaultKind::Foul, foul: $foul));
            }
            $outcomes[] = $leg;
            if (LegState::Breaks === $leg->state) {
                $broken = $number;
            }
            $at = RackAfter::legs($at, [$leg]);
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
        try {
            $stated = StatedShot::play($this->simulator, $spec, $layout);
        } catch (AimRefused|InvalidInput $e) {
            $refused = new LegFault(LegFaultKind::Refused, message: $e->getMessage());

            return new LegOutcome($number, $spec, LegState::Breaks, $layout, [$refused]);
        }
        [$shot, $aim, $result] = [$stated->shot, $stated->aim, $stated->result];
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
        if (null === $ball && !$spec->intent->isSafety() && [] === array_diff(array_keys($result->pocketed), [BallId::CUE])) {
            $faults[] = new LegFault(LegFaultKind::NothingDrops);
        }

        return new LegOutcome(
            $number,
            $spec,
            [] === $faults ? LegState::Holds : LegState::Breaks,
            $layout,
            $faults,
            [...self::raised($stated, $spec), ...self::unintended($ball ?? $result->firstHit, $result, $spec->intent)],
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
     * What a leg has to say of how high the cue must be.
     *
     * @return list<LegNote>
     */
    private static function raised(StatedShot $stated, ShotSpec $spec): array
    {
        $most = deg2rad(Defaults::MAX_ELEVATION_DEG);

        return match (true) {
            $stated->least > $most => [new LegNote(LegNoteKind::HardlyReachable, degrees: Defaults::MAX_ELEVATION_DEG)],
            $stated->least > deg2rad($spec->elevationDeg) + 1e-9 => [new LegNote(LegNoteKind::RaisedCue, degrees: rad2deg($stated->least))],
            default => [],
        };
    }

    /**
     * @return list<LegNote>
     */
    private static function unintended(?int $ball, ShotResult $result, Intent $intent): array
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
            $known = isset($seen["$a-$b"]);
            $seen["$a-$b"] = true;
            if ($known || (null !== $ball && $intent->brings($a, $b, $ball))) {
                continue;
            }
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
