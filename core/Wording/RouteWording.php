<?php

declare(strict_types=1);

namespace ZigLane\Core\Wording;

use ZigLane\Core\Reading\SpeedWindow;
use ZigLane\Core\Routes\Danger;
use ZigLane\Core\Routes\Family;
use ZigLane\Core\Routes\FreedBall;
use ZigLane\Core\Routes\Route;
use ZigLane\Core\Routes\RouteSummary;

/**
 * A route in the trade's words, and why it is one.
 */
final class RouteWording
{
    /** Routes further apart in value than this are not compared; differences below these are not told. */
    private const CLOSE = 0.04;
    private const POINTS = 0.01;
    private const METRES = 0.3;

    /** A change of speed below this share is none. */
    private const NOTHING = 0.005;

    /** A scratch below this share is not worth a word. */
    private const SCRATCH = 0.015;

    private function __construct() {}

    /** "follow with running outside spin, foot and left cushions". */
    public static function family(Family $family): string
    {
        $spin = trim("$family->spin $family->side");
        $rails = match (\count($family->rails)) {
            0 => 'no cushion',
            1 => "{$family->rails[0]} cushion",
            default => Numbers::list($family->rails) . ' cushions',
        };

        return $family->stroke . ('' === $spin ? '' : " with $spin spin") . ", $rails";
    }

    /** "anything from 8 % softer to 12 % harder holds"; at an edge "up to 8 % softer holds, harder does not". */
    private static function holds(SpeedWindow $window, string $holds): string
    {
        [$soft, $hard] = [1.0 - $window->low, $window->high - 1.0];

        return match (true) {
            $hard < self::NOTHING && $soft < self::NOTHING => 'only this speed ' . $holds,
            $hard < self::NOTHING => \sprintf('up to %.0f %% softer %s, harder does not', 100 * $soft, $holds),
            $soft < self::NOTHING => \sprintf('up to %.0f %% harder %s, softer does not', 100 * $hard, $holds),
            default => \sprintf('anything from %s %s', self::window($window), $holds),
        };
    }

    /** "8 % softer to 12 % harder". */
    public static function window(SpeedWindow $window): string
    {
        $say = static fn(float $at): string => match (true) {
            abs($at - 1.0) < self::NOTHING => 'as struck',
            $at < 1.0 => \sprintf('%.0f %% softer', (1.0 - $at) * 100),
            default => \sprintf('%.0f %% harder', ($at - 1.0) * 100),
        };

        return $say($window->low) . ' to ' . $say($window->high);
    }

    /** Why a route, in a sentence made from its numbers. */
    public static function why(Route $route): string
    {
        return null === $route->freed
            ? self::summary(RouteSummary::of($route))
            : \sprintf(
                '%s; what then comes is left at %.0f %% on average%s. By %d tries.',
                self::freed($route->freed),
                100 * $route->chances->value,
                $route->chances->scratch >= self::SCRATCH ? \sprintf(', scratch %.0f %%', 100 * $route->chances->scratch) : '',
                $route->chances->tries,
            );
    }

    /** "Moves the 5 in 80 % of the tries; it goes nowhere as it lies, afterwards it does in 60 %". */
    public static function freed(FreedBall $freed): string
    {
        return \sprintf(
            'Moves the %d in %.0f %% of the tries; it %s, afterwards it does in %.0f %%',
            $freed->ball,
            100 * $freed->moved,
            $freed->before ? 'goes as it lies' : 'goes nowhere as it lies',
            100 * $freed->goes,
        );
    }

    /** "Two cushions, 1.4 m; anything from 8 % softer to 12 % harder still leaves the 3; scratch 2 %." */
    public static function summary(RouteSummary $summary): string
    {
        $count = \count($summary->family->rails);
        $say = [match ($count) {
            0 => (string) $summary->family->stroke,
            1 => 'one cushion',
            default => Numbers::word($count) . ' cushions',
        } . ', ' . Numbers::way($summary->travel)];
        if (null !== $summary->window) {
            $say[] = self::holds($summary->window, null === $summary->next ? 'holds' : "still leaves the $summary->next");
        }
        foreach ($summary->dangers as $danger) {
            $say[] = \sprintf('%s %.0f %%', self::danger($danger->danger), 100 * $danger->share);
        }

        return ucfirst(implode('; ', $say)) . '.';
    }

    /** How the first of two close routes differs from the second; "" when they are not close. */
    public static function against(Route $one, Route $other): string
    {
        if (abs($one->chances->value - $other->chances->value) > self::CLOSE) {
            return '';
        }
        $say = [];
        foreach ([
            'pot' => $one->chances->pot - $other->chances->pot,
            'position' => $one->chances->position - $other->chances->position,
            'scratch' => $one->chances->scratch - $other->chances->scratch,
        ] as $what => $more) {
            if (abs($more) >= self::POINTS) {
                $say[] = \sprintf('%s %+.0f points', $what, 100 * $more);
            }
        }
        $short = $one->travel - $other->travel;
        if (abs($short) > self::METRES) {
            $say[] = \sprintf('%.1f m %s', abs($short), $short < 0 ? 'shorter' : 'longer');
        }

        return [] === $say ? 'As good as the next.' : 'Against the next: ' . implode(', ', $say) . '.';
    }

    private static function danger(Danger $danger): string
    {
        return match ($danger) {
            Danger::Scratch => 'scratch',
            Danger::NoShotLeft => 'no shot left',
            Danger::Astray => 'left too far off or on the wrong side',
            Danger::BallMoved => 'another ball moved',
        };
    }
}
