<?php

declare(strict_types=1);

namespace ZigLane\Core\Rack;

use ZigLane\Core\Game\Game;
use ZigLane\Core\Game\GameName;
use ZigLane\Core\Game\Group;
use ZigLane\Core\Simulation\Layout;
use ZigLane\Core\Table\Point;
use ZigLane\Core\Table\Table;

/**
 * A rack as it lies, with the legs planned for it: what the rack file holds.
 */
final readonly class Rack
{
    public const LONGEST_NAME = 120;
    public const MOST_LEGS = 30;

    /**
     * @param list<ShotSpec>       $legs
     * @param array<string, array<string, mixed>> $unknown keys this version does not know, by path ("", "table",
     *                             "table.cloth", "player"), each a map of what was there; kept when written
     */
    public function __construct(
        public string $name,
        public GameName $game,
        public Table $table,
        public Layout $layout,
        public bool $ballInHand = false,
        public ?Group $group = null,
        public string $level = 'league',
        public array $legs = [],
        public array $unknown = [],
    ) {}

    public function rules(): Game
    {
        return $this->game->rules($this->group);
    }

    public function named(string $name): self
    {
        return new self($name, $this->game, $this->table, $this->layout, $this->ballInHand, $this->group, $this->level, $this->legs, $this->unknown);
    }

    public function withLayout(Layout $layout): self
    {
        return new self($this->name, $this->game, $this->table, $layout, $this->ballInHand, $this->group, $this->level, $this->legs, $this->unknown);
    }

    public function withBall(int $ball, Point $place): self
    {
        return $this->withLayout($this->layout->with($ball, $place));
    }

    public function withBallInHand(bool $inHand): self
    {
        return new self($this->name, $this->game, $this->table, $this->layout, $inHand, $this->group, $this->level, $this->legs, $this->unknown);
    }

    /** The same balls by diamonds on another table. */
    public function onTable(Table $table): self
    {
        $balls = [];
        foreach ($this->layout->balls as $id => $place) {
            [$x, $y] = $place->toDiamonds($this->table->size);
            $balls[$id] = Point::fromDiamonds($x, $y, $table->size);
        }

        return new self($this->name, $this->game, $table, new Layout($balls), $this->ballInHand, $this->group, $this->level, $this->legs, $this->unknown);
    }

    /**
     * @param list<ShotSpec> $legs
     */
    public function withLegs(array $legs): self
    {
        return new self($this->name, $this->game, $this->table, $this->layout, $this->ballInHand, $this->group, $this->level, $legs, $this->unknown);
    }
}
