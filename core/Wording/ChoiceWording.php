<?php

declare(strict_types=1);

namespace ZigLane\Core\Wording;

use ZigLane\Core\Choice\Choice;
use ZigLane\Core\Choice\ChoicePart;
use ZigLane\Core\Choice\ChoiceProgress;
use ZigLane\Core\Choice\ChoiceWorth;
use ZigLane\Core\Choice\Pair;
use ZigLane\Core\Planning\PlannedShot;

/**
 * What is said about a player's own choice.
 */
final class ChoiceWording
{
    /** Less than this is not told of, chance 0–1. */
    private const TOLD = 0.015;

    /** A stroke that stops nearer than this to its spot stops on it; farther than so much nothing was found near it, m. */
    private const ON_IT = 0.15;
    private const FAR = 0.3;

    /** Scratches and moved balls are told of from this share on; a pot is surer, and a position better, from so much. */
    private const DANGER = 0.05;
    private const SURER = 0.02;

    private function __construct() {}

    /** What all of it comes to, in one sentence. */
    public static function headline(ChoiceWorth $worth): string
    {
        if ($worth->chosen > $worth->plan + self::TOLD) {
            return \sprintf(
                'Yours runs out in %.0f of 100, the plan in %.0f: you found a better way.',
                100 * $worth->chosen,
                100 * $worth->plan,
            );
        }
        if ($worth->lost() <= ChoiceProgress::GOOD * $worth->plan) {
            return \sprintf('As good as the plan: it runs out in %.0f of 100.', 100 * $worth->plan);
        }

        return \sprintf(
            'Yours runs out in %.0f of 100, the plan in %.0f: %s.',
            100 * $worth->chosen,
            100 * $worth->plan,
            Numbers::points($worth->lost()) . ' lost',
        );
    }

    /**
     * What each part costs and why, the dearest first.
     *
     * @param PlannedShot|null        $taken  the plan's first shot
     * @param \Closure(float): string $length metres as this person reads them
     *
     * @return list<string> whole sentences
     */
    public static function parts(ChoiceWorth $worth, Choice $choice, ?PlannedShot $taken, \Closure $length): array
    {
        $says = [];
        foreach (self::told($worth) as $part => $points) {
            $says[] = Numbers::points($points / 100) . ' ' . match (ChoicePart::from($part)) {
                ChoicePart::Pot => self::pot($worth, $choice, $taken),
                ChoicePart::Order => 'by the order: played best, it runs out less often than another.',
                ChoicePart::Spot => self::spot($worth, $choice, $length),
                ChoicePart::Stroke => self::stroke($worth, $choice, $taken, $length),
            };
        }

        $costs = $worth->costs;
        $far = $worth->stop?->distanceTo($choice->spot) ?? 0.0;
        if (($costs[ChoicePart::Stroke->value] ?? 0.0) <= -self::TOLD && $far >= self::ON_IT) {
            $says[] = \sprintf(
                'But tip and pace do not go to your spot: the cue ball stops %s from it, and there it is worth %s more.',
                $length($far),
                Numbers::points(-$costs[ChoicePart::Stroke->value]),
            );
        }

        return $says;
    }

    /**
     * Points that are told of each part, the dearest first: together what is said to be lost, where nothing was gained.
     *
     * @return array<value-of<ChoicePart>, int>
     */
    private static function told(ChoiceWorth $worth): array
    {
        $costs = array_filter($worth->costs, static fn(float $cost): bool => $cost >= self::TOLD);
        arsort($costs);
        $points = array_map(static fn(float $cost): int => (int) round(100 * $cost), $costs);
        $first = array_key_first($points);
        $rest = (int) round(100 * $worth->lost()) - array_sum(\array_slice($points, 1));
        // What is too little to be told of goes with the dearest.
        if (null !== $first && $rest > 0 && min([0.0, ...array_values($worth->costs)]) > -self::TOLD) {
            $points[$first] = $rest;
        }

        return $points;
    }

    /** What the player stated, in one sentence. */
    public static function stated(Choice $choice, float $lengths, SpeedScale $paces): string
    {
        return \sprintf(
            'The %d in the %s. %s',
            $choice->pot->ball,
            $choice->pot->pocket->spoken(),
            DrillWording::stroke($choice->spec(), $lengths, $paces),
        );
    }

    /** Which of two ways is better, and by what. */
    public static function pair(Pair $pair, int $named): string
    {
        $better = $pair->shots[$pair->better()];
        $other = $pair->shots[1 - $pair->better()];
        $why = array_values(array_filter([
            $better->chances->pot > $other->chances->pot + self::SURER ? 'the pot is surer' : null,
            $better->chances->position > $other->chances->position + self::SURER ? 'the cue ball stops in position more often' : null,
        ]));

        return \sprintf(
            '%s: %s runs out in %.0f of 100, %s in %.0f.%s',
            $named === $pair->better() ? 'Right' : 'Not that one',
            'AB'[$pair->better()],
            100 * $better->chances->runOut,
            'AB'[1 - $pair->better()],
            100 * $other->chances->runOut,
            [] === $why ? ' What comes after it is easier.' : ' With ' . 'AB'[$pair->better()] . ' ' . implode(', and ', $why) . '.',
        );
    }

