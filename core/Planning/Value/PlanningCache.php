<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Parallel\Processes;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Potting\AcceptanceWindows;

/**
 * The tables that planning a rack needs, made once for each place of a ball: after a shot most balls lie where they lay.
 *
 * @internal
 */
final class PlanningCache
{
    /** More than these are not kept: some 120 MB. */
    private const MOST = 90;

    /** And not more than these: some 15 MB. */
    private const MOST_PLACES = 200;

    /** Windows, a few ms each, that are worth a process of their own. */
    private const WORTH_SHARING = 8;

    public readonly AcceptanceWindows $windows;
    public readonly PlanningGrids $grids;
    public readonly BreakBalls $breakBalls;

    /** @var \WeakMap<Player, array<string, PotPlaces>> */
    private \WeakMap $places;

    /** @var array<string, CueBallTransitions> */
    private array $transitions = [];

    public function __construct(
        public readonly Simulator $simulator,
        public readonly Player $player,
        private readonly ?Processes $processes = null,
    ) {
        $this->places = new \WeakMap();
        $this->windows = new AcceptanceWindows($simulator);
        $this->grids = new PlanningGrids($simulator);
        $this->breakBalls = new BreakBalls($simulator, $player, $this->windows);
    }

    /** From where a ball can be cut into a pocket, alone on the table. */
    public function places(Layout $layout, Pot $pot, Player $player): PotPlaces
    {
        $known = $this->places[$player] ?? [];
        $key = self::key($layout, $pot);
        if (!isset($known[$key])) {
            $window = $this->windows->alone($layout, $pot);
            $known = \count($known) < self::MOST_PLACES ? $known : \array_slice($known, 1);
            $known[$key] = new PotPlaces($this->simulator, $this->grids->positions, $layout, $pot, $player, $window);
            $this->places[$player] = $known;
        }

        return $known[$key];
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
        $missing = array_values(array_filter($pots, fn(Pot $pot): bool => [] === $this->windows->alone($layout, $pot)->known()));
        if (\count($missing) < self::WORTH_SHARING || null === $this->processes) {
            return;
        }
        $known = $this->processes->results(array_map(fn(Pot $pot): \Closure => function () use ($layout, $pot, $speeds): array {
            $window = $this->windows->alone($layout, $pot);
            foreach ($speeds as $speed) {
                $window->near($speed);
            }

            return $window->known();
        }, $missing));
        foreach ($missing as $n => $pot) {
            $this->windows->alone($layout, $pot)->learn($known[$n]);
        }
    }

    /**
     * Works out what is missing of the tables of several pots, several at a time where there are processors for it.
     *
     * @param list<array{Pot, TransitionsNeeded}> $pots
     */
    public function prepare(Layout $layout, array $pots): void
    {
        $missing = array_values(array_filter(
            $pots,
            fn(array $one): bool => !$this->transitions($layout, $one[0])->covers($one[1]),
        ));
        if (\count($missing) < 2 || null === $this->processes || !$this->processes->several()) {
            return;
        }
        // Large tables travel packed; those that are made here need not.
        $here = getmypid();
        $made = $this->processes->results(array_map(fn(array $one): \Closure => function () use ($layout, $one, $here): string {
            [$pot, $needed] = $one;
            if (getmypid() !== $here) {
                return $this->transitions($layout, $pot)->packed($needed);
            }
            $this->transitions($layout, $pot)->make($needed);

            return '';
        }, $missing));
        foreach ($missing as $n => [$pot]) {
            if ('' !== $made[$n]) {
                $this->transitions($layout, $pot)->learn($made[$n]);
            }
        }
    }

    /** Where a pot can carry the cue ball, whatever else is on the table. */
    public function transitions(Layout $layout, Pot $pot): CueBallTransitions
    {
        $key = self::key($layout, $pot);
        if (!isset($this->transitions[$key])) {
            if (\count($this->transitions) >= self::MOST) {
                array_shift($this->transitions);
            }
            $this->transitions[$key] = new CueBallTransitions($this->grids, $layout, $pot);
        }

        return $this->transitions[$key];
    }
}
