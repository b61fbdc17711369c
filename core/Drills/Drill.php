<?php

declare(strict_types=1);

namespace ZigLane\Core\Drills;

use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Rack\Rack;

/**
 * Something to practise: what is set up, what counts, when it is passed.
 */
final readonly class Drill
{
    /** Tries and stations at most. */
    public const MOST_TRIES = 50;
    public const MOST_STATIONS = 24;

    public string $name;
    public Course $course;
    public int $tries;
    public int $pass;

    /**
     * @param GameName                $game     whose rules say what is legal: in straight pool any ball may be played
     * @param non-empty-list<Station> $stations in order
     * @param non-empty-list<Step>    $steps    from the easiest to the hardest
     * @param array<string, float>    $pars     mean score of a test by Level, as it was worked out for the drill as it stands
     * @param array<string, mixed>    $unknown  keys of the file that this version does not know, kept
     */
    public function __construct(
        public DrillText $text,
        public GameName $game,
        public Skill $skill,
        public TestForm $form,
        public array $stations,
        public array $steps = [new Step('as it is', 1.0)],
        public Table $table = new Table(),
        public array $pars = [],
        public array $unknown = [],
    ) {
        $this->name = $text->name;
        $this->course = $form->course;
        $this->tries = $form->tries;
        $this->pass = $form->pass;
    }

    /**
     * The table of a station before the shot, for a player.
     *
     * @throws InvalidInput when the balls cannot lie so
     */
    public function rack(Station $station, Player $player): Rack
    {
        return new Rack($this->name, $this->game, $this->table, $station->layout($this->table), player: $player);
    }

    /** The drill at one of its steps. */
    public function at(int $step): self
    {
        $times = ($this->steps[$step] ?? $this->steps[0])->areas;
        $stations = array_map(static fn(Station $station): Station => $station->scaled($times), $this->stations);

        return $this->with($stations);
    }

    /** Number of the step that the drill has when nothing is chosen: areas as they stand in the file. */
    public function usualStep(): int
    {
        foreach ($this->steps as $n => $step) {
            if (1.0 === $step->areas) {
                return $n;
            }
        }

        return 0;
    }

    /** Most points of a test; null where there is no end to them. */
    public function most(): ?int
    {
        return match ($this->course) {
            Course::Onward, Course::Further => null,
            Course::Run => $this->tries * ($this->form->whole ? 1 : $this->mostOf(\count($this->stations))),
            Course::Stations => $this->mostOf($this->tries),
        };
    }

    private function mostOf(int $shots): int
    {
        return (int) array_sum(array_map(fn(int $n): int => $this->station($n)->most(), range(0, $shots - 1)));
    }

    /** The station of a try, counted from 0. */
    public function station(int $try): Station
    {
        return $this->stations[$try % \count($this->stations)];
    }

    /**
     * The same with what each level may expect.
     *
     * @param array<string, float> $pars
     */
    public function withPars(array $pars): self
    {
        return $this->with($this->stations, $pars);
    }

    /**
     * @param non-empty-list<Station> $stations
     * @param array<string, float>    $pars
     */
    private function with(array $stations, array $pars = []): self
    {
        return new self($this->text, $this->game, $this->skill, $this->form, $stations, $this->steps, $this->table, $pars, $this->unknown);
    }
}
