<?php

declare(strict_types=1);

namespace ZigLane\Core\Drills\Trainer;

use ZigLane\Core\Drills\Skill;
use ZigLane\Core\Numerics\LinearSystem;

/**
 * Finds where a player's racks are lost. What came of each shot is held against what was promised of it, and the difference is shared out
 * among the skills that the shot needed, by weighted least squares with a belief that no skill is far from what was promised (a ridge:
 * A. E. Hoerl and R. W. Kennard, "Ridge regression: biased estimation for nonorthogonal problems", Technometrics 12, 1970). So a shot that
 * is thin and drawn does not blame both.
 */
final class SkillLosses
{
    /** How far a skill is believed to be off what is promised, as a share of shots; of all shots alike, too. */
    private const BELIEF = 0.12;

    /** A promise is uncertain itself: the least variance of one shot. */
    private const LEAST = 0.03;

    /** Shots of a rack. */
    private const RACK = 9.0;

    /** A shot made out of position is lost by half (our own choice). */
    private const POSITION = 0.5;

    /** Skills whose drills ask for position; the others' ask for the pot. */
    private const OF_POSITION = [Skill::Speed, Skill::Draw, Skill::Side];

    /** Tests of a skill's drills count as so many shots at most: one drill is not all of a skill, and pars have their error. */
    private const DRILLED = 60;

    private function __construct() {}

    /**
     * @param list<LoggedShot> $shots
     * @param list<DrillScore> $tests of drills: they tell of skills that shots of the logbook needed, too
     *
     * @return list<SkillLoss> of the skills that any shot needed; first the one whose cost stands out most from chance
     */
    public static function of(array $shots, array $tests = []): array
    {
        $pots = $positions = [];
        foreach ($shots as $shot) {
            if (null === $shot->pot) {
                continue;
            }
            $pots[] = [$shot->forPot, $shot->pot, $shot->made ? 1.0 : 0.0, 1.0];
            if ($shot->made && null !== $shot->inPosition && null !== $shot->position && $shot->pot > 0.0) {
                $positions[] = [$shot->forPosition, min(1.0, $shot->position / $shot->pot), $shot->inPosition ? 1.0 : 0.0, 1.0];
            }
        }
        $losses = [];
        foreach ([[$pots, 1.0, false], [$positions, self::POSITION, true]] as [$rows, $weight, $position]) {
            foreach (self::shared([...$rows, ...self::drilled($tests, $position)]) as [$skill, $off, $error]) {
                $with = array_values(array_filter($rows, static fn(array $row): bool => \in_array($skill, $row[0], true)));
                if ([] === $with) {
                    // How often a rack needs it is not known.
                    continue;
                }
                $each = $weight * self::RACK * \count($with) / max(1, \count($shots));
                $losses[] = new SkillLoss(
                    $skill,
                    -$off * $each,
                    $error * $each,
                    \count($with),
                    array_sum(array_column($with, 1)) / \count($with),
                    array_sum(array_column($with, 2)) / \count($with),
                    array_sum(array_map(static fn(DrillScore $t): int => $t->skill === $skill ? $t->tests : 0, $tests)),
                );
            }
        }

        return self::merged($losses);
    }

    /**
     * What drills tell, as rows of shared().
     *
     * @param list<DrillScore> $tests
     *
     * @return list<array{list<Skill>, float, float, float}>
     */
    private static function drilled(array $tests, bool $position): array
    {
        $rows = [];
        foreach ($tests as $test) {
            if ($position === \in_array($test->skill, self::OF_POSITION, true)) {
                $rows[] = [[$test->skill], $test->par, $test->share, (float) min(self::DRILLED, $test->shots)];
            }
        }

        return $rows;
    }

    /**
     * How far each skill is off what was promised.
     *
     * @param list<array{list<Skill>, float, float, float}> $rows skills, promise, share that went well, how many shots
     *
     * @return list<array{Skill, float, float}> skill, share of shots, standard error
     */
    private static function shared(array $rows): array
    {
        $skills = [];
        foreach ($rows as [$needs]) {
            foreach ($needs as $skill) {
                $skills[$skill->value] = $skill;
            }
        }
        $skills = array_values($skills);
        $many = \count($skills) + 1;
        // The last one is what all shots have in common: a player who is weaker or stronger than promised altogether.
        $curve = array_fill(0, $many, array_fill(0, $many, 0.0));
        $slope = array_fill(0, $many, 0.0);
        for ($i = 0; $i < $many; ++$i) {
            $curve[$i][$i] = 1 / self::BELIEF ** 2;
        }
        foreach ($rows as [$needs, $promised, $went, $count]) {
            $weight = $count / max(self::LEAST, $promised * (1 - $promised));
            $at = [$many - 1];
            foreach ($skills as $n => $skill) {
                if (\in_array($skill, $needs, true)) {
                    $at[] = $n;
                }
            }
            foreach ($at as $i) {
                $slope[$i] += $weight * ($went - $promised);
                foreach ($at as $k) {
                    $curve[$i][$k] += $weight;
                }
            }
        }
        $curve = array_map(array_values(...), $curve);
        $off = LinearSystem::solve($curve, array_values($slope));
        $found = [];
        foreach ($skills as $n => $skill) {
            $unit = array_fill(0, $many, 0.0);
            $unit[$n] = 1.0;
            $found[] = [$skill, $off[$n], sqrt(max(0.0, LinearSystem::solve($curve, array_values($unit))[$n]))];
        }

        return $found;
    }

    /**
     * One for each skill: what its pots and its positions cost together.
     *
     * @param list<SkillLoss> $losses
     *
     * @return list<SkillLoss>
     */
    private static function merged(array $losses): array
    {
        $by = [];
        foreach ($losses as $loss) {
            $other = $by[$loss->skill->value] ?? null;
            // Told of is what costs more.
            $main = null === $other || $loss->aRack > $other->aRack ? $loss : $other;
            $by[$loss->skill->value] = new SkillLoss(
                $loss->skill,
                $loss->aRack + ($other->aRack ?? 0.0),
                hypot($loss->error, $other->error ?? 0.0),
                $main->shots,
                $main->promised,
                $main->went,
                $main->tests,
            );
        }
        usort($by, static fn(SkillLoss $a, SkillLoss $b): int => $b->surely() <=> $a->surely());

        return $by;
    }
}
