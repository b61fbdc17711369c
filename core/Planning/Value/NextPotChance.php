<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Equipment\TableGeometry;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Potting\PotChance;

/**
 * The chance of one pot from anywhere: plain geometry, corrected by how far that is off at the nodes of a wide grid.
 *
 * The correction changes slowly from place to place where the chance itself may not, so a few exact chances serve for many places.
 * Where geometry sees nothing, the exact chance is asked for.
 *
 * @internal
 */
final class NextPotChance
{
    /** Chances below this need not be exact; geometry below this says nothing. */
    private const ROUGH = 0.02;

    /** Further off than this factor, geometry has missed something: such a node corrects nothing but its own place. */
    private const MOST = 2.0;

    /** @var array<int, float> exact chance over geometry's, by node; −1 where that is no correction */
    private array $corrections = [];

    /**
     * @param PotChanceGrid|null $grid geometry; null where the pot is not counted on
     * @param int                $about balls that may hinder, as bits
     * @param float              $far   distance of the nodes, m
     */
    public function __construct(
        private readonly TableGeometry $table,
        private readonly PotChance $exact,
        private readonly ?PotChanceGrid $grid,
        private readonly int $about,
        private readonly float $far,
    ) {}

    /** The chance from a place (m), 0–1. */
    public function at(float $x, float $y): float
    {
        $rough = $this->grid?->chanceAt($x, $y, $this->about) ?? 0.0;
        if ($rough < self::ROUGH) {
            return $this->exactly($x, $y);
        }
        $u = $x / $this->far;
        $v = $y / $this->far;
        $i = (int) floor($u);
        $j = (int) floor($v);
        $s = $u - $i;
        $t = $v - $j;
        $sum = $weights = 0.0;
        foreach ([[0, 0, (1 - $s) * (1 - $t)], [0, 1, (1 - $s) * $t], [1, 0, $s * (1 - $t)], [1, 1, $s * $t]] as [$di, $dj, $weight]) {
            $correction = $this->corrections[($i + $di) * 1024 + $j + $dj] ??= $this->correction($i + $di, $j + $dj);
            if ($correction >= 0.0) {
                $sum += $weight * $correction;
                $weights += $weight;
            }
        }

        return $weights < 0.25 ? $this->exactly($x, $y) : min(1.0, $rough * $sum / $weights);
    }

    /**
     * What has been worked out so far, to be learnt elsewhere.
     *
     * @return array<int, float> exact chance over geometry's, by node
     */
    public function corrections(): array
    {
        return $this->corrections;
    }

    /**
     * Takes over what was worked out elsewhere for the same pot.
     *
     * @param array<int, float> $corrections
     */
    public function learn(array $corrections): void
    {
        $this->corrections += $corrections;
    }

    /** The cut from a place (m) to the middle of the mouth, rad, signed as in PotReading. */
    public function cutFrom(float $x, float $y): float
    {
        return $this->exact->cutFrom($x, $y);
    }

    private function exactly(float $x, float $y): float
    {
        return $this->exact->fromPlace($x, $y, self::ROUGH)->chance;
    }

    /** A node outside counts as the nearest place that a ball can lie at. */
    private function correction(int $i, int $j): float
    {
        $place = $this->table->onBed(new Point($i * $this->far, $j * $this->far));
        $rough = $this->grid?->chanceAt($place->x, $place->y, $this->about) ?? 0.0;
        if ($rough < self::ROUGH) {
            return -1.0;
        }
        $correction = $this->exactly($place->x, $place->y) / $rough;

        return $correction > self::MOST || $correction < 1 / self::MOST ? -1.0 : $correction;
    }
}
