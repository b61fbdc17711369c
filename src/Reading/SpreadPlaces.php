<?php

declare(strict_types=1);

namespace ZigLane\App\Reading;

use ZigLane\App\View\Svg;
use ZigLane\App\Work\Work;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Physics\TableLengths;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Routes\RouteSearch;

/**
 * Every place the cue ball can be sent to by a pot, with what it is worth there, as it is drawn.
 */
final class SpreadPlaces implements Work
{
    public static function kind(): string
    {
        return 'spread';
    }

    /**
     * @param list<mixed> $question Rack, ball, Pocket
     *
     * @return \Generator<int, array{places: list<array<string, string|float>>, ladders: array<string, string>}>
     */
    public function answers(array $question): \Generator
    {
        [$rack, $ball, $pocket] = $question;
        \assert($rack instanceof Rack && \is_int($ball) && $pocket instanceof Pocket);
        $lengths = new TableLengths($rack->simulator());
        $places = $ladders = [];
        foreach ((new RouteSearch($rack, new Pot($ball, $pocket)))->spread() as $place) {
            $stroke = $place->aimed->stroke;
            $long = $lengths->ofSpeed($stroke->speed);
            $tip = "$stroke->side $stroke->height";
            $ladders[$tip] = (isset($ladders[$tip]) ? "{$ladders[$tip]}L" : 'M') . Svg::point($place->stop);
            $places[] = [
                'x' => Svg::mm($place->stop->x),
                'y' => Svg::mm($place->stop->y),
                'value' => $place->value,
                'side' => $stroke->side,
                'height' => $stroke->height,
                'lengths' => round($long, 2),
                'words' => \sprintf(
                    '%s, %.1f lengths: next %.0f %%',
                    (new Tip($stroke->side, $stroke->height))->clock(),
                    $long,
                    100 * $place->value,
                ),
            ];
        }
        yield ['places' => $places, 'ladders' => $ladders];
    }
}
