<?php

declare(strict_types=1);

namespace ZigLane\Core\Decision;

use ZigLane\Core\Games\Group;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Planning\RunOutChance;
use ZigLane\Core\Rack\Rack;

/**
 * Where it is known what either player has to pot: the same balls, or a group each.
 */
final class RackTurns implements Turns
{
    /** @var array<string, TurnChain> by what the player and the other have left */
    private array $chains = [];

    /** The table asked for last: several things are asked of each. */
    private ?Layout $last = null;
    private ?TurnChain $chain = null;

    private ?self $reversed = null;

    /**
     * @param RunOutChance $own   the player's
     * @param RunOutChance $other the other's; the same where both play the same balls equally well
     * @param array{UsualRunOut, UsualRunOut}|null $usual what the player and the other usually run out; null where both play the same
     *                                                    balls
     */
    public function __construct(
        public readonly RunOutChance $own,
        private readonly RunOutChance $other,
        private readonly ?array $usual = null,
    ) {
        if ($own === $other) {
            $this->reversed = $this;
        }
    }

    public function rack(): Rack
    {
        return $this->own->rack;
    }

    public function runOut(Layout $layout): float
    {
        return $this->own->at($layout);
    }

    public function going(Layout $layout, ?float $runOut = null): float
    {
        return $this->chain($layout)->going($runOut ?? $this->own->at($layout));
    }

    public function inHand(Layout $layout): float
    {
        return $this->chain($layout)->inHand($this->own->inHand($layout));
    }

    public function coming(Layout $layout): float
    {
        return $this->chain($layout)->coming;
    }

    public function failing(Layout $layout): float
    {
        return $this->chain($layout)->failing();
    }

    public function reversed(): self
    {
        if (null === $this->reversed) {
            $this->reversed = new self($this->other, $this->own, null === $this->usual ? null : array_reverse($this->usual));
            $this->reversed->reversed = $this;
        }

        return $this->reversed;
    }

    public function near(Layout $layout): self
    {
        $own = $this->own->near($layout);
        $turns = new self($own, $this->own === $this->other ? $own : $this->other->near($layout), $this->usual);
        $turns->chains = $this->chains;
        $turns->reversed()->chains = $this->reversed()->chains;

        return $turns;
    }

    public function taking(Group $group): self
    {
        return $this;
    }

    /** What comes to a table with these balls. */
    public function chain(Layout $layout): TurnChain
    {
        if ($layout !== $this->last || null === $this->chain) {
            $this->chain = $this->known($layout);
            $this->last = $layout;
        }

        return $this->chain;
    }

    private function known(Layout $layout): TurnChain
    {
        $own = $this->own->left($layout);
        $other = $this->other->left($layout);
        $key = "$own->bits $other->bits";
        if (!isset($this->chains[$key])) {
            [$one, $two] = TurnChain::between($this->own->onTheWay($own), $this->other->onTheWay($other), $this->usual);
            $this->reversed()->chains["$other->bits $own->bits"] = $two;
            $this->chains[$key] = $one;
        }

        return $this->chains[$key];
    }
}
