<?php

declare(strict_types=1);

namespace ZigLane\App\View;

use ZigLane\App\Rack\OpenRack;
use ZigLane\Core\Line\LegOutcome;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Rack\Rack;

/**
 * All that the table page shows of a rack with one stop or leg chosen.
 */
final readonly class Workspace
{
    /**
     * @param int              $chosen 0 for the layout, else the leg's number
     * @param list<LegDrawing> $legs
     * @param Rack             $at     the rack as it lies where the chosen leg begins, or as near to that as the line gets
     * @param ChosenLeg        $detail of the chosen leg; empty without one
     * @param list<int>                 $missing balls of the game that are not on the table
     * @param int|null                  $due    the ball to shoot after the last leg, when the line goes on
     */
    public function __construct(
        public OpenRack $open,
        public Rack $rack,
        public int $chosen,
        public TableDrawing $table,
        public array $legs,
        public Rack $at,
        public ChosenLeg $detail,
        public array $missing,
        public ?int $due,
        public bool $complete,
    ) {}

    /** The balls as they lie where the chosen leg begins. */
    public function shown(): Layout
    {
        return $this->at->layout;
    }

    public function leg(): ?LegOutcome
    {
        return $this->drawing()?->leg;
    }

    public function drawing(): ?LegDrawing
    {
        return $this->legs[$this->chosen - 1] ?? null;
    }
}
