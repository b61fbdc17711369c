<?php

declare(strict_types=1);

namespace ZigLane\Core\Rack;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\CueSpec;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Games\Game;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\Games\Group;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;

/**
 * A rack as it lies, with the legs planned for it: what the rack file holds, and nothing that it could not hold.
 */
final readonly class Rack
{
    public const LONGEST_NAME = 120;
    public const MOST_LEGS = 30;

    public Player $player;
    public bool $ballInHand;
    public ?Group $group;

    /** Null for practice alone. */
    public ?Player $opponent;
    public PushOut $pushOut;

    /** The cue ball is put down behind the head string, and a ball beyond it must be hit first. */
    public bool $kitchen;

    /** Fouls in a row of the player, and of the other, 0–2. */
    public int $fouls;
    public int $othersFouls;

    /**
     * @param Player|null          $player a league player when null
     * @param list<ShotSpec>       $legs
     * @param array<string, array<string, mixed>> $unknown keys this version does not know, by path ("", "table",
     *                             "table.cloth", "table.cushion", "cue", "player"), each a map of what was there; kept when written
     *
     * @throws InvalidInput without a cue ball or a name, with a push-out in a game without, a ball of another game,
     *                      a ball in a rail, a pocket or another ball,
     *                      too long a name or too many legs
     */
    public function __construct(
        public string $name,
        public GameName $game,
        public Table $table,
        public Layout $layout,
        private Turn $turn = new Turn(),
        ?Player $player = null,
        public array $legs = [],
        public array $unknown = [],
        public CueSpec $cue = new CueSpec(),
        public HouseRules $house = new HouseRules(),
    ) {
        $this->player = $player ?? Player::of(Level::League);
        $this->ballInHand = $turn->ballInHand;
        $this->group = $turn->group;
        $this->opponent = $turn->opponent;
        $this->pushOut = $turn->pushOut;
        $this->kitchen = $turn->kitchen;
        $this->fouls = $turn->fouls;
        $this->othersFouls = $turn->others;
        if ($this->fouls + $this->othersFouls > 0 && !$game->rules()->countsFouls()) {
            throw new InvalidInput('fouls', 'in a row are not counted in this game');
        }
        if (PushOut::None !== $this->pushOut && !$game->rules()->hasFixedOrder()) {
            throw new InvalidInput('pushOut', 'is played in nine-ball and ten-ball only');
        }
        if ('' === trim($name) || mb_strlen($name) > self::LONGEST_NAME) {
            throw new InvalidInput('name', \sprintf('must have 1 to %d characters', self::LONGEST_NAME));
        }
        if (\count($legs) > self::MOST_LEGS) {
            throw new InvalidInput('legs', \sprintf('has %d shots (limit %d)', \count($legs), self::MOST_LEGS));
        }
        if (!$layout->has(BallId::CUE)) {
            throw new InvalidInput('balls.cue', 'is missing: every rack needs a cue ball');
        }
        foreach (array_diff($layout->objectBalls(), $game->rules()->rack()) as $ball) {
            throw new InvalidInput("balls.$ball", \sprintf('is not a ball of %s', $game->value));
        }
        Playable::assert($layout, $table);
    }

    /** The simulator of this rack's table and cue. */
    public function simulator(): Simulator
    {
        return new Simulator($this->table, $this->cue);
    }

    /** The rules of its game, for the player's group. */
    public function rules(): Game
    {
        return $this->game->rules($this->group, $this->house->called);
    }

    /** The same under another name. */
    public function named(string $name): self
    {
        return $this->with(['name' => $name]);
    }

    /** The same with balls elsewhere. */
    public function withLayout(Layout $layout): self
    {
        return $this->with(['layout' => $layout]);
    }

    /** The same with one ball put at a place (m). */
    public function withBall(int $ball, Point $place): self
    {
        return $this->withLayout($this->layout->with($ball, $place));
    }

    /** The same with the ball in hand, or not; anywhere or behind the head string only: as it was when null. */
    public function withBallInHand(bool $inHand, ?bool $kitchen = null): self
    {
        return $this->with(['turn' => $this->turn->withBallInHand($inHand, $kitchen)]);
    }

    /** The same after a legal shot by which the turn goes on, and that leaves the balls so. */
    public function goneOn(Layout $layout): self
    {
        return $this->with(['layout' => $layout, 'turn' => $this->turn->goneOn()]);
    }

    /** The same balls by diamonds on another table. */
    public function onTable(Table $table): self
    {
        $balls = [];
        foreach ($this->layout->balls as $id => $place) {
            [$x, $y] = $this->table->size->diamondsOf($place);
            $balls[$id] = $table->size->pointAt($x, $y);
        }

        return $this->with(['table' => $table, 'layout' => new Layout($balls)]);
    }

    /** The same for another player. */
    public function withPlayer(Player $player): self
    {
        return $this->with(['player' => $player]);
    }

    /** The same against somebody; alone when null. */
    public function against(?Player $opponent): self
    {
        return $this->with(['turn' => $this->turn->against($opponent)]);
    }

    /** The same with a push-out that may be played, or was. */
    public function withPushOut(PushOut $pushOut): self
    {
        return $this->with(['turn' => $this->turn->withPushOut($pushOut)]);
    }

    /** The same after so many fouls in a row by the player and by the other. */
    public function withFouls(int $fouls, int $others): self
    {
        return $this->with(['turn' => $this->turn->withFouls($fouls, $others)]);
    }

    /** The same where a plan may jump and curve, or not. */
    public function allowingJumps(bool $allowed): self
    {
        return $this->with(['house' => new HouseRules($allowed, $this->house->called)]);
    }

    /** The same where ball and pocket are called, or not; null as the game usually has it. */
    public function calling(?bool $called): self
    {
        return $this->with(['house' => new HouseRules($this->house->jumps, $called)]);
    }

    /** The same with a group taken; the table open when null. */
    public function withGroup(?Group $group): self
    {
        return $this->with(['turn' => $this->turn->withGroup($group)]);
    }

    /** The same once a ball has been made: on an open table that takes its group. */
    public function taking(int $ball): self
    {
        $rules = $this->rules();

        return $rules->isTableOpen() ? $this->withGroup($rules->groupTakenWith($ball)) : $this;
    }

    /** The same with another cue. */
    public function withCue(CueSpec $cue): self
    {
        return $this->with(['cue' => $cue]);
    }

    /**
     * @param list<ShotSpec> $legs
     */
    public function withLegs(array $legs): self
    {
        return $this->with(['legs' => $legs]);
    }

    /**
     * This rack with what is named replaced.
     *
     * @param array{name?: string, table?: Table, layout?: Layout, turn?: Turn, legs?: list<ShotSpec>, cue?: CueSpec,
     *              player?: Player, house?: HouseRules} $changes
     */
    private function with(array $changes): self
    {
        return new self(
            $changes['name'] ?? $this->name,
            $this->game,
            $changes['table'] ?? $this->table,
            $changes['layout'] ?? $this->layout,
            $changes['turn'] ?? $this->turn,
            $changes['player'] ?? $this->player,
            $changes['legs'] ?? $this->legs,
            $this->unknown,
            $changes['cue'] ?? $this->cue,
            $changes['house'] ?? $this->house,
        );
    }
}
