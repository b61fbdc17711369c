<?php

declare(strict_types=1);

namespace ZigLane\Core\Rack;

use ZigLane\Core\Games\Group;
use ZigLane\Core\Player\Player;

/**
 * How the turn stands that a rack is planned for.
 */
final readonly class Turn
{
    /**
     * @param Group|null  $group    of the player in eight-ball; null on an open table
     * @param Player|null $opponent who comes to the table when the turn ends; null for practice alone
     * @param PushOut     $pushOut  right after the break in nine-ball and ten-ball
     */
    public function __construct(
        public bool $ballInHand = false,
        public ?Group $group = null,
        public ?Player $opponent = null,
        public PushOut $pushOut = PushOut::None,
    ) {}

    /** The same with the ball in hand, or not. */
    public function withBallInHand(bool $inHand): self
    {
        return new self($inHand, $this->group, $this->opponent, $this->pushOut);
    }

    /** The same with a group taken. */
    public function withGroup(Group $group): self
    {
        return new self($this->ballInHand, $group, $this->opponent, $this->pushOut);
    }

    /** The same against somebody; alone when null. */
    public function against(?Player $opponent): self
    {
        return new self($this->ballInHand, $this->group, $opponent, $this->pushOut);
    }

    /** The same with a push-out that may be played, or was. */
    public function withPushOut(PushOut $pushOut): self
    {
        return new self($this->ballInHand, $this->group, $this->opponent, $pushOut);
    }
}
