<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Games\Game;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\Stroke;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Potting\AcceptanceWindows;
use ZigLane\Core\Potting\NoPot;
use ZigLane\Core\Potting\PotChance;
use ZigLane\Core\Potting\ShotSampler;
use ZigLane\Core\Rack\Racking;
use ZigLane\Core\Reading\Openings;

/**
 * How well a ball of straight pool serves as the break ball where it lies: break shots from places about it are played on the
 * full rack, and the balls they spread are counted.
 *
 * @internal
 */
final class BreakBalls
{
    /** Farther from the middle of the rack than this (m) no ball is a break ball. */
    private const NEAR = 0.75;

    /** Cuts (rad) and distances (m) that it is tried from, to either side; pockets; strokes: speed (m/s) and height of the tip. */
    private const CUTS = [0.3, 0.55, 0.85];
    private const DISTANCES = [0.35, 0.6];
    private const POCKETS = 2;
    private const STROKES = [[4.0, 0.25], [4.0, -0.25]];

    /** The best so many places count. */
    private const COUNTED = 3;

    /** @var array<string, float> by place */
    private array $known = [];

    /** @param AcceptanceWindows $windows of this table, as far as they are known */
    public function __construct(
        private readonly Simulator $simulator,
        private readonly Player $player,
        private readonly AcceptanceWindows $windows,
    ) {}

    /** Balls that the best break shots on a ball spread, as a share of a good spread, 0–1. */
    public function quality(Game $game, int $ball, Point $at): float
    {
        $key = \sprintf('%.4F %.4F', $at->x, $at->y);

        return $this->known[$key] ??= $this->workedOut($game, $ball, $at);
    }

    private function workedOut(Game $game, int $ball, Point $at): float
    {
        $middle = Racking::footSpot($this->simulator);
        if (Racking::inside($this->simulator, $at) || $at->distanceTo($middle) > self::NEAR) {
            return 0.0;
        }
        $places = BreakSpread::racked($this->simulator, $game, $ball, $at);
        $spreads = [];
        $racked = new Layout($places);
        foreach (\array_slice(Openings::goingOf($this->simulator, $racked, $ball, $this->windows), 0, self::POCKETS) as $opening) {
            foreach ($this->cuePlaces($racked, new Pot($ball, $opening->pocket)) as $cue) {
                $spreads[] = $this->spread(new Layout([BallId::CUE => $cue] + $places), new Pot($ball, $opening->pocket));
            }
        }
        rsort($spreads);
        $best = \array_slice($spreads, 0, self::COUNTED);

        return [] === $best ? 0.0 : min(1.0, array_sum($best) / \count($best) / BreakSpread::GOOD);
    }

    /**
     * @return list<Point>
     */
    private function cuePlaces(Layout $racked, Pot $pot): array
    {
        $g = $this->simulator->geometry;
        $at = $racked->ball($pot->ball);
        $toward = $at->angleTo($g->pocket($pot->pocket)->entrance($at));
        $diameter = 2 * $this->simulator->ball->radius;
        $places = [];
        foreach (self::CUTS as $cut) {
            foreach ([$cut, -$cut] as $signed) {
                foreach (self::DISTANCES as $distance) {
                    $place = $at->toward($toward, -$diameter)->toward($toward - $signed, -$distance);
                    if ($g->canRest($place) && !Racking::inside($this->simulator, $place)) {
                        $places[] = $place;
                    }
                }
            }
        }

        return $places;
    }

    /** Balls that the better of the strokes spreads from a place; none when it misses or scratches. */
    private function spread(Layout $layout, Pot $pot): int
    {
        $chance = new PotChance($this->simulator, $layout, $pot, $this->player, $this->windows->among($layout, $pot));
        $sampler = new ShotSampler($this->simulator, $layout, $pot);
        $most = 0;
        foreach (self::STROKES as [$speed, $height]) {
            $line = $chance->line($layout->ball(BallId::CUE), new Stroke($speed, 0.0, $height));
            $state = $line instanceof NoPot ? null : $sampler->run($line);
            if (null === $state || !$sampler->pots($state) || $sampler->scratches($state)) {
                continue;
            }
            $most = max($most, BreakSpread::count($layout, $sampler, $state));
        }

        return $most;
    }
}