    /** "made 98 %, run out 40 %". */
    public static function chances(float $pot, float $runOut): string
    {
        return \sprintf('made %.0f %%, run out %.0f %%', 100 * $pot, 100 * $runOut);
    }

    /** The latest mean, and the trend; '' for few choices. */
    public static function progress(ChoiceProgress $progress): string
    {
        if (null === $progress->mean) {
            return '';
        }
        $says = \sprintf(
            'Of the last %d choices %d were as good as the plan; on average you keep %.0f %% of its chance (%.0f to %.0f).',
            min(ChoiceProgress::LATEST, $progress->many),
            $progress->good,
            ...array_map(static fn(float $share): float => 100 * max(0.0, min(1.0, $share)), $progress->mean),
        );
        $part = array_key_first($progress->parts);
        if (null !== $part && $progress->parts[$part] >= self::TOLD) {
            $says .= \sprintf(' Most is lost by %s.', self::name(ChoicePart::from($part)));
        }
        if (null !== $progress->trend && ($progress->trend[1] > 0.0 || $progress->trend[2] < 0.0)) {
            $says .= $progress->trend[1] > 0.0 ? ' It rises.' : ' It falls.';
        }

        return $says;
    }

    /** A part of a choice, as it is lost by. */
    public static function name(ChoicePart $part): string
    {
        return match ($part) {
            ChoicePart::Pot => 'the ball and the pocket',
            ChoicePart::Order => 'the order',
            ChoicePart::Spot => 'where the cue ball is to stop',
            ChoicePart::Stroke => 'tip and pace',
        };
    }

    private static function pot(ChoiceWorth $worth, Choice $choice, ?PlannedShot $taken): string
    {
        $best = $worth->with[ChoicePart::Pot->value] ?? 0.0;
        $own = \sprintf('the %d in the %s', $choice->pot->ball, $choice->pot->pocket->spoken());
        $says = $best > 0.0
            ? \sprintf('by the pot: played best, %s runs out in %.0f of 100.', $own, 100 * $best)
            : \sprintf('by the pot: no way was found to play %s%s.', $own, null === $worth->why ? '' : ': ' . PotWording::why($worth->why));

        return null === $taken || $taken->pot->is($choice->pot)
            ? $says
            : \sprintf('%s The plan plays the %d in the %s.', $says, $taken->pot->ball, $taken->pot->pocket->spoken());
    }

    /** @param \Closure(float): string $length */
    private static function spot(ChoiceWorth $worth, Choice $choice, \Closure $length): string
    {
        if (null === $worth->nearest || $worth->nearest > self::FAR) {
            return \sprintf(
                'by the spot: no stroke at the %d gets the cue ball there%s.',
                $choice->pot->ball,
                null === $worth->nearest ? '' : '; the nearest stops ' . $length($worth->nearest) . ' off',
            );
        }
        if (null !== $worth->there && null !== $worth->better && $worth->onward >= $worth->better - self::SURER) {
            // The spot itself is no worse: it is the way there.
            return \sprintf(
                'by the spot: it is good, but hard to reach; the best stroke for it makes the %d in %.0f %% and stops within a hand of it in %.0f %%.',
                $choice->pot->ball,
                100 * $worth->there->pot,
                100 * $worth->there->position,
            );
        }
        $says = \sprintf('by the spot: from there the next ball goes in %.0f %%', 100 * $worth->onward);

        return null === $worth->better ? "$says." : \sprintf('%s, from where the plan stops in %.0f %%.', $says, 100 * $worth->better);
    }

    /** @param \Closure(float): string $length */
    private static function stroke(ChoiceWorth $worth, Choice $choice, ?PlannedShot $taken, \Closure $length): string
    {
        if (null === $worth->shot) {
            return 'by tip and pace: that stroke cannot be played.';
        }
        $says = \sprintf('by tip and pace: it pots the %d in %.0f %%', $choice->pot->ball, 100 * $worth->shot->pot);
        if (null !== $taken && $taken->chances->pot > $worth->shot->pot + self::SURER) {
            $says .= \sprintf(' (the plan %.0f %%)', 100 * $taken->chances->pot);
        }
        $far = $worth->stop?->distanceTo($choice->spot);
        if (null !== $far) {
            $says .= $far < self::ON_IT ? ' and stops on your spot' : \sprintf(' and stops %s from your spot', $length($far));
        }
        $dangers = array_filter([
            $worth->shot->scratch >= self::DANGER ? \sprintf('it scratches in %.0f %%', 100 * $worth->shot->scratch) : null,
            $worth->shot->touches >= self::DANGER ? \sprintf('it moves another ball in %.0f %%', 100 * $worth->shot->touches) : null,
        ]);

        return $says . ([] === $dangers ? '' : '; ' . implode(', ', $dangers)) . '.';
    }
}
