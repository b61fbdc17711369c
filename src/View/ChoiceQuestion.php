<?php

declare(strict_types=1);

namespace ZigLane\App\View;

use ZigLane\App\AtTable\SheetShot;
use ZigLane\App\Choice\Posed;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Planning\PlannedShot;

/**
 * What a player is asked, as the page has it.
 */
final readonly class ChoiceQuestion
{
    /**
     * @param array<int, array{x: float, y: float}> $balls mm
     * @param array<string, mixed>                  $data  what the page's module needs
     * @param list<array<string, mixed>>            $ways  the two ways, where it is one of two
     */
    private function __construct(public TableDrawing $table, public array $balls, public array $data, public array $ways) {}

    public static function of(Posed $posed, Reader $reader): self
    {
        $rack = $posed->rack;
        $rules = $rack->rules();
        $own = $rules->ownBalls($rack->layout);
        $last = $rules->lastBall($rack->layout);

        return new self(
            new TableDrawing($rack->table),
            array_map(Svg::place(...), $rack->layout->balls),
            [
                'now' => array_map(BallId::name(...), $rules->legalTargets($rack->layout)),
                'own' => $rules->hasFixedOrder() ? [] : array_map(BallId::name(...), array_values(array_diff($own, [$last]))),
                'last' => null === $last || $rules->hasFixedOrder() ? null : BallId::name($last),
                'paces' => $reader->paces->names,
                'tips' => 2 * (new Tip(0.5))->tips(),
            ],
            null === $posed->pair ? [] : array_map(
                static fn(PlannedShot $shot): array => (new SheetShot($rack, $reader))->stated($rack, $shot->spec),
                $posed->pair->shots,
            ),
        );
    }
}
