<?php

declare(strict_types=1);

namespace ZigLane\Core\Drills;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Logbook\Attempt;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Rack\Playable;
use ZigLane\Core\Rack\ShotSpec;

/**
 * One place of a drill: where the balls lie, what is meant, what counts.
 */
final readonly class Station
{
    /**
     * @param array<int, array{float, float}> $balls diamonds, by ball; the cue ball among them
     * @param ShotSpec|null                   $shot  that is meant; null where it follows from how the balls lie
     * @param non-empty-list<Rule>            $rules the first that holds counts
     * @param string                          $name  where there are several: "bay 3"
     * @param DrawnPlaces|null                $drawn places that are drawn anew for every try
     */
    public function __construct(
        public array $balls,
        public ?ShotSpec $shot,
        public array $rules,
        public string $name = '',
        public ?DrawnPlaces $drawn = null,
    ) {}

    /**
     * The table before the shot.
     *
     * @throws InvalidInput when the balls cannot lie so on that table
     */
    public function layout(Table $table): Layout
    {
        $places = array_map(static fn(array $at): Point => $table->size->pointAt($at[0], $at[1]), $this->balls);
        ksort($places);
        Playable::assert(new Layout($places), $table);

        return new Layout($places);
    }

    /**
     * The station for one try: with its places drawn, where they are.
     *
     * @throws InvalidInput when there are none
     */
    public function forTry(Table $table, Generator $random): self
    {
        if (null === $this->drawn) {
            return $this;
        }
        $pot = null === $this->shot?->ball || null === $this->shot->pocket ? null : new Pot($this->shot->ball, $this->shot->pocket);
        $balls = $this->drawn->draw($this->balls, $pot, $table, $random);

        return new self($balls, $this->shot, $this->rules, $this->name);
    }

    /** Points of a shot, from 0. */
    public function points(Attempt $attempt): int
    {
        foreach ($this->rules as $rule) {
            if ($rule->holds($attempt)) {
                return $rule->points;
            }
        }

        return 0;
    }

    /** Most points of one shot. */
    public function most(): int
    {
        return max(array_map(static fn(Rule $rule): int => $rule->points, $this->rules));
    }

    /** The same with areas so many times as large. */
    public function scaled(float $times): self
    {
        $rules = array_map(static fn(Rule $rule): Rule => $rule->scaled($times), $this->rules);

        return new self($this->balls, $this->shot, $rules, $this->name, $this->drawn);
    }
}
