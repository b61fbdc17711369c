<?php

declare(strict_types=1);

namespace ZigLane\Core\Routes;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Geometry\Angle;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Potting\PotChance;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Reading\GoingOn;
use ZigLane\Core\Reading\Openings;
use ZigLane\Core\Reading\WhenDue;
use ZigLane\Core\Reading\ZoneFinder;
use ZigLane\Core\Settings\Defaults;

/**
 * What the cue ball is left with wherever it comes to lie after a pot: the best chance on what may be shot next, and whether
 * that leads on. Worked out at the nodes of a grid as they are asked for, and interpolated between them.
 */
final class NextBallEvaluator implements PositionEvaluator, NodeEvaluator
{
    /** For a first look only every other node is asked. */
    private const COARSE = 2;

    /** Pockets asked for each next ball; of next balls, where there is a choice, the nearest so many. */
    private const POCKETS = 3;
    private const BALLS = 5;

    /** Factor on a chance from an angle that does not lead on. */
    private const ASTRAY = 0.6;

    private LazyGrid $nodes;

    /** @var array<string, list<array{int, float}>> pots and their chances at a place, each better than those before it */
    private array $chances = [];

    private bool $looksOn = false;

    /** @var array<int, GoingOn|null> by pot, once asked for */
    private array $goingOn = [];

    /**
     * @param list<PotChance> $pots of what may come next
     * @param float           $level chance that counts as position
     */
    private function __construct(
        private readonly ZoneFinder $finder,
        private readonly Rack $after,
        private readonly array $pots,
        private readonly float $level,
    ) {
        $this->nodes = new LazyGrid($after->simulator()->geometry, self::COARSE);
    }

    /** @param int $ball about to be potted */
    public static function after(Rack $rack, int $ball, float $level = Defaults::ZONE_CHANCE): self
    {
        $next = WhenDue::after($rack->rules(), $rack->layout, $ball);
        $after = $rack->withLayout($rack->layout->without($ball));
        if (!$rack->rules()->hasFixedOrder()) {
            $at = $rack->layout->ball($ball);
            usort(
                $next,
                static fn(int $a, int $b): int => $at->distanceTo($after->layout->ball($a)) <=> $at->distanceTo($after->layout->ball($b)),
            );
            $next = \array_slice($next, 0, self::BALLS);
        } else {
            $next = \array_slice($next, 0, 1);
        }
        $finder = new ZoneFinder($after);
        $pots = [];
        foreach ($next as $other) {
            foreach (\array_slice(Openings::goingOf($after->simulator(), $after->layout, $other), 0, self::POCKETS) as $opening) {
                $pots[] = $finder->pot($other, $opening->pocket);
            }
        }

        return new self($finder, $after, $pots, $level);
    }

    /** From now on angles count that do not lead on. */
    public function lookOn(): void
    {
        if ($this->looksOn) {
            return;
        }
        $this->looksOn = true;
        $this->nodes = new LazyGrid($this->after->simulator()->geometry);
    }

    public function level(float $leaves = 1.0): float
    {
        return $this->level;
    }

    /** What moved balls leave is not known here: then nothing is counted on. */
    public function disturbed(array $moved, float $x, float $y): float
    {
        return 0.0;
    }

    /** Best chance on what comes next from a place (m), 0–1; 1 when nothing needs to come. */
    public function chanceAt(float $x, float $y): float
    {
        return [] === $this->pots ? ($this->over() ? 1.0 : 0.0) : $this->nodes->between($x, $y, $this)->chance;
    }

    /** The same, less where it does not lead on. */
    public function valueAt(float $x, float $y): float
    {
        return [] === $this->pots ? ($this->over() ? 1.0 : 0.0) : $this->nodes->between($x, $y, $this)->value;
    }

    /**
     * What would be shot from a place (m).
     */
    public function next(float $x, float $y): ?Pot
    {
        return [] === $this->pots ? null : $this->nodes->nearest($x, $y, $this)->pot;
    }

    private function over(): bool
    {
        return $this->after->rules()->isOver($this->after->layout) || [] === $this->after->layout->objectBalls();
    }

    public function nodeAt(Point $place): NodeValue
    {
        $best = new NodeValue();
        foreach ($this->chances["$place->x $place->y"] ??= $this->chancesAt($place) as [$n, $chance]) {
            $value = $chance * ($this->leadsOn($n, $place) ? 1.0 : self::ASTRAY);
            if ($value > $best->value) {
                $best = new NodeValue($value, $chance, $this->pots[$n]->pot);
            }
        }

        return $best;
    }

    /**
     * @return list<array{int, float}>
     */
    private function chancesAt(Point $place): array
    {
        $most = 0.0;
        $found = [];
        foreach ($this->pots as $n => $pot) {
            $chance = $pot->fromPlace($place->x, $place->y, max($most, 0.05))->chance;
            if ($chance > $most) {
                $most = $chance;
                $found[] = [$n, $chance];
            }
        }

        return $found;
    }

    private function leadsOn(int $n, Point $place): bool
    {
        if (!$this->looksOn) {
            return true;
        }
        $pot = $this->pots[$n];
        if (!\array_key_exists($n, $this->goingOn)) {
            $this->goingOn[$n] = $this->finder->goingOn($pot->pot->ball, $pot->pot->pocket, $this->level);
        }
        $on = $this->goingOn[$n];
        if (null === $on) {
            return true;
        }

        // Where nothing leads on from any angle, angles make no odds.
        return 0.0 === $on->ease() || $on->leadsOn($pot->cutFrom($place->x, $place->y));
    }
}
