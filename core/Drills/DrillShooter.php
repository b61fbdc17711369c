<?php

declare(strict_types=1);

namespace ZigLane\Core\Drills;

use ZigLane\Core\Aiming\AimRefused;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Logbook\Attempt;
use ZigLane\Core\Logbook\SimulatedPlayer;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Rack\MeasuredPlaces;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\ShotSpec;

/**
 * Plays a drill as a player with known errors would who knows the best stroke for each shot.
 */
final class DrillShooter
{
    /** A try that goes on is ended here: nobody's goes so far. */
    private const LONGEST = 80;

    private readonly StrokeFinder $finder;

    /** @var array<int, SimulatedPlayer|null> by station: its best stroke is the same each time */
    private array $shooters = [];

    /** How far balls roll is found once. */
    private ?FurtherRolls $rolls = null;

    public function __construct(private readonly Drill $drill, private readonly Player $player, private readonly Generator $random)
    {
        $this->finder = new StrokeFinder($player);
    }

    /** The score of one test: all its tries. */
    public function test(): int
    {
        return array_sum($this->points());
    }

    /** @return non-empty-list<int> points of each try of one test */
    public function points(): array
    {
        return array_map($this->once(...), range(0, $this->drill->tries - 1));
    }

    /** The score of one try, counted from 0. */
    private function once(int $try): int
    {
        return match ($this->drill->course) {
            Course::Stations => $this->atStation($try % \count($this->drill->stations)),
            Course::Run => $this->run(),
            Course::Onward => $this->onward(),
            Course::Further => ($this->rolls ??= new FurtherRolls($this->drill->table, $this->player))->many($this->random),
        };
    }

    /** The stroke that this player plays at a station; null when none gets a point. */
    public function stroke(int $station): ?ShotSpec
    {
        $at = $this->drill->stations[$station];

        return $this->finder->best($this->drill->rack($at, $this->player), $at, $this->random);
    }

    private function atStation(int $n): int
    {
        $station = $this->drill->stations[$n];
        if (null !== $station->drawn) {
            $station = $station->forTry($this->drill->table, $this->random);
            $attempt = $this->played($this->drill->rack($station, $this->player), $station);

            return null === $attempt ? 0 : $station->points($attempt);
        }
        if (!\array_key_exists($n, $this->shooters)) {
            $spec = $this->stroke($n);
            $this->shooters[$n] = null === $spec ? null : new SimulatedPlayer($this->drill->rack($station, $this->player), $spec);
        }
        $attempt = $this->shooters[$n]?->shoot($this->random, new \DateTimeImmutable('@0'));

        return null === $attempt ? 0 : $station->points($attempt);
    }

    /** Ball after ball until a miss. */
    private function run(): int
    {
        $rack = $this->drill->rack($this->drill->stations[0], $this->player);
        $score = $made = 0;
        foreach ($this->drill->stations as $station) {
            if (null !== $station->shot?->ball && !$rack->layout->has($station->shot->ball)) {
                // It fell by luck before its turn: the run goes on without it.
                ++$made;
                continue;
            }
            $attempt = $this->played($rack, $station);
            if (null === $attempt || !$attempt->result->made || null === $attempt->result->cue) {
                break;
            }
            ++$made;
            $score += $station->points($attempt);
            $rack = MeasuredPlaces::laid($rack, $attempt->result->after($rack->layout)->balls);
        }

        return $this->drill->form->whole ? ($made === \count($this->drill->stations) ? 1 : 0) : $score;
    }

    /** From where the balls stopped until nothing is scored. */
    private function onward(): int
    {
        $rack = $this->drill->rack($this->drill->stations[0], $this->player);
        for ($score = 0; $score < self::LONGEST; ++$score) {
            $station = $this->nearest($rack);
            $attempt = $this->played($rack, $station);
            if (null === $attempt || 0 === $station->points($attempt)) {
                return $score;
            }
            $rack = MeasuredPlaces::laid($rack, $attempt->result->after($rack->layout)->balls);
        }

        return $score;
    }

    /** The station that goes with how the balls lie. */
    private function nearest(Rack $rack): Station
    {
        $far = static function (Station $station) use ($rack): float {
            $sum = 0.0;
            foreach ($station->layout($rack->table)->balls as $ball => $place) {
                $sum += $rack->layout->has($ball) ? $place->distanceTo($rack->layout->ball($ball)) : 0.0;
            }

            return $sum;
        };
        $stations = $this->drill->stations;
        usort($stations, static fn(Station $a, Station $b): int => $far($a) <=> $far($b));

        return $stations[0];
    }

    private function played(Rack $rack, Station $station): ?Attempt
    {
        $found = $this->finder->best($rack, $station, $this->random, true);

        return null === $found ? null : $this->shot($rack, $found);
    }

    private function shot(Rack $rack, ShotSpec $spec): ?Attempt
    {
        try {
            return (new SimulatedPlayer($rack, $spec))->shoot($this->random, new \DateTimeImmutable('@0'));
        } catch (AimRefused|InvalidInput) {
            return null;
        }
    }
}
