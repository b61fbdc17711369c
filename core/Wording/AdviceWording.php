<?php

declare(strict_types=1);

namespace ZigLane\Core\Wording;

use ZigLane\Core\Decision\Advice;
use ZigLane\Core\Decision\OptionKind;
use ZigLane\Core\Decision\SafetyFacts;
use ZigLane\Core\Decision\ShotWay;
use ZigLane\Core\Decision\StrokeEnds;
use ZigLane\Core\Decision\Tried;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Rail;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\Turn;
use ZigLane\Core\Settings\Defaults;

/**
 * Whether to go or to play safe, in sentences.
 */
final class AdviceWording
{
    /** Shares below this are not worth a word. */
    private const NOTHING = 0.015;

    /** Something of both that comes so near the best is told; a pot so near to where the answer turns is compared with that. */
    private const NEAR = 0.03;
    private const CLOSE = 0.35;

    /** Where so unlikely a pot would do, there is nothing else to do. */
    private const SELDOM = 0.1;

    /** More rails than these are not named one by one. */
    private const RAILS = 3;

    /** What fouls in more than this share is told as a foul. */
    private const MOSTLY = 0.7;

    /** Who is hidden in less than this is told where the cue ball ends instead. */
    private const HIDES = 0.2;

    /** Hits fuller than these are called full, half, and thin. */
    private const FULL = 0.85;
    private const HALF = 0.4;

    private function __construct() {}

    /** "Go: 61 % to win the rack. Safe: 68 %. Play safe." */
    public static function headline(Advice $advice): string
    {
        $parts = [];
        $wins = array_map(static fn(Tried $tried): float => $tried->win(), self::options($advice));
        $wins += null === $advice->pass ? [] : ['let the other shoot' => $advice->pass];
        foreach ($wins as $name => $win) {
            $parts[] = \sprintf('%s: %.0f %%%s.', ucfirst($name), 100 * $win, [] === $parts ? ' to win the rack' : '');
        }
        $parts[] = match (true) {
            $advice->even => 'As good as even: play what you like better.',
            OptionKind::TwoWay === $advice->choice => self::decision($advice->choice) . ': a pot that leaves little when it is missed.',
            default => self::decision($advice->choice) . '.',
        };

        return implode(' ', $parts);
    }

    /** "Play safe" */
    public static function decision(OptionKind $choice): string
    {
        return match ($choice) {
            OptionKind::Go => 'Go for it',
            OptionKind::Safe => 'Play safe',
            OptionKind::TwoWay => 'Play both',
            OptionKind::PushOut => 'Push out',
            OptionKind::Pass => 'Let the other shoot',
        };
    }

    /**
     * What the answer rests on, and what would turn it.
     *
     * @return list<string> whole sentences
     */
    public static function says(Advice $advice): array
    {
        $rack = $advice->rack;
        $says = [];
        foreach (self::options($advice) as $name => $tried) {
            $isPushOut = $tried === $advice->of(OptionKind::PushOut);
            $says[] = ucfirst($name) . ': ' . ($isPushOut ? self::pushOut($rack, $tried) : self::option($rack, $tried)) . '.';
        }
        foreach (['You are' => $rack->fouls, 'The other player is' => $rack->othersFouls] as $who => $fouls) {
            if (Turn::LAST_WARNING === $fouls) {
                $says[] = "$who on two fouls: a third in a row loses the rack.";
            }
        }
        $go = $advice->of(OptionKind::Go);
        if (null !== $go && $advice->turnsAt > self::SELDOM && abs($go->chances->made - $advice->turnsAt) < self::CLOSE) {
            $says[] = \sprintf(
                'To go is right from a first pot of %.0f %% on; here it is %.0f %%.',
                100 * $advice->turnsAt,
                100 * $go->chances->made,
            );
        }
        if (null !== $go && $advice->byRule !== (OptionKind::Go === $advice->choice) && !$advice->even) {
            $says[] = \sprintf('The rule of %.0f %% would say %s.', 100 * Defaults::GO_RULE, $advice->byRule ? 'go' : 'play safe');
        }

        return $says;
    }

    /**
     * What is weighed: to go and to play safe, and what is of both where it comes near the best.
     *
     * @return array<string, Tried> by name, in the order in which they are told
     */
    private static function options(Advice $advice): array
    {
        $options = array_filter([
            'go' => $advice->of(OptionKind::Go),
            'safe' => $advice->of(OptionKind::Safe),
            'two-way' => $advice->of(OptionKind::TwoWay),
            'push out' => $advice->of(OptionKind::PushOut),
        ]);
        if (OptionKind::Go === $advice->choice && OptionKind::TwoWay === $advice->chosen()?->chances->kind()) {
            // The plan's own shot is of both.
            unset($options['two-way']);
        }

        return array_filter(
            $options,
            static fn(Tried $one, string $name): bool => 'two-way' !== $name
                || \count($options) < 2
                || $one->win() > $advice->win() - self::NEAR,
            \ARRAY_FILTER_USE_BOTH,
        );
    }

