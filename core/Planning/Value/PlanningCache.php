<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Equipment\Pocket;
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

    public readonly ArrivalGrid $arrivals;
    public readonly CueBallGrid $grid;

    /** @var array<string, CueBallTransitions> */
    private array $carries = [];

    /** @var array<string, AcceptanceWindow> */
    private array $windows = [];

    public function __construct(public readonly Simulator $simulator, public readonly Player $player)
    {
        $this->arrivals = new ArrivalGrid($simulator);
        $this->grid = new CueBallGrid($simulator->geometry);
    }

    /** What drops, the ball alone on the table. */
    public function window(Layout $layout, int $ball, Pocket $pocket): AcceptanceWindow
    {
        return $this->windows[self::key($layout, $ball, $pocket)] ??= new AcceptanceWindow(
            $this->simulator,
            $layout,
            $ball,
            $pocket,
            alone: true,
        );
    }

    private static function key(Layout $layout, int $ball, Pocket $pocket): string
    {
        $place = $layout->ball($ball);

        return \sprintf('%.7F %.7F %d', $place->x, $place->y, $pocket->index());
    }

    /** @param bool $fine every cut, and side spin too */
    public function transitions(Layout $layout, int $ball, Pocket $pocket, bool $fine): CueBallTransitions
    {
        $key = self::key($layout, $ball, $pocket);
        // A fine table serves for both.
        $known = $this->carries["$key fine"] ?? ($fine ? null : $this->carries[$key] ?? null);
        if (null === $known) {
            if (\count($this->carries) >= self::MOST) {
                array_shift($this->carries);
            }
            $known = $this->carries[$fine ? "$key fine" : $key] = new CueBallTransitions(
                $this->simulator,
                $this->arrivals,
                $this->grid,
                $layout,
                $ball,
                $pocket,
                $fine,
            );
            if ($fine) {
                unset($this->carries[$key]);
            }
        }

        return $known;
    }
}
