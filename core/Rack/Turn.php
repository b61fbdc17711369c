<?php

declare(strict_types=1);

namespace ZigLane\Core\Rack;

use ZigLane\Core\Games\Group;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Player\Player;

/**
 * How the turn stands that a rack is planned for.
 */
final readonly class Turn
{
    /** Fouls in a row of which the next one loses the rack in nine-ball and ten-ball (WPA rules, from memory). */
    public const LAST_WARNING = 2;

    /**
     * @param bool        $kitchen  the ball in hand is put down behind the head string, and a ball beyond it must be hit first
     * @param Group|null  $group    of the player in eight-ball; null on an open table
     * @param Player|null $opponent who comes to the table when the turn ends; null for practice alone
     * @param PushOut     $pushOut  right after the break in nine-ball and ten-ball
     * @param int         $fouls    that the player has made in a row, 0–2
     * @param int         $others   and the other player
     *
     * @throws InvalidInput for another number of fouls
     */
    public function __construct(
        public bool $ballInHand = false,
        public ?Group $group = null,
        public ?Player $opponent = null,
        public PushOut $pushOut = PushOut::None,
        public bool $kitchen = false,
        public int $fouls = 0,
        public int $others = 0,
    ) {
        foreach (['player' => $fouls, 'opponent' => $others] as $who => $number) {
            if ($number < 0 || $number > self::LAST_WARNING) {
                throw new InvalidInput("fouls.$who", \sprintf('%d is outside 0–%d', $number, self::LAST_WARNING));
            }
        }
    }

    /** The same with the ball in hand, anywhere or behind the head string only; or not in hand. */
    public function withBallInHand(bool $inHand, ?bool $kitchen = null): self
    {
        return $this->with(['ballInHand' => $inHand, 'kitchen' => $kitchen ?? $this->kitchen]);
    }

    /** The same with a group taken; none when null. */
    public function withGroup(?Group $group): self
    {
        return $this->with(['group' => $group]);
    }

    /** The same against somebody; alone when null. */
    public function against(?Player $opponent): self
    {
        return $this->with(['opponent' => $opponent]);
    }

    /** The same with a push-out that may be played, or was. */
    public function withPushOut(PushOut $pushOut): self
    {
        return $this->with(['pushOut' => $pushOut]);
    }

    /** The same after so many fouls in a row by the player and by the other. */
    public function withFouls(int $fouls, int $others): self
    {
        return $this->with(['fouls' => $fouls, 'others' => $others]);
    }

    /** The same after a legal shot by which the turn goes on: what held for its beginning holds no longer. */
    public function goneOn(): self
    {
        return $this->with(['ballInHand' => false, 'kitchen' => false, 'pushOut' => PushOut::None, 'fouls' => 0]);
    }

    /**
     * @param array{ballInHand?: bool, group?: Group|null, opponent?: Player|null, pushOut?: PushOut, kitchen?: bool, fouls?: int,
     *              others?: int} $changes
     */
    private function with(array $changes): self
    {
        return new self(
            $changes['ballInHand'] ?? $this->ballInHand,
            \array_key_exists('group', $changes) ? $changes['group'] : $this->group,
            \array_key_exists('opponent', $changes) ? $changes['opponent'] : $this->opponent,
            $changes['pushOut'] ?? $this->pushOut,
            $changes['kitchen'] ?? $this->kitchen,
            $changes['fouls'] ?? $this->fouls,
            $changes['others'] ?? $this->others,
        );
    }
}
