<?php

declare(strict_types=1);

namespace ZigLane\Core\Decision;

use ZigLane\Core\Games\Group;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Rack\Rack;

/**
 * On an open table: whoever makes the first ball takes its group, and until then either player may take either.
 */
final class OpenTableTurns implements Turns
{
    /** @var array<string, array{float, float}> chance to win when the player comes to it, and when the other does, by balls */
    private array $known = [];

    private ?self $reversed = null;

    /**
     * @param Rack                       $rack   no group taken
     * @param non-empty-array<string, RackTurns> $groups by the group that the player may take
     */
    public function __construct(private readonly Rack $rack, private readonly array $groups) {}

    public function rack(): Rack
    {
        return $this->rack;
    }

    public function runOut(Layout $layout): float
    {
        return $this->best(static fn(RackTurns $turns): float => $turns->runOut($layout));
    }

    public function going(Layout $layout, ?float $runOut = null): float
    {
        $failing = $this->failing($layout);

        return $this->best(
            static fn(RackTurns $turns): float => $turns->chain($layout)->going($runOut ?? $turns->runOut($layout), $failing),
        );
    }

    public function inHand(Layout $layout): float
    {
        $failing = $this->failing($layout);

        return $this->best(static fn(RackTurns $turns): float => TurnChain::sum(
            $turns->chain($layout)->turnInHand($turns->own->inHand($layout)),
            $failing,
        ));
    }

    public function coming(Layout $layout): float
    {
        return $this->settled($layout)[0];
    }

    public function failing(Layout $layout): float
    {
        return $this->settled($layout)[1];
    }

    public function reversed(): self
    {
        if (null === $this->reversed) {
            $solids = $this->taking(Group::Stripes)->reversed();
            $groups = [Group::Solids->value => $solids, Group::Stripes->value => $this->taking(Group::Solids)->reversed()];
            $this->reversed = new self($this->rack->withPlayer($solids->rack()->player), $groups);
            $this->reversed->reversed = $this;
        }

        return $this->reversed;
    }

    public function near(Layout $layout): self
    {
        $turns = new self($this->rack, array_map(static fn(RackTurns $one): RackTurns => $one->near($layout), $this->groups));
        $turns->known = $this->known;
        $turns->reversed()->known = $this->reversed()->known;

        return $turns;
    }

    public function taking(Group $group): RackTurns
    {
        return $this->groups[$group->value];
    }

    /**
     * @return array{float, float} as known
     */
    private function settled(Layout $layout): array
    {
        $key = implode(' ', $layout->objectBalls());
        if (!isset($this->known[$key])) {
            $own = $this->likeMost($layout);
            $others = $this->reversed()->likeMost($layout);
            // Each goes for the group that is worth most to them.
            $coming = max(array_map(
                static fn(array $one): float => min(array_map(static fn(array $two): float => TurnChain::meeting($one, $two), $others)),
                $own,
            ));
            $failing = 1 - max(array_map(static fn(array $turn): float => TurnChain::sum($turn, 1 - $coming), $others));
            $this->known[$key] = [$coming, $failing];
            $this->reversed()->known[$key] = [1 - $failing, 1 - $coming];
        }

        return $this->known[$key];
    }

    /**
     * @return non-empty-array<string, array{float, float}> a turn from a table like most, by group
     */
    private function likeMost(Layout $layout): array
    {
        return array_map(static fn(RackTurns $one): array => $one->chain($layout)->turnLikeMost(), $this->groups);
    }

    /** @param \Closure(RackTurns): float $worth */
    private function best(\Closure $worth): float
    {
        return max(array_map($worth, $this->groups));
    }
}
