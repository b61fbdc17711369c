<?php

declare(strict_types=1);

namespace ZigLane\App\View;

use Twig\Extension\AbstractExtension;
use Twig\TwigFilter;
use Twig\TwigFunction;
use ZigLane\App\Paces;
use ZigLane\Core\Line\AimCard;
use ZigLane\Core\Line\LegFault;
use ZigLane\Core\Line\LegNote;
use ZigLane\Core\Line\LegPosition;
use ZigLane\Core\Measuring\Problem\Contradiction;
use ZigLane\Core\Measuring\Problem\ImpossibleReading;
use ZigLane\Core\Measuring\Problem\OutOfRange;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Potting\NoPot;
use ZigLane\Core\Reading\Indirect;
use ZigLane\Core\Routes\Family;
use ZigLane\Core\Wording\ChoiceWording;
use ZigLane\Core\Wording\DrillWording;
use ZigLane\Core\Wording\FitWording;
use ZigLane\Core\Wording\LegWording;
use ZigLane\Core\Wording\PlayerFitWording;
use ZigLane\Core\Wording\PotWording;
use ZigLane\Core\Wording\RouteWording;
use ZigLane\Core\Wording\TestWording;

/**
 * "worded" in templates: what is found, as a person reads it; "who": a player.
 */
final class WordingExtension extends AbstractExtension
{
    public function __construct(private readonly Paces $paces) {}

    public function getFilters(): array
    {
        return [
            new TwigFilter('worded', self::worded(...)),
            new TwigFilter('all_worded', self::all(...)),
            new TwigFilter('who', self::who(...)),
        ];
    }

    public function getFunctions(): array
    {
        return [
            new TwigFunction('levels', Level::cases(...)),
            new TwigFunction('drill_counted', DrillWording::counted(...)),
            new TwigFunction('drill_reason', DrillWording::reason(...)),
            new TwigFunction('drill_skill', DrillWording::skill(...)),
            new TwigFunction('drill_progress', DrillWording::progress(...)),
            new TwigFunction('choice_progress', ChoiceWording::progress(...)),
            new TwigFunction('pace', fn(float $lengths): string => $this->paces->scale()->name($lengths)),
            new TwigFunction('fit_pot', PlayerFitWording::pot(...)),
            new TwigFunction('test_title', TestWording::title(...)),
            new TwigFunction('test_tells', TestWording::tells(...)),
            new TwigFunction('test_steps', TestWording::steps(...)),
        ];
    }

    /** A player's name, or what such a player is called: "league player". */
    public static function who(Player $player, string $article = ''): string
    {
        return $player->name ?? "$article{$player->level->spoken()} player";
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

    public static function worded(
        LegFault|LegNote|LegPosition|AimCard|NoPot|Indirect|Family|ImpossibleReading|OutOfRange|Contradiction|null $found,
    ): string {
        return match (true) {
            null === $found => '',
            $found instanceof LegFault => LegWording::fault($found),
            $found instanceof LegNote => LegWording::note($found),
            $found instanceof LegPosition => LegWording::position($found),
            $found instanceof AimCard => LegWording::aim($found),
            $found instanceof ImpossibleReading,
            $found instanceof OutOfRange,
            $found instanceof Contradiction => FitWording::sentence($found),
            $found instanceof NoPot => PotWording::why($found),
            $found instanceof Indirect => PotWording::indirect($found),
            default => RouteWording::family($found),
        };
    }
}
