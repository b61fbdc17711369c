<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Finding;
use ZigLane\Core\Rack\Rack;

/**
 * A run-out from the first shot to the last, as far as it can be planned.
 */
final readonly class Plan
{
    /**
     * @param Rack              $rack    as it begins: the cue ball put down, the group taken unless shots were kept
     * @param list<PlannedShot> $shots
     * @param float             $runOut  chance to run out, 0–1
     * @param Finding|null      $stopped why it does not go to the end; null when it does
     * @param list<Finding>     $says    what it turns on and how it compares
     * @param int|null          $hinge   number of the shot that most is lost on, from 1
     * @param bool              $settled nothing more will be found
     * @param Survival|null     $survival how runs go on, the shots that are kept included; null for a rough plan
     * @param BreakShot|null    $break   of straight pool, from where the last shot leaves the cue ball
     */
    public function __construct(
        public Rack $rack,
        public array $shots,
        public float $runOut,
        public ?Finding $stopped,
        public array $says = [],
        public ?int $hinge = null,
        public bool $settled = false,
        public ?BreakShot $break = null,
        public ?Survival $survival = null,
    ) {}

    /** The rack with the plan's shots as its legs. */
    public function line(): Rack
    {
        return $this->rack->withLegs(array_map(static fn(PlannedShot $s) => $s->spec, $this->shots));
    }

    /** The rack as a later shot finds it. */
    public function before(PlannedShot $later): Rack
    {
        return $this->rack->taking($this->shots[0]->pot->ball)->goneOn($later->before);
    }

    /** The same from a rack on which the cue ball lies elsewhere. */
    public function from(Rack $rack): self
    {
        return new self(
            $rack,
            $this->shots,
            $this->runOut,
            $this->stopped,
            $this->says,
            $this->hinge,
            $this->settled,
            $this->break,
            $this->survival,
        );
    }

    /** The same, saying something first. */
    public function sayingFirst(Finding $finding): self
    {
        return new self(
            $this->rack,
            $this->shots,
            $this->runOut,
            $this->stopped,
            [$finding, ...$this->says],
            $this->hinge,
            $this->settled,
            $this->break,
            $this->survival,
        );
    }

    /** What of the chance is kept by a shot: 1 where nothing is lost. */
    public function kept(int $number): float
    {
        if (null !== $this->survival) {
            $before = $number > 1 ? $this->survival->alive[$number - 2] : 1.0;

            return $before <= 0.0 ? 1.0 : $this->survival->alive[$number - 1] / $before;
        }
        $rising = $this->rising();

        return $rising[$number] <= 0.0 ? 1.0 : $rising[$number - 1] / $rising[$number];
    }

    /** The chance to get through the shots up to one, 0–1. */
    public function through(int $number): float
    {
        if (null !== $this->survival) {
            return $this->survival->alive[$number - 1];
        }
        $product = 1.0;
        for ($n = 1; $n <= $number; ++$n) {
            $product *= $this->kept($n);
        }

        return $product;
    }

    /**
     * The chances to run out before each shot, and 1 at the end, made to rise: each was worked out from the place where the cue
     * ball stops when nothing goes wrong, and such places are better or worse than the rest. Neighbours that fall are replaced by
     * their mean (M. Ayer and others, "An empirical distribution function for sampling with incomplete information", Ann. Math.
     * Stat. 26, 1955).
     *
     * @return list<float>
     */
    private function rising(): array
    {
        return self::risingOf($this->shots);
    }

    /**
     * @param list<PlannedShot> $shots
     *
     * @return list<float> before each shot, and at the end
     */
    public static function risingOf(array $shots): array
    {
        $pools = [];
        foreach ([...array_map(static fn(PlannedShot $s): float => $s->chances->runOut, $shots), 1.0] as $value) {
            $pools[] = [$value, 1];
            while (\count($pools) > 1 && $pools[\count($pools) - 2][0] > $pools[\count($pools) - 1][0]) {
                [$b, $m] = array_pop($pools);
                [$a, $n] = array_pop($pools);
                $pools[] = [($a * $n + $b * $m) / ($n + $m), $n + $m];
            }
        }

        return array_merge(...array_map(static fn(array $pool): array => array_fill(0, $pool[1], $pool[0]), $pools));
    }
}
