<?php

declare(strict_types=1);

namespace ZigLane\Core\Routes;

/**
 * Why a route, in one sentence made from its numbers.
 */
final class Reason
{
    /** Dangers below this share are not worth a word. */
    private const WORTH_SAYING = 0.015;

    private function __construct() {}

    /** Why this route, in a sentence. */
    public static function of(Route $r): string
    {
        if (null !== $r->freed) {
            return \sprintf(
                '%s; what then comes is left at %.0f %% on average%s. By %d tries.',
                $r->freed->words(),
                100 * $r->chances->value,
                $r->chances->scratch >= self::WORTH_SAYING ? \sprintf(', scratch %.0f %%', 100 * $r->chances->scratch) : '',
                $r->chances->tries,
            );
        }
        $count = \count($r->family->rails);
        $say = [match ($count) {
            0 => \sprintf('%s, %.0f cm', $r->family->stroke, 100 * $r->travel),
            1 => \sprintf('one cushion, %.1f m', $r->travel),
            default => \sprintf('%s cushions, %.1f m', [2 => 'two', 3 => 'three', 4 => 'four', 5 => 'five'][$count] ?? $count, $r->travel),
        }];
        if (null !== $r->window) {
            $left = null === $r->next ? 'holds' : "still leaves the {$r->next->ball}";
            $say[] = "anything from {$r->window->words()} $left";
        }
        $dangers = array_filter([
            'scratch' => $r->chances->scratch,
            'no shot left' => $r->chances->pot * $r->chances->hooked,
            'left too far off or on the wrong side' => $r->chances->pot * $r->chances->astray,
            'another ball moved' => $r->chances->touches,
        ], static fn(float $share): bool => $share >= self::WORTH_SAYING);
        arsort($dangers);
        foreach (\array_slice($dangers, 0, 2) as $what => $share) {
            $say[] = \sprintf('%s %.0f %%', $what, 100 * $share);
        }

        return ucfirst(implode('; ', $say)) . '.';
    }

    /** How the first of two close routes differs from the second; "" when they are not close. */
    public static function against(Route $one, Route $other): string
    {
        if (abs($one->chances->value - $other->chances->value) > 0.04) {
            return '';
        }
        $say = [];
        foreach ([
            'pot' => $one->chances->pot - $other->chances->pot,
            'position' => $one->chances->position - $other->chances->position,
            'scratch' => $one->chances->scratch - $other->chances->scratch,
        ] as $what => $more) {
            if (abs($more) >= 0.01) {
                $say[] = \sprintf('%s %+.0f points', $what, 100 * $more);
            }
        }
        $short = $one->travel - $other->travel;
        if (abs($short) > 0.3) {
            $say[] = \sprintf('%.1f m %s', abs($short), $short < 0 ? 'shorter' : 'longer');
        }

        return [] === $say ? 'As good as the next.' : 'Against the next: ' . implode(', ', $say) . '.';
    }
}
