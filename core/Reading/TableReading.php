<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading;

use ZigLane\Core\Player\Player;
use ZigLane\Core\Rack\Rack;

use ZigLane\Core\Reading\Trouble\Trouble;
use ZigLane\Core\Reading\Trouble\TroubleFinder;

/**
 * A whole table, read: what goes, what stands in the way, which balls to keep.
 */
final readonly class TableReading
{
    /**
     * @param list<Trouble>              $troubles the worst first
     * @param list<KeyBall>              $keys     the best first
     * @param array<int, list<Indirect>> $indirect ways for balls without a direct one, by ball
     * @param list<int>                  $own      balls the player has to pocket
     */
    private function __construct(
        public Openings $openings,
        public array $troubles,
        public array $keys,
        public array $indirect,
        public array $own,
    ) {}

    /**
     * @param self|null $before a reading of the same rack on the same table, with balls elsewhere: saves work
     */
    public static function of(Rack $rack, Player $player, ?self $before = null): self
    {
        $simulator = $rack->simulator();
        $game = $rack->rules();
        $layout = $rack->layout;
        $openings = Openings::of($simulator, $layout, $before?->openings);
        $own = $game->ownBalls($layout);
        $finder = TroubleFinder::for($simulator, $layout, $openings, $game);
        $indirect = [];
        foreach ($own as $ball) {
            if ([] === $openings->going($ball)) {
                $indirect[$ball] = $finder->indirect($ball);
            }
        }

        return new self(
            $openings,
            $finder->all($indirect),
            (new KeyBalls($simulator, $layout, $openings, $player))->of($game),
            $indirect,
            $own,
        );
    }

    /** The ball that is most in trouble; null when none is worth a word. */
    public function problem(): ?int
    {
        return $this->troubles[0]->balls[0] ?? null;
    }
}
