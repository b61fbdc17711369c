<?php

declare(strict_types=1);

namespace ZigLane\Core\Wording;

use ZigLane\Core\Finding;
use ZigLane\Core\Physics\TableLengths;
use ZigLane\Core\Planning\BreakShot;
use ZigLane\Core\Planning\Finding\BallInTheWay;
use ZigLane\Core\Planning\Finding\BetterSkill;
use ZigLane\Core\Planning\Finding\BreakShotFollows;
use ZigLane\Core\Planning\Finding\ClusterToOpen;
use ZigLane\Core\Planning\Finding\CostOfConstraints;
use ZigLane\Core\Planning\Finding\GroupTaken;
use ZigLane\Core\Planning\Finding\Hinge;
use ZigLane\Core\Planning\Finding\KeptLegBreaks;
use ZigLane\Core\Planning\Finding\LeftForTheEnd;
use ZigLane\Core\Planning\Finding\NoBreakBall;
use ZigLane\Core\Planning\Finding\NoCueBall;
use ZigLane\Core\Planning\Finding\NoShot;
use ZigLane\Core\Planning\Finding\OtherShot;
use ZigLane\Core\Planning\Finding\RackStands;
use ZigLane\Core\Planning\Finding\Skill;
use ZigLane\Core\Planning\Finding\SpottedFirst;
use ZigLane\Core\Planning\Finding\ThirdFoul;
use ZigLane\Core\Planning\Finding\Told;
use ZigLane\Core\Planning\Plan;

/**
 * What a plan turns on, and why it stops, in sentences. Shots of it: ShotWording.
 */
final class PlanWording
{
    /** Costs and gains below this (0–1) are none. */
    private const NOTHING = 0.005;

    /** A scratch below this share is not worth a word. */
    private const SCRATCH = 0.015;

    private function __construct() {}

    /**
     * What a plan turns on.
     *
     * @return list<string> whole sentences
     */
    public static function says(Plan $plan): array
    {
        $says = [];
        foreach ($plan->says as $finding) {
            $break = $finding instanceof BreakShotFollows ? $plan->break : null;
            $says[] = null === $break ? self::sentence($finding) : self::break($break);
        }

        return $says;
    }

    /** Why a plan does not go to the end; null when it does. */
    public static function stopped(Plan $plan): ?string
    {
        return null === $plan->stopped ? null : self::sentence($plan->stopped);
    }

    /** One finding in a whole sentence. */
    public static function sentence(Finding $finding): string
    {
        return match (true) {
            $finding instanceof Told => $finding->text,
            $finding instanceof Hinge => \sprintf(
                'The hinge is shot %d, the %d: of the runs that get to it %.0f %% get past it, fewer than at any other.',
                $finding->shot,
                $finding->ball,
                100 * $finding->keeps,
            ),
            $finding instanceof GroupTaken => self::group($finding),
            $finding instanceof ThirdFoul, $finding instanceof SpottedFirst => self::first($finding),
            $finding instanceof BallInTheWay => \sprintf(
                $finding->after
                    ? 'The %2$d is in the way of the %1$d and comes after it.'
                    : 'The %2$d must go before the %1$d: it is in its way.',
                $finding->ball,
                $finding->by,
            ),
            $finding instanceof ClusterToOpen => self::cluster($finding),
            $finding instanceof LeftForTheEnd => "The $finding->ball lies far from the rest and is left for the end.",
            $finding instanceof BreakShotFollows => 'The break shot follows.',
            $finding instanceof NoBreakBall => "From there the $finding->ball is no break ball: nothing that pots it opens the rack.",
            $finding instanceof OtherShot => self::other($finding),
            $finding instanceof BetterSkill => \sprintf(
                '%.0f %% better %s: +%s.',
                100 * $finding->better,
                Skill::Speed === $finding->skill ? 'speed control' : 'aim',
                Numbers::points($finding->gain),
            ),
            $finding instanceof CostOfConstraints => $finding->cost < self::NOTHING
                ? 'What is pinned costs nothing to speak of.'
                : \sprintf('What is pinned costs about %s.', Numbers::points($finding->cost)),
            default => self::stop($finding),
        };
    }

    /** What is to be known before anything is played. */
    private static function first(ThirdFoul|SpottedFirst $finding): string
    {
        return $finding instanceof ThirdFoul
            ? \sprintf('A foul now would be your third in a row: it costs %d points.', $finding->points)
            : \sprintf(
                'Every ball that may be hit lies behind the head string: have the %d put on the foot spot first.',
                $finding->ball,
            );
    }

    /** The break shot in one sentence. */
    public static function break(BreakShot $break): string
    {
        $spec = $break->rack->legs[0];
        $balls = round($break->spread);

        return \sprintf(
            'The break shot: the %d in the %s pocket, %s, %.1f lengths: drops in %.0f %%%s; %.0f %s the rack on average, and the best of them then goes with %.0f %%.',
            $break->ball,
            $break->pocket->spoken(),
            $spec->tip->clock(),
            $spec->speed->inLengths(new TableLengths($break->rack->simulator())),
            100 * $break->pot,
            $break->scratch < self::SCRATCH ? '' : \sprintf(', scratches in %.0f %%', 100 * $break->scratch),
            $balls,
            1.0 === $balls ? 'ball leaves' : 'balls leave',
            100 * $break->next,
        );
    }

    private static function stop(Finding $finding): string
    {
        return match (true) {
            $finding instanceof KeptLegBreaks => \sprintf(
                'Leg %d, which was to be kept, does not hold: %s',
                $finding->leg,
                null === $finding->fault ? 'it pots no ball' : LegWording::fault($finding->fault),
            ),
            $finding instanceof RackStands => 'The rack stands: first comes the break shot. '
                . 'Plan the next rack from where it leaves the balls.',
            $finding instanceof NoCueBall => 'There is no cue ball on the table.',
            $finding instanceof NoShot => self::noShot($finding),
            default => ShotWording::sentence($finding),
        };
    }

    private static function group(GroupTaken $taken): string
    {
        return null === $taken->chance || null === $taken->other
            ? "Take {$taken->group->value}."
            : \sprintf(
                'Take %s: about %.0f %%, with %s about %.0f %%.',
                $taken->group->value,
                100 * $taken->chance,
                $taken->group->other()->value,
                100 * $taken->other,
            );
    }

    private static function cluster(ClusterToOpen $cluster): string
    {
        return 1 === \count($cluster->balls)
            ? "The {$cluster->balls[0]} goes nowhere as it lies."
            : \sprintf(
                'The %s lie in a cluster and go only once it is open%s.',
                Numbers::list($cluster->balls),
                null === $cluster->shot ? '' : "; shot $cluster->shot opens it",
            );
    }

    private static function other(OtherShot $other): string
    {
        return \sprintf(
            '%s instead: about %.0f %%, %s; pot %.0f %%, position %.0f %%.',
            $other->ball
                ? "The {$other->pot->ball} first"
                : \sprintf('The %d in the %s pocket', $other->pot->ball, $other->pot->pocket->spoken()),
            100 * $other->chances->value,
            $other->less < self::NOTHING ? 'as good' : Numbers::points($other->less) . ' less',
            100 * $other->chances->pot,
            100 * $other->chances->position,
        );
    }

    private static function noShot(NoShot $none): string
    {
        $name = 1 === \count($none->balls) ? "the {$none->balls[0]}" : 'any ball';

        return null === $none->why
            ? "There is no shot on $name that keeps the cue ball on the table."
            : \sprintf('There is no direct shot on %s: %s.', $name, PotWording::why($none->why));
    }
}
