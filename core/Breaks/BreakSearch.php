<?php

declare(strict_types=1);

namespace ZigLane\Core\Breaks;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\ShotResult;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Potting\PotChance;
use ZigLane\Core\Rack\BreakAim;
use ZigLane\Core\Rack\BreakStroke;
use ZigLane\Core\Rack\FreshRack;
use ZigLane\Core\Rack\RackUp;

/**
 * The break of nine-ball, ten-ball or eight-ball that leaves this player most often with a ball down and a pot on, by trying it: places,
 * speeds and aims, each under the player's errors; the better ones again and again (successive halving; Z. Karnin and others, "Almost
 * optimal exploration in multi-armed bandits", 2013). All are tried on the same racks.
 */
final readonly class BreakSearch
{
    /** What is tried: cue speeds (m/s), and places aside of the middle (diamonds). */
    private const SPEEDS = [6.5, 8.0, 9.5];
    private const ASIDES = [0.0, 0.6, 1.2];

    /** Breaks that are kept, and the tries that each then has in all. */
    private const RUNGS = [[24, 12], [16, 40], [8, 160], [4, 400]];

    /** Next pots that are looked at closely. Cosine of the thinnest of them; nearer than this (m) a ball is not easier. */
    private const LOOKED_AT = 2;
    private const THINNEST = 0.26;
    private const NEAR = 0.3;

    private Simulator $simulator;

    /**
     * @param float $gap widest gap between racked neighbours, m
     *
     * @throws InvalidInput for straight pool, whose rack is opened otherwise
     */
    public function __construct(
        private GameName $game,
        private Player $player,
        Table $table = new Table(),
        private float $gap = RackUp::GAP,
        private int $seed = 1,
    ) {
        if ($game->rules()->endsWithBreakShot()) {
            throw new InvalidInput('game', 'is opened by a break shot');
        }
        $this->simulator = new Simulator($table);
    }

    /**
     * The breaks, the best first, with more and more tries.
     *
     * @param float $share of the tries of each step, 0–1
     *
     * @return \Generator<int, non-empty-list<BreakTries>>
     */
    public function ranked(float $share = 1.0): \Generator
    {
        $all = [];
        foreach (BreakAim::cases() as $aim) {
            foreach (self::ASIDES as $aside) {
                foreach (self::SPEEDS as $speed) {
                    // From the middle the ball behind the apex is cut through it.
                    if (BreakAim::SecondBall !== $aim || $aside > 0.0) {
                        $all[] = new BreakTries(new BreakStroke($speed, $aside, $aim, $this->gap));
                    }
                }
            }
        }
        foreach (self::RUNGS as [$kept, $tries]) {
            foreach (\array_slice($all, 0, $kept) as $one) {
                $this->more($one, max(1, (int) round($share * $tries)));
            }
            $best = \array_slice($all, 0, $kept);
            usort($best, static fn(BreakTries $a, BreakTries $b): int => $b->goesOn() <=> $a->goesOn());
            $all = [...$best, ...\array_slice($all, $kept)];
            yield $best;
        }
    }

    /** Tries a break until it has so many tries. */
    public function more(BreakTries $tries, int $until): void
    {
        $rules = $this->game->rules();
        while ($tries->tries < $until) {
            // The same racks for every break, from either side.
            $random = new Generator(1_000_003 * $this->seed + $tries->tries);
            $stroke = 0 === $tries->tries % 2 ? $tries->stroke : $tries->stroke->mirrored();
            [$racked, $result] = FreshRack::tried($this->simulator, $rules, $random, $this->player, $stroke);
            $dropped = array_keys(array_diff_key($result->pocketed, [BallId::CUE => true]));
            $end = $this->end($racked, $result);
            $tries->add($end, \count($dropped), [] !== array_intersect($dropped, $this->wings($racked)), match ($end) {
                BreakEnd::Won => 1.0,
                BreakEnd::Kept => $this->bestPot($result->final),
                default => 0.0,
            });
        }
    }

    private function end(Layout $racked, ShotResult $result): BreakEnd
    {
        $rules = $this->game->rules();
        $last = $rules->lastBall($racked);
        if ($result->scratched() || [] !== $result->offTable) {
            return BreakEnd::Scratched;
        }
        if (null !== $last && isset($result->pocketed[$last])) {
            // The nine wins; the ten, and the eight by the commoner rule, are spotted, and the turn goes on (WPA rules, from memory).
            return $rules->winsByFalling($racked) ? BreakEnd::Won : BreakEnd::Kept;
        }

        return [] !== $result->pocketed && FreshRack::isLegal($result) ? BreakEnd::Kept : BreakEnd::Passed;
    }

    /**
     * Balls at the two ends of the widest row.
     *
     * @return list<int>
     */
    private function wings(Layout $racked): array
    {
        $balls = $racked->objectBalls();
        usort($balls, static fn(int $a, int $b): int => $racked->ball($a)->y <=> $racked->ball($b)->y);

        return [$balls[0], $balls[\count($balls) - 1]];
    }

    /** Chance of the best pot of a ball that is due. */
    private function bestPot(Layout $table): float
    {
        $cue = $table->ball(BallId::CUE);
        $best = 0.0;
        foreach (\array_slice($this->easiest($table), 0, self::LOOKED_AT) as $pot) {
            $chance = new PotChance($this->simulator, $table, $pot, $this->player);
            if ($chance->free($cue->x, $cue->y)) {
                $best = max($best, $chance->fromPlace($cue->x, $cue->y)->chance);
            }
        }

        return $best;
    }

    /**
     * Pots of balls that are due, the easiest first by plain geometry: full, near, and near the pocket.
     *
     * @return list<Pot>
     */
    private function easiest(Layout $table): array
    {
        $rules = $this->game->rules();
        $cue = $table->ball(BallId::CUE);
        $last = $rules->hasFixedOrder() ? null : $rules->lastBall($table);
        $pots = $ease = [];
        foreach (array_diff($rules->legalTargets($table), [$last]) as $ball) {
            $place = $table->ball($ball);
            foreach (Pocket::cases() as $pocket) {
                $mouth = $this->simulator->geometry->pocket($pocket)->entrance($place);
                $full = cos($place->angleTo($mouth) - $cue->angleTo($place));
                if ($full > self::THINNEST && $this->isClear($table, $ball, $mouth)) {
                    $pots[] = new Pot($ball, $pocket);
                    $ease[] = $full / (($cue->distanceTo($place) + self::NEAR) * ($place->distanceTo($mouth) + self::NEAR));
                }
            }
        }
        array_multisort($ease, \SORT_DESC, $pots);

        return $pots;
    }

    /** Whether no ball lies on the straight lines of a pot. */
    private function isClear(Layout $table, int $ball, Point $mouth): bool
    {
        $diameter = 2 * $this->simulator->ball->radius;
        $place = $table->ball($ball);
        $ghost = $place->toward($place->angleTo($mouth), -$diameter);
        foreach (array_diff($table->objectBalls(), [$ball]) as $other) {
            $lies = $table->ball($other);
            if ($lies->distanceToLine($table->ball(BallId::CUE), $ghost) < $diameter || $lies->distanceToLine($place, $mouth) < $diameter) {
                return false;
            }
        }

        return true;
    }
}