    /** Where to push out to: the other player takes the better of two tables that should be worth the same. */
    private static function pushOut(Rack $rack, Tried $tried): string
    {
        $end = (new StrokeEnds($rack))->pushed($tried->stroke)->table;
        $at = $end->has(BallId::CUE) ? $rack->table->size->diamondsOf($end->ball(BallId::CUE)) : [0.0, 0.0];

        return \sprintf(
            'the cue ball to %.1f, %.1f diamonds; from there the other player runs out in %.0f %%',
            $at[0],
            $at[1],
            100 * $tried->chances->leaves,
        );
    }

    /** One option without a full stop: "the 3 thin on its right, then off the head rail; it leaves the other player 4 % to run out". */
    private static function option(Rack $rack, Tried $tried): string
    {
        if ($tried->chances->fouls > self::MOSTLY) {
            return 'no legal shot is likely enough; this foul costs least';
        }
        $facts = SafetyFacts::of($rack, $tried);
        $parts = [self::stroke($facts, $tried)];
        if (OptionKind::Go !== $tried->chances->kind()) {
            $parts[] = \sprintf(
                '%s the other player %.0f %% to run out',
                OptionKind::Safe === $tried->chances->kind() ? 'it leaves' : 'missed, it leaves',
                100 * $tried->chances->leaves,
            );
        }
        if ($tried->chances->fouls > self::NOTHING) {
            $parts[] = \sprintf('a foul in %.0f %%', 100 * $tried->chances->fouls);
        }

        return implode('; ', $parts);
    }

    private static function stroke(SafetyFacts $facts, Tried $tried): string
    {
        $first = $facts->first ?? 0;
        $ball = array_key_first($facts->pocketed);
        $kick = self::way($facts->way, rad2deg($tried->stroke->stroke->elevation));
        if (null !== $ball && OptionKind::Safe !== $tried->chances->kind()) {
            $bank = [] === $facts->way->banked ? '' : ' off ' . self::rails($facts->way->banked);
            $shot = match (true) {
                null !== $facts->way->kissed => "the $ball off the {$facts->way->kissed}",
                $first === $ball => "the $ball$bank",
                $facts->way->carom => "off the $first into the $ball, which goes",
                $first !== ($facts->way->links[0] ?? $first) => "off the $first, the " . self::chain($facts->way, $ball),
                default => 'the ' . self::chain($facts->way, $ball),
            };

            return \sprintf('%s%s in the %s pocket, %.0f %%', $kick, $shot, $facts->pocketed[$ball]->spoken(), 100 * $tried->chances->made);
        }
        $thick = 1 - abs($facts->aside);
        $side = $facts->aside > 0.0 ? 'right' : 'left';
        $how = $thick >= self::FULL ? 'full' : ($thick >= self::HALF ? 'half full' : 'thin') . " on its $side";
        $rails = [] === $facts->rails ? '' : ', then off ' . self::rails($facts->rails);
        $ends = self::ends($facts, $tried->chances->hidden);

        $drops = OptionKind::Safe !== $tried->chances->kind() ? \sprintf(', a ball drops in %.0f %%', 100 * $tried->chances->made) : '';

        return "{$kick}the $first $how$rails$ends$drops";
    }

    /** Where the cue ball ends. */
    private static function ends(SafetyFacts $facts, float $hidden): string
    {
        return match (true) {
            null !== $facts->behind && $hidden >= self::HIDES => \sprintf(
                ', hidden behind the %d in %.0f %%',
                $facts->behind,
                100 * $hidden,
            ),
            null !== $facts->atRail => ', to the ' . $facts->atRail->value . ' rail',
            $facts->far => ', far away',
            default => '',
        };
    }

    /** "5 into the 9, which goes". */
    private static function chain(ShotWay $way, int $ball): string
    {
        return implode(' into the ', [...$way->links, $ball]) . ', which goes';
    }

    /** How the cue ball comes to the first ball, when not straight; "over the 6 with the cue raised 35°, ". */
    private static function way(ShotWay $way, float $degrees): string
    {
        return match (true) {
            [] !== $way->before => 'off ' . self::rails($way->before) . ', ',
            null !== $way->over => \sprintf('over the %d with the cue raised %.0f°, ', $way->over, $degrees),
            null !== $way->round => \sprintf('round the %d with the cue raised %.0f°, ', $way->round, $degrees),
            default => '',
        };
    }

    /**
     * @param list<Rail> $rails
     */
    private static function rails(array $rails): string
    {
        $names = array_map(static fn(Rail $rail): string => $rail->value, $rails);

        return match (true) {
            \count($rails) > self::RAILS => Numbers::word(\count($rails)) . ' rails',
            1 === \count($rails) => "the $names[0] rail",
            default => 'the ' . Numbers::list($names) . ' rails',
        };
    }
}
