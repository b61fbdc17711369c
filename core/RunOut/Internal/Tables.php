<?php

declare(strict_types=1);

namespace ZigLane\Core\RunOut\Internal;

use ZigLane\Core\Chance\DropWindow;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Simulation\Layout;
use ZigLane\Core\Simulation\Simulator;
use ZigLane\Core\Table\Pocket;

/**
 * The tables that planning a rack needs, made once for each place of a ball: after a shot most balls lie where they lay.
 *
 * @internal
 */
final class Tables
{
    /** More than these are not kept: some 120 MB. */
    private const MOST = 90;

    public readonly Rungs $rungs;
    public readonly Grid $grid;

    /** @var array<string, Carry> */
    private array $carries = [];

    /** @var array<string, DropWindow> */
    private array $windows = [];

    public function __construct(public readonly Simulator $simulator, public readonly Player $player)
    {
        $this->rungs = new Rungs($simulator);
        $this->grid = new Grid($simulator->geometry);
    }

    /** What drops, the ball alone on the table. */
    public function window(Layout $layout, int $ball, Pocket $pocket): DropWindow
    {
        return $this->windows[self::key($layout, $ball, $pocket)] ??= new DropWindow($this->simulator, $layout, $ball, $pocket, alone: true);
    }

    private static function key(Layout $layout, int $ball, Pocket $pocket): string
    {
        $place = $layout->ball($ball);

        return \sprintf('%.7F %.7F %d', $place->x, $place->y, $pocket->index());
    }

    /** @param bool $fine every cut, and side spin too */
    public function carry(Layout $layout, int $ball, Pocket $pocket, bool $fine): Carry
    {
        $key = self::key($layout, $ball, $pocket);
        // A fine table serves for both.
        $known = $this->carries["$key fine"] ?? ($fine ? null : $this->carries[$key] ?? null);
        if (null === $known) {
            if (\count($this->carries) >= self::MOST) {
                array_shift($this->carries);
            }
            $known = $this->carries[$fine ? "$key fine" : $key] = new Carry($this->simulator, $this->rungs, $this->grid, $layout, $ball, $pocket, $fine);
            if ($fine) {
                unset($this->carries[$key]);
            }
        }

        return $known;
    }
}
