<?php

declare(strict_types=1);

namespace ZigLane\App\View;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Line\LegOutcome;
use ZigLane\Core\Line\LegPosition;
use ZigLane\Core\Line\LegState;
use ZigLane\Core\Line\RackAfter;
use ZigLane\Core\Physics\AimedStroke;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Potting\ErrorSamples;
use ZigLane\Core\Potting\PlayedChance;
use ZigLane\Core\Potting\PotChance;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Reading\Openings;
use ZigLane\Core\Routes\RouteChances;
use ZigLane\Core\Routes\RouteSearch;
use ZigLane\Core\Shots\Intent;

/**
 * The chances of a line's legs, and the chosen leg's way to the next zone, as the page shows them.
 */
final readonly class PositionView
{
    /** Tries that a leg's chances rest on. */
    private const TRIES = 240;

    /**
     * @param array<int, float> $pots by leg
     * @param array<int, float> $runs products so far, by leg
     */
    private function __construct(
        public array $pots,
        public array $runs,
        public ?LegPosition $position,
        public ?ZoneDrawing $zone,
        public ?RouteChances $chances,
    ) {}

    /**
     * @param list<LegOutcome> $legs
     * @param int              $chosen 0 for none
     */
    public static function of(Rack $rack, array $legs, int $chosen): self
    {
        $pots = $runs = [];
        $run = 1.0;
        foreach ($legs as $leg) {
            $spec = $leg->spec;
            if (
                LegState::Holds !== $leg->state
                || null === $leg->before
                || null === $leg->shot
                || null === $spec->ball
                || null === $spec->pocket
            ) {
                break;
            }
            $pot = new Pot($spec->ball, $spec->pocket);
            $pots[$leg->number] = self::chance($rack, $spec->intent, $pot, $leg->before, $leg->shot->stroke());
            $runs[$leg->number] = $run *= $pots[$leg->number];
        }
        $leg = $legs[$chosen - 1] ?? null;
        $position = null;
        $chances = null;
        if (isset($pots[$chosen]) && null !== $leg && $leg->spec->intent->isPlain()) {
            $chances = self::chances(RackAfter::legs($rack, \array_slice($legs, 0, $chosen - 1)), $leg);
            $after = RackAfter::legs($rack, \array_slice($legs, 0, $chosen));
            $next = self::next($after, $legs[$chosen] ?? null);
            $position = null === $next ? null : LegPosition::of($after, $leg, $next[0], $next[1]);
        }

        return new self(
            $pots,
            $runs,
            $position,
            null === $position ? null : new ZoneDrawing($position->zone, $rack->table->size),
            $chances,
        );
    }

    /** The chance of a leg's pot, 0–1. */
    private static function chance(Rack $rack, Intent $intent, Pot $pot, Layout $before, AimedStroke $stroke): float
    {
        if ($intent->isPlain()) {
            return (new PotChance($rack->simulator(), $before, $pot, $rack->player))->tried($before->ball(BallId::CUE), $stroke);
        }
        $samples = (new ErrorSamples())->judging(PlayedChance::SHOWN);

        return (new PlayedChance($rack->simulator(), $before, $pot, $intent))->under($stroke, $rack->player, $samples);
    }

    /** What a planned leg comes to when it is played with the player's errors; null for one that names no ball and pocket. */
    private static function chances(Rack $rack, LegOutcome $leg): ?RouteChances
    {
        [$before, $shot, $ball, $pocket] = [$leg->before, $leg->shot, $leg->spec->ball, $leg->spec->pocket];
        if (null === $before || null === $shot || null === $ball || null === $pocket) {
            return null;
        }
        $search = new RouteSearch($rack->withLayout($before), new Pot($ball, $pocket));
        $search->evaluator()->lookOn();

        return $search->chances($shot, (new ErrorSamples())->first(self::TRIES));
    }

    /**
     * @return array{int, Pocket}|null the ball and pocket that the leg after is about, or the ball due and its widest pocket
     */
    private static function next(Rack $rack, ?LegOutcome $after): ?array
    {
        $layout = $rack->layout;
        if (!$layout->has(BallId::CUE)) {
            return null;
        }
        if (null !== $after?->spec->ball && null !== $after->spec->pocket && $layout->has($after->spec->ball)) {
            return [$after->spec->ball, $after->spec->pocket];
        }
        $game = $rack->rules();
        $ball = $game->isOver($layout) ? null : ($game->legalTargets($layout)[0] ?? null);
        if (null === $ball) {
            return null;
        }
        $going = Openings::goingOf($rack->simulator(), $layout, $ball);

        return [] === $going ? null : [$ball, $going[0]->pocket];
    }
}
