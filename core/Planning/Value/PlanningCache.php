<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Potting\AcceptanceWindow;

/**
 * The tables that planning a rack needs, made once for each place of a ball: after a shot most balls lie where they lay.
 *
 * @internal
 */
final class PlanningCache
{
    /** More than these are not kept: some 120 MB. */
    private const MOST = 90;

    public readonly PlanningGrids $grids;

    /** @var array<string, CueBallTransitions> */
    private array $transitions = [];

    /** @var array<string, AcceptanceWindow> */
    private array $windows = [];

    public function __construct(public readonly Simulator $simulator, public readonly Player $player)
    {
        $this->grids = new PlanningGrids($simulator);
    }

    /** What drops, the ball alone on the table. */
    public function window(Layout $layout, Pot $pot): AcceptanceWindow
    {
        return $this->windows[self::key($layout, $pot)] ??= new AcceptanceWindow($this->simulator, $layout, $pot, alone: true);
    }

    private static function key(Layout $layout, Pot $pot): string
    {
        $place = $layout->ball($pot->ball);

        return \sprintf('%.7F %.7F %d', $place->x, $place->y, $pot->pocket->index());
    }

    /** @param bool $fine every cut, and side spin too */
    public function transitions(Layout $layout, Pot $pot, bool $fine): CueBallTransitions
    {
        $key = self::key($layout, $pot);
        // A fine table serves for both.
        $known = $this->transitions["$key fine"] ?? ($fine ? null : $this->transitions[$key] ?? null);
        if (null === $known) {
            if (\count($this->transitions) >= self::MOST) {
                array_shift($this->transitions);
            }
            $known = $this->transitions[$fine ? "$key fine" : $key] = new CueBallTransitions($this->grids, $layout, $pot, $fine);
            if ($fine) {
                unset($this->transitions[$key]);
            }
        }

        return $known;
    }
}
