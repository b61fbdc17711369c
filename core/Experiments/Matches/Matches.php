<?php

declare(strict_types=1);

namespace ZigLane\Core\Experiments\Matches;

use ZigLane\Core\Decision\EndKind;
use ZigLane\Core\Decision\StrokeEnds;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Player\ErrorSample;
use ZigLane\Core\Rack\FreshRack;
use ZigLane\Core\Rack\Playable;
use ZigLane\Core\Rack\Rack;

/**
 * Two players contest racks as a break leaves them, every stroke with its player's error in it: each rack twice, so that both begin it
 * once, and under the same errors: where both decide alike, each of them wins it once (common random numbers; A. M. Law and W. D. Kelton,
 * "Simulation Modeling and Analysis", 1982).
 */
final readonly class Matches
{
    /** Shots after which a rack is given up. */
    private const MOST = 60;

    /** Steps in which a place is looked for where a cue ball that fell can be put down, m. */
    private const STEP = 0.08;

    /** @param array{Contestant, Contestant} $players */
    public function __construct(private GameName $game, private array $players, private int $seed) {}

    /**
     * @return \Generator<int, MatchRack> two for each break: the first player begins, then the second
     */
    public function play(int $racks): \Generator
    {
        for ($n = 0; $n < $racks; ++$n) {
            $seed = $this->seed * 100_003 + intdiv($n, 2);
            $first = $n % 2;
            $rack = FreshRack::broken($this->game, $seed, $this->players[$first]->player)->rack;

            yield $this->rack($rack->named("$rack->name, $n"), $first, new Generator(7_919 * $seed + 1));
        }
    }

    private function rack(Rack $rack, int $turn, Generator $random): MatchRack
    {
        $simulator = $rack->simulator();
        $groups = [null, null];
        $predictions = [];
        for ($shots = 1; $shots <= self::MOST; ++$shots) {
            $player = $this->players[$turn];
            $rack = null === $groups[$turn] ? $rack : $rack->withGroup($groups[$turn]);
            $shot = $player->decide($rack, $this->players[1 - $turn]->player);
            if (null === $shot) {
                return new MatchRack(null, $shots, $predictions);
            }
            if (null !== $shot->win) {
                $predictions[] = [$turn, $shot->win, $shot->kind];
            }
            $sample = ErrorSample::drawn($random);
            $end = (new StrokeEnds($shot->rack))->end($shot->stroke, $shot->call, $sample);
            if (EndKind::Won === $end->kind || EndKind::Lost === $end->kind) {
                return new MatchRack(EndKind::Won === $end->kind ? $turn : 1 - $turn, $shots, $predictions);
            }
            if (EndKind::Made === $end->kind && null === $groups[$turn] && $rack->rules()->isTableOpen()) {
                $groups[$turn] = $shot->rack->group;
                $groups[1 - $turn] = $shot->rack->group?->other();
            }
            $inHand = EndKind::Foul === $end->kind;
            $rack = $rack->withLayout(self::withCueBall($simulator, $end->table))->withBallInHand($inHand);
            $turn = EndKind::Made === $end->kind ? $turn : 1 - $turn;
        }

        return new MatchRack(null, self::MOST, $predictions);
    }

    /** A cue ball that fell is put down somewhere: the player to come has it in hand. */
    private static function withCueBall(Simulator $simulator, Layout $layout): Layout
    {
        if ($layout->has(BallId::CUE)) {
            return $layout;
        }
        for ($x = self::STEP; $x < $simulator->geometry->length; $x += self::STEP) {
            for ($y = self::STEP; $y < $simulator->geometry->width; $y += self::STEP) {
                $place = new Point($x, $y);
                if (Playable::hasRoom($simulator, $layout, $place)) {
                    return new Layout([BallId::CUE => $place] + $layout->balls);
                }
            }
        }

        throw new \LogicException('There is no room for the cue ball.');
    }
}
