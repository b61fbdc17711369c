<?php

declare(strict_types=1);

namespace ZigLane\Core\Wording;

use ZigLane\Core\Drills\Course;
use ZigLane\Core\Drills\Drill;
use ZigLane\Core\Drills\Progress;
use ZigLane\Core\Drills\Skill;
use ZigLane\Core\Drills\Trainer\SessionPart;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Rack\ShotSpec;

/**
 * What is said about drills.
 */
final class DrillWording
{
    private function __construct() {}

    /** What it trains, in a word or two. */
    public static function skill(Skill $skill): string
    {
        return match ($skill) {
            Skill::ThinCut => 'thin cuts',
            Skill::LongPot => 'long pots',
            Skill::Breakout => 'breaking out',
            Skill::BreakShot => 'break shots',
            Skill::Side => 'side spin',
            Skill::Choice => 'which shot',
            Skill::Bank, Skill::Kick, Skill::Pattern => $skill->value . 's',
            default => $skill->value,
        };
    }

    /** Why a part of a session is in it. */
    public static function reason(SessionPart $part): string
    {
        $loss = $part->reason;
        if (null === $loss) {
            return 'To begin with: something easy, for the eye and the pace.';
        }
        if ($part->again) {
            return 'The same another way, so that it is the skill and not the place that is learnt.';
        }
        if ($part->test) {
            return 'Each shot once, counted: what the training was worth.';
        }

        if (Skill::Choice === $loss->skill) {
            return \sprintf(
                'Which shot: at %d racks as they came your choices kept %.0f %% of the plan’s chance.',
                $loss->shots,
                100 * $loss->went,
            );
        }

        return \sprintf(
            '%s: %.0f %% of %d shots went well where %.0f %% were promised%s; that is %s shots in a rack.',
            ucfirst(self::skill($loss->skill)),
            100 * $loss->went,
            $loss->shots,
            100 * $loss->promised,
            0 === $loss->tests ? '' : \sprintf(', and %d %s of drills are counted in', $loss->tests, 1 === $loss->tests ? 'test' : 'tests'),
            $loss->aRack < 0.05 ? 'hardly any' : \sprintf('about %.1f', $loss->aRack),
        );
    }

    /** How a test is counted. */
    public static function counted(Drill $drill): string
    {
        $most = $drill->most();

        return match ($drill->course) {
            Course::Stations => \sprintf('%d shots, %d points at most.', $drill->tries, $most),
            Course::Run => $drill->form->whole
                ? \sprintf('%d runs; only a complete one counts.', $drill->tries)
                : \sprintf('%d %s, %d points at most.', $drill->tries, 1 === $drill->tries ? 'run' : 'runs', $most),
            Course::Onward => 'Until it fails: a point for each shot that went well.',
            Course::Further => 'Until it fails: a point for each ball.',
        };
    }

    /** "Tip at half past one, 0.6 tips; lag (2.0 lengths)". */
    public static function stroke(ShotSpec $shot, float $lengths, SpeedScale $paces): string
    {
        return \sprintf('Tip: %s. Pace: %s, %.1f lengths.', self::tip($shot->tip), $paces->name($lengths), $lengths);
    }

    /** The latest mean and the trend; '' for a single test. */
    public static function progress(Progress $progress): string
    {
        if (null === $progress->mean) {
            return '';
        }
        $many = min(Progress::LATEST, \count($progress->scores));
        $says = \sprintf('The last %d tests: %.1f on average (%.1f to %.1f).', $many, ...$progress->mean);
        if (null === $progress->trend) {
            return $says;
        }
        // Nothing is said of below zero by less than can be told.
        [$slope, $low, $high] = array_map(static fn(float $v): float => round($v, 1) + 0.0, $progress->trend);
        $way = match (true) {
            $low > 0.0 => 'It rises',
            $high < 0.0 => 'It falls',
            default => 'Neither up nor down can be told from chance',
        };

        return \sprintf('%s %s: %+.1f a test (%+.1f to %+.1f).', $says, $way, $slope, $low, $high);
    }

    private static function tip(Tip $tip): string
    {
        return $tip->clock();
    }
}
