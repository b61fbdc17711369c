<?php

declare(strict_types=1);

namespace ZigLane\App\View;

use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Logbook\Aspect;

/**
 * The name of a band of attempts: "20–30°", "side left".
 */
final class BandLabel
{
    private function __construct() {}

    public static function of(Aspect $aspect, string|int $band, Units $units): string
    {
        if (!$aspect->isMeasure()) {
            return Aspect::Pocket === $aspect ? Pocket::tryFrom((string) $band)?->spoken() ?? '?' : (string) $band;
        }
        $edges = $aspect->edges();
        if (Aspect::Rails === $aspect) {
            return match ((int) $band) {
                0 => 'no cushion',
                1 => 'one cushion',
                2 => 'two cushions',
                default => 'three and more',
            };
        }
        $say = static fn(float $edge): string => match ($aspect) {
            Aspect::Distance => $units->length($edge),
            Aspect::Cut => \sprintf('%.0f°', $edge),
            default => \sprintf('%.1f', $edge),
        };
        $n = (int) $band;
        $unit = Aspect::Speed === $aspect ? ' lengths' : '';

        return match (true) {
            !isset($edges[$n]) => 'over ' . $say($edges[\count($edges) - 1]) . $unit,
            0 === $n => 'under ' . $say($edges[0]) . $unit,
            default => preg_replace('/\D*$/', '', $say($edges[$n - 1])) . '–' . $say($edges[$n]) . $unit,
        };
    }
}
