<?php

declare(strict_types=1);

namespace ZigLane\Core\Decision;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Games\Group;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\AimedStroke;
use ZigLane\Core\Physics\BallStates;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\ShotResult;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Player\ErrorSample;
use ZigLane\Core\Player\Execution;
use ZigLane\Core\Player\ExecutionError;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Potting\Judgement;
use ZigLane\Core\Rack\Kitchen;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\Spotting;
use ZigLane\Core\Settings\Defaults;

/**
 * What becomes of strokes from one table when they are played with the player's errors, by the rules of the game.
 *
 * @internal
 */
final class StrokeEnds
{
    /** Contacts with rubber after which a try is given up. */
    private const MOST_RAILS = 60;

    private readonly Simulator $simulator;
    private readonly Player $player;

    /** The stroke that was played last, and its errors: they are asked for again and again. */
    private ?AimedStroke $last = null;
    private ?ExecutionError $errors = null;

    public function __construct(private readonly Rack $rack)
    {
        $this->simulator = $rack->simulator();
        $this->player = $rack->player;
    }

    /**
     * @param Pot|null $call what is called; null for a safety
     */
    public function end(AimedStroke $stroke, ?Pot $call, ?ErrorSample $sample = null): End
    {
        $result = $this->played($stroke, $sample);
        $before = $this->rack->layout;
        if (null === $result) {
            // The cue ball goes a little way aside: a foul on most tables.
            return new End(EndKind::Foul, $before);
        }
        $game = $this->rack->rules();
        $verdict = $game->judge($before, $result);
        $made = $game->countsAsMade($call?->ball, $call?->pocket, $result);
        if ($verdict->lost || ($verdict->won && !$made && $game->losesOtherwise())) {
            return new End(EndKind::Lost, $result->final, $result->pocketed);
        }
        if ($verdict->won && $made) {
            return new End(EndKind::Won, $result->final, $result->pocketed);
        }
        $last = $game->lastBall($before);
        $back = $verdict->won && null !== $last ? [$last] : $game->spotted($before, $result);
        $after = Spotting::back($this->simulator, $result->final, $back);
        if (!$verdict->legal() || Kitchen::isLeftWrongly($this->rack, $result)) {
            return new End(EndKind::Foul, $after, $result->pocketed);
        }

        return new End($made ? EndKind::Made : EndKind::Passed, $after, $result->pocketed, $made ? $this->taken($call, $result) : null);
    }

    /** The group that a legal pot takes on an open table; null where there is none to take. */
    private function taken(?Pot $call, ShotResult $result): ?Group
    {
        $game = $this->rack->rules();
        if (!$game->isTableOpen()) {
            return null;
        }
        $ball = null !== $call && isset($result->pocketed[$call->ball]) ? $call->ball : array_key_first($result->pocketed);

        return null === $ball ? null : $game->groupTakenWith($ball);
    }

    /** The same stroke as a push-out: nothing need be hit, and only a scratch is a foul. */
    public function pushed(AimedStroke $stroke, ?ErrorSample $sample = null): End
    {
        $result = $this->played($stroke, $sample);
        if (null === $result) {
            return new End(EndKind::Foul, $this->rack->layout);
        }
        $last = $this->rack->rules()->lastBall($this->rack->layout);
        $back = null !== $last && $result->isGone($last) ? [$last] : [];
        $after = Spotting::back($this->simulator, $result->final, $back);

        return new End($result->scratched() ? EndKind::Foul : EndKind::Pushed, $after, $result->pocketed);
    }

    /** Null for a miscue. */
    private function played(AimedStroke $stroke, ?ErrorSample $sample): ?ShotResult
    {
        $played = null === $sample ? $stroke : $this->missed($stroke, $sample);
        if ($played->stroke->offset() > Defaults::MISCUE_LIMIT + 1e-9) {
            return null;
        }
        $state = $this->simulator->struck($this->rack->layout, $played);
        $this->simulator->run($state, mostRails: self::MOST_RAILS);

        return $this->result($state);
    }

    private function missed(AimedStroke $stroke, ErrorSample $sample): AimedStroke
    {
        if ($stroke !== $this->last || null === $this->errors) {
            $this->last = $stroke;
            $this->errors = (new Judgement($this->simulator, $this->rack->layout))->errors($this->player, $stroke);
        }

        return Execution::stroke($this->errors, $sample, $stroke);
    }

    /** Without events and paths. */
    private function result(BallStates $state): ShotResult
    {
        $ids = array_keys($this->rack->layout->balls);
        $final = $pocketed = $off = [];
        foreach ($ids as $slot => $id) {
            if ($state->isOff($slot)) {
                $off[] = $id;
            } elseif ($state->isDown($slot)) {
                $pocketed[$id] = Pocket::at($state->pocket[$slot]);
            } else {
                $final[$id] = new Point($state->x[$slot], $state->y[$slot]);
            }
        }

        return new ShotResult(
            [],
            [],
            new Layout($final),
            $pocketed,
            $state->firstHit < 0 ? null : $ids[$state->firstHit],
            $state->railAfterHit,
            $state->time,
            $off,
        );
    }
}
