<?php

declare(strict_types=1);

namespace ZigLane\App\View;

use ZigLane\App\Reading\ReadingDesk;
use ZigLane\Core\Ball\BallId;
use ZigLane\Core\Chance\PotChance;
use ZigLane\Core\Plan\LegOutcome;
use ZigLane\Core\Plan\LegPosition;
use ZigLane\Core\Plan\LegState;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Reading\Openings;
use ZigLane\Core\Settings\Defaults;
use ZigLane\Core\Table\Pocket;

/**
 * The chances of a line's legs, and the chosen leg's way to the next zone, as the page shows them.
 */
final readonly class PositionView
{
    /**
     * @param array<int, float> $pots by leg
     * @param array<int, float> $runs products so far, by leg
     * @param array{pot: float, position: float, worth: float, scratch: float, touches: float, hooked: float, astray: float}|null $chances of
     *                          the chosen leg, by playing it
     */
    private function __construct(public array $pots, public array $runs, public ?LegPosition $position, public ?ZoneDrawing $zone, public ?array $chances) {}

    /**
     * @param list<LegOutcome> $legs
     * @param int              $chosen 0 for none
     */
    public static function of(Rack $rack, array $legs, int $chosen, ReadingDesk $desk): self
    {
        $simulator = $rack->simulator();
        $pots = $runs = [];
        $run = 1.0;
        foreach ($legs as $leg) {
            $spec = $leg->spec;
            if (LegState::Holds !== $leg->state || null === $leg->before || null === $leg->shot || null === $spec->ball || null === $spec->pocket) {
                break;
            }
            $pot = new PotChance($simulator, $leg->before, $spec->ball, $spec->pocket, $rack->player);
            $pots[$leg->number] = $pot->ofShot($leg->before->ball(BallId::CUE), $leg->shot)->chance;
            $runs[$leg->number] = $run *= $pots[$leg->number];
        }
        $leg = $legs[$chosen - 1] ?? null;
        $position = null;
        if (isset($pots[$chosen]) && null !== $leg) {
            $next = self::next($rack, $leg, $legs[$chosen] ?? null);
            $position = null === $next ? null : $desk->position($rack, $leg, $next[0], $next[1], Defaults::ZONE_CHANCE);
        }

        $chances = null === $leg || !isset($pots[$chosen]) ? null : $desk->chances($rack, $leg);

        return new self($pots, $runs, $position, null === $position ? null : new ZoneDrawing($position->zone, $rack->table->size), $chances);
    }

    /**
     * @return array{int, Pocket}|null the ball and pocket that the leg after is about, or the ball due and its widest pocket
     */
    private static function next(Rack $rack, LegOutcome $leg, ?LegOutcome $after): ?array
    {
        $layout = $leg->after();
        if (null === $layout || !$layout->has(BallId::CUE)) {
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
