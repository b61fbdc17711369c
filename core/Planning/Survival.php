<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Numerics\NormalDistribution;

/**
 * How many runs of a plan are still on after each shot, and what ends the others.
 */
final readonly class Survival
{
    /**
     * @param list<float>  $alive  share of runs that are on after each shot, 0–1, never rising; the last is the chance to run out
     * @param list<Losses> $losses what ended runs at each shot
     * @param int          $runs   that the shares rest on
     */
    public function __construct(public array $alive, public array $losses, public int $runs) {}

    /**
     * Shares that were counted, drawn toward the chances of the first shot, the more the later the shot.
     *
     * @param list<float>  $shares of runs that are on after each shot, at least one, 0–1
     * @param list<Losses> $causes what ended runs at each shot: how much of it each did
     * @param ShotChances            $first  of the first shot; its chance to run out is what the last share comes to
     * @param int                    $runs   that the shares rest on
     */
    public static function drawn(array $shares, array $causes, ShotChances $first, int $runs): self
    {
        $last = \count($shares) - 1;
        $factor = $shares[$last] > 0.0 ? $first->runOut / $shares[$last] : 1.0;
        $alive = [];
        foreach ($shares as $n => $share) {
            $alive[] = $share * $factor ** ($last > 0 ? $n / $last : 1.0);
        }
        $alive[0] = max($first->pot, $first->runOut);
        $alive[$last] = $first->runOut;
        for ($n = $last - 1; $n >= 0; --$n) {
            $alive[$n] = min($alive[0], max($alive[$n], $alive[$n + 1]));
        }
        $losses = [];
        $before = 1.0;
        foreach ($alive as $n => $share) {
            $sum = $causes[$n]->sum();
            $times = $sum > 0.0 ? ($before - $share) / $sum : 0.0;
            $losses[] = 0.0 === $times ? new Losses($before - $share, 0.0, 0.0, 0.0) : $causes[$n]->times($times);
            $before = $share;
        }

        return new self(array_values($alive), $losses, $runs);
    }

    /**
     * The same after another shot.
     *
     * @param self|null $rest  how runs go on after that, it being certain; null where it ends the rack
     * @param float     $fouls share of its tries, 0–1
     * @param int       $tries that its chances rest on
     */
    public static function led(ShotChances $first, float $fouls, int $tries, ?self $rest): self
    {
        $missed = max(0.0, 1 - $first->pot - $fouls);

        return self::drawn(
            [$first->pot, ...array_map(static fn(float $share): float => $first->pot * $share, \array_slice($rest->alive ?? [], 1))],
            [new Losses($missed, 0.0, $fouls, 0.0), ...\array_slice($rest->losses ?? [], 1)],
            $first,
            min($tries, $rest->runs ?? $tries),
        );
    }

    /** The same after so many shots that are certain. */
    public function after(int $shots): self
    {
        return new self(
            [...array_fill(0, $shots, 1.0), ...$this->alive],
            [...array_fill(0, $shots, new Losses(0.0, 0.0, 0.0, 0.0)), ...$this->losses],
            $this->runs,
        );
    }

    /**
     * 95 % interval of a share by the number of runs.
     *
     * @param int $shot from 1
     *
     * @return array{float, float}
     */
    public function interval(int $shot): array
    {
        $p = $this->alive[$shot - 1];
        $half = NormalDistribution::TWO_SIDED_95 * sqrt($p * (1 - $p) / max(1, $this->runs));

        return [max(0.0, $p - $half), min(1.0, $p + $half)];
    }
}
