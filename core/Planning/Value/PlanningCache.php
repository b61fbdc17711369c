<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Parallel\Processes;
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

    /** Windows, a few ms each, that are worth a process of their own. */
    private const WORTH_SHARING = 8;

    public readonly PlanningGrids $grids;
    public readonly BreakBalls $breakBalls;

    /** @var array<string, CueBallTransitions> */
    private array $transitions = [];

    /** @var array<string, AcceptanceWindow> */
    private array $windows = [];

    public function __construct(
        public readonly Simulator $simulator,
        public readonly Player $player,
        private readonly ?Processes $processes = null,
    ) {
        $this->grids = new PlanningGrids($simulator);
        $this->breakBalls = new BreakBalls($simulator, $player);
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

    /**
     * Works out what drops of several pots at some speeds, several at a time where there are processors for it.
     *
     * @param list<Pot>   $pots
     * @param list<float> $speeds m/s
     */
    public function prepareWindows(Layout $layout, array $pots, array $speeds): void
    {
        $missing = array_values(array_filter($pots, fn(Pot $pot): bool => !isset($this->windows[self::key($layout, $pot)])));
        if (\count($missing) < self::WORTH_SHARING || null === $this->processes) {
            return;
        }
        $known = $this->processes->results(array_map(fn(Pot $pot): \Closure => function () use ($layout, $pot, $speeds): array {
            $window = $this->window($layout, $pot);
            foreach ($speeds as $speed) {
                $window->near($speed);
            }

            return $window->known();
        }, $missing));
        foreach ($missing as $n => $pot) {
            $this->window($layout, $pot)->learn($known[$n]);
        }
    }

    /**
     * Makes the tables of several pots that are not known yet, several at a time where there are processors for it.
     *
     * @param list<Pot> $pots
     */
    public function prepare(Layout $layout, array $pots, bool $fine): void
    {
        $missing = array_values(array_filter($pots, fn(Pot $pot): bool => null === $this->known(self::key($layout, $pot), $fine)));
        if (\count($missing) < 2 || null === $this->processes || !$this->processes->several()) {
            return;
        }
        // Large tables travel packed; those that are made here need not.
        $here = getmypid();
        $made = $this->processes->results(array_map(
            fn(Pot $pot): \Closure => function () use ($layout, $pot, $fine, $here): CueBallTransitions|string {
                $table = CueBallTransitions::of($this->grids, $layout, $pot, $fine);

                return getmypid() === $here ? $table : $table->packed();
            },
            $missing,
        ));
        foreach ($missing as $n => $pot) {
            $table = $made[$n];
            $this->keep(
                self::key($layout, $pot),
                \is_string($table) ? CueBallTransitions::unpacked($table, $this->grids, $layout, $pot, $fine) : $table,
            );
        }
    }

    private function known(string $key, bool $fine): ?CueBallTransitions
    {
        // A fine table serves for both.
        return $this->transitions["$key fine"] ?? ($fine ? null : $this->transitions[$key] ?? null);
    }

    private function keep(string $key, CueBallTransitions $table): void
    {
        if (\count($this->transitions) >= self::MOST) {
            array_shift($this->transitions);
        }
        $this->transitions[$table->fine ? "$key fine" : $key] = $table;
        if ($table->fine) {
            unset($this->transitions[$key]);
        }
    }

    /** @param bool $fine every cut, and side spin too */
    public function transitions(Layout $layout, Pot $pot, bool $fine): CueBallTransitions
    {
        $key = self::key($layout, $pot);
        $known = $this->known($key, $fine);
        if (null === $known) {
            $this->keep($key, $known = CueBallTransitions::of($this->grids, $layout, $pot, $fine));
        }

        return $known;
    }
}
