<?php

declare(strict_types=1);

namespace ZigLane\App\View;

use Twig\Extension\AbstractExtension;
use Twig\TwigFilter;
use ZigLane\Core\Line\AimCard;
use ZigLane\Core\Line\LegFault;
use ZigLane\Core\Line\LegNote;
use ZigLane\Core\Line\LegPosition;
use ZigLane\Core\Potting\NoPot;
use ZigLane\Core\Reading\Indirect;
use ZigLane\Core\Routes\Family;
use ZigLane\Core\Wording\LegWording;
use ZigLane\Core\Wording\PotWording;
use ZigLane\Core\Wording\RouteWording;

/**
 * "worded" in templates: what is found, as a person reads it.
 */
final class WordingExtension extends AbstractExtension
{
    public function getFilters(): array
    {
        return [
            new TwigFilter('worded', self::worded(...)),
            new TwigFilter('all_worded', self::all(...)),
        ];
    }

    /**
     * @param iterable<LegFault|LegNote> $found
     *
     * @return list<string>
     */
    public static function all(iterable $found): array
    {
        $worded = [];
        foreach ($found as $one) {
            $worded[] = self::worded($one);
        }

        return $worded;
    }

    public static function worded(LegFault|LegNote|LegPosition|AimCard|NoPot|Indirect|Family|null $found): string
    {
        return match (true) {
            null === $found => '',
            $found instanceof LegFault => LegWording::fault($found),
            $found instanceof LegNote => LegWording::note($found),
            $found instanceof LegPosition => LegWording::position($found),
            $found instanceof AimCard => LegWording::aim($found),
            $found instanceof NoPot => PotWording::why($found),
            $found instanceof Indirect => PotWording::indirect($found),
            default => RouteWording::family($found),
        };
    }
}
