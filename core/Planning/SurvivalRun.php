<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Planning\Value\MapPlay;
use ZigLane\Core\Planning\Value\RemainingBalls;
use ZigLane\Core\Planning\Value\StateValues;
use ZigLane\Core\Potting\ErrorSamples;
use ZigLane\Core\Rack\Rack;

/**
 * Plays a rack some hundred times to see where runs end: the first shot as it is planned, with the player's errors in it, and from
 * where it leaves the balls on by the state values.
 *
 * They see a little less of the later shots than the search does: what they come to is drawn toward the chance that was searched for,
 * the more the later the shot.
 */
final class SurvivalRun
{
    public const RUNS = 400;

    /** Even the easiest shot is lost now and then; chances below the least are not told apart. */
    private const EASIEST = 0.005;
    private const LEAST = 1e-4;

    /** From a place that leaves less than this share of the planned shot's chance a miss is one of position. */
    private const IN_POSITION = 0.8;

    /** @var array<int, float> runs that are on after each shot, from 1 */
    private array $alive;

    private const MISSED = 0;
    private const POSITION = 1;
    private const SCRATCH = 2;
    private const HOOKED = 3;

    /** @var array<int, non-empty-array<int, float>> runs that ended so, by shot from 1 */
    private array $lost;

    /** @var list<float> how much of the chance each shot of the line loses, as a logarithm */
    private readonly array $hard;

    private readonly MapPlay $play;
    private readonly Generator $random;

    /** @param list<PlannedShot> $shots of the line, the first as it is planned */
    private function __construct(private readonly StateValues $states, float $error, private readonly array $shots)
    {
        $this->play = new MapPlay($states, $error);
        $this->random = new Generator(1);
        $rising = Plan::risingOf($shots);
        $this->hard = array_map(
            static fn(int $n): float => self::EASIEST + log(max($rising[$n + 1], self::LEAST) / max($rising[$n], self::LEAST)),
            array_keys($shots),
        );
        $this->alive = array_fill(1, \count($shots), 0.0);
        $this->lost = array_fill(1, \count($shots), [0.0, 0.0, 0.0, 0.0]);
    }

    /**
     * @param Rack              $rack  with the player and the group
     * @param list<PlannedShot> $shots of the line; at least one, none of them kept by hand
     */
    public static function of(Planner $planner, Rack $rack, array $shots, ErrorSamples $errors): ?Survival
    {
        $first = $shots[0];
        $tries = ShotTries::of($first, $rack, $errors->judging(self::RUNS));
        if (null === $tries) {
            return null;
        }
        $sampler = $tries->sampler;
        $run = new self($planner->values->of($tries->rack), $rack->player->speed, $shots);
        $left = RemainingBalls::of($first->before)->without($first->pot->ball);
        $evaluator = $planner->evaluator($tries->rack, $first->pot, SearchBudget::later());
        foreach ($tries->states as $state) {
            if (null !== $state && $sampler->scratches($state)) {
                $run->lost[1][self::SCRATCH] += 1.0;
            } elseif (null === $state || !$sampler->pots($state)) {
                $run->lost[1][self::MISSED] += 1.0;
            } else {
                $run->alive[1] += 1.0;
                $moved = $sampler->moved($state);
                if ([] === $moved) {
                    $run->on(2, $left, $state->x[0], $state->y[0]);
                } else {
                    $run->fade(2, 1.0, $evaluator->disturbed($sampler->places($state, $moved), $state->x[0], $state->y[0]));
                }
            }
        }

        return $run->drawnTo($first->chances);
    }

    /** One run from a shot on, the cue ball at a place, m. */
    private function on(int $number, RemainingBalls $remaining, float $x, float $y): void
    {
        $weight = 1.0;
        $last = \count($this->shots);
        for (; $number <= $last; ++$number) {
            if ($this->states->isOver($remaining)) {
                $this->alive[$number] += $weight;
                continue;
            }
            $shot = $this->play->shot($remaining, $x, $y);
            if (null === $shot) {
                $this->lost[$number][self::HOOKED] += $weight;

                return;
            }
            $good = $shot->chance >= self::IN_POSITION * $this->shots[$number - 1]->chances->pot;
            $this->lost[$number][$good ? self::MISSED : self::POSITION] += $weight * (1 - $shot->chance);
            $weight *= $shot->chance;
            $stop = $this->play->stop($remaining, $shot, $this->random);
            if ($stop->down) {
                $this->lost[$number][self::SCRATCH] += $weight;

                return;
            }
            $this->alive[$number] += $weight;
            if (null !== $stop->worth) {
                $this->fade($number + 1, $weight, $stop->worth);

                return;
            }
            $remaining = $remaining->without($shot->option->pot->ball);
            [$x, $y] = [$stop->x, $stop->y];
        }
    }

    /** A run of which all that is known is the chance that it goes to the end: it is lost at the shots where the line loses most. */
    private function fade(int $number, float $weight, float $worth): void
    {
        $share = array_sum(\array_slice($this->hard, $number - 1));
        for (; $number <= \count($this->shots); ++$number) {
            $keeps = $share > 0.0 ? max($worth, 0.0) ** ($this->hard[$number - 1] / $share) : 1.0;
            $this->lost[$number][self::POSITION] += $weight * (1 - $keeps);
            $weight *= $keeps;
            $this->alive[$number] += $weight;
        }
    }

    /** The shares, drawn toward the first shot's own chances. */
    private function drawnTo(ShotChances $chances): Survival
    {
        return Survival::drawn(
            array_map(static fn(float $runs): float => $runs / self::RUNS, array_values($this->alive)),
            array_map(static fn(array $lost): Losses => new Losses(
                $lost[self::MISSED] ?? 0.0,
                $lost[self::POSITION] ?? 0.0,
                $lost[self::SCRATCH] ?? 0.0,
                $lost[self::HOOKED] ?? 0.0,
            ), array_values($this->lost)),
            $chances,
            self::RUNS,
        );
    }
}
