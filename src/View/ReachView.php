<?php

declare(strict_types=1);

namespace ZigLane\App\View;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\TableLengths;
use ZigLane\Core\Potting\PotChance;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Reading\FromHere;
use ZigLane\Core\Reading\GetThere;

/**
 * The answer to "can I get there?", as the page shows it.
 */
final readonly class ReachView
{
    /** Of the pots from the cue ball, the likeliest so many are tried. */
    private const TRIED = 4;

    /**
     * @param array{x: string, y: string}|null $stop
     */
    private function __construct(public bool $can, public string $words, public string $path, public ?array $stop) {}

    public static function of(Rack $rack, Point $place): self
    {
        $layout = $rack->layout;
        $simulator = $rack->simulator();
        $best = $bestPot = null;
        $pots = [];
        foreach (FromHere::now($rack, $layout->ball(BallId::CUE)) as $from) {
            foreach ($from->pots as [$pocket, $read]) {
                $pots[] = [$read->chance, $from->ball, $pocket];
            }
        }
        usort($pots, static fn(array $a, array $b): int => $b[0] <=> $a[0]);
        foreach (\array_slice($pots, 0, self::TRIED) as [, $ball, $pocket]) {
            $pot = new PotChance($simulator, $layout, new Pot($ball, $pocket), $rack->player);
            $found = GetThere::search($simulator, $layout, $pot, $place);
            // A likely pot that ends a hand away is worth more than a wild one that ends closer.
            if (null === $best || $found->off - 0.2 * $found->pot < $best->off - 0.2 * $best->pot) {
                [$best, $bestPot] = [$found, $pot];
            }
        }
        if (null === $best || null === $best->shot || null === $best->stop) {
            return new self(false, 'No ball can be potted from where the cue ball lies.', '', null);
        }
        $shot = $best->shot;
        $result = $simulator->play($layout, $shot);

        return new self(
            $best->can(),
            \sprintf(
                '%s The %d into the %s pocket, %s, %.1f lengths: stops %.0f cm from there, pot %.0f %%.',
                $best->can() ? 'Yes.' : 'Not quite.',
                $bestPot->pot->ball,
                $bestPot->pot->pocket->spoken(),
                $shot->tip->clock(),
                (new TableLengths($simulator))->ofSpeed($shot->speed),
                100 * $best->off,
                100 * $best->pot,
            ),
            Svg::path($result->paths[BallId::CUE] ?? []),
            LegDrawing::mark($best->stop),
        );
    }
}
