<?php

declare(strict_types=1);

namespace ZigLane\App\Choice;

use ZigLane\Core\Games\GameName;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Rack\Files\Fields;

/**
 * What somebody wants to be asked.
 */
final readonly class Wish
{
    /** Balls to be potted. */
    public const BALLS = [2, 3, 4, 5];

    /** Characters of a name of a player or a table as the page has it. */
    private const NAME = 20;

    /**
     * @param string $who   "level:league" or "profile:3"
     * @param string $place "" for an ordinary table, or "profile:4"
     */
    public function __construct(
        public PosedKind $kind = PosedKind::Rack,
        public string $who = 'level:league',
        public string $place = '',
        public GameName $game = GameName::NineBall,
        public int $balls = 4,
    ) {}

    /** @throws InvalidInput that names the fault */
    public static function read(mixed $data): self
    {
        $fields = new Fields($data, '');
        $game = $fields->choice('game', GameName::class, GameName::NineBall->value);
        if ($game->rules()->endsWithBreakShot()) {
            throw new InvalidInput('game', 'has racks without an end: choose another');
        }

        return new self(
            $fields->choice('kind', PosedKind::class, PosedKind::Rack->value),
            $fields->text('who', 'level:league', self::NAME),
            $fields->text('place', '', self::NAME),
            $game,
            $fields->whole('balls', 4, min(self::BALLS), max(self::BALLS)),
        );
    }

    /** @return array<string, string|int> ready for json_encode */
    public function write(): array
    {
        return [
            'kind' => $this->kind->value,
            'who' => $this->who,
            'place' => $this->place,
            'game' => $this->game->value,
            'balls' => $this->balls,
        ];
    }
}
