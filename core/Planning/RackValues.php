<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Planning\Value\PlanningCache;
use ZigLane\Core\Planning\Value\RemainingBalls;
use ZigLane\Core\Planning\Value\StateValues;
use ZigLane\Core\Rack\Rack;

/**
 * State values for the racks that a plan goes through, kept from shot to shot.
 */
final class RackValues
{
    /** A ball that lies further off than this has been moved, m. */
    private const MOVED = 1e-4;

    /** @var array{list<list<int>>, Layout}|null balls to keep for the end, and the table they were found on */
    private ?array $last = null;

    /** @var array<string, array{StateValues, Rack}> by group, with the rack that each was made for */
    private array $known = [];

    /**
     * @param self|null $other    whose balls to keep for the end are taken over
     * @param bool      $forBreak to choose by in straight pool, with what the place for the break shot counts for; else as a person is
     *                            told, through the same sets as the other's
     */
    public function __construct(
        private readonly PlanningCache $cache,
        private readonly SearchBudget $budget,
        private readonly PlanConstraints $constraints,
        private readonly ?self $other = null,
        private readonly bool $forBreak = true,
    ) {
        $this->last = $other?->last;
    }

    /** State values for a rack; those of an earlier one where its balls have not moved since. */
    public function of(Rack $rack): StateValues
    {
        $key = $rack->group->value ?? '';
        $known = $this->known[$key] ?? null;
        $fine = $this->budget->fine && !self::tooMany($rack, $this->budget);
        // What was worked out for one rack holds for another when balls are gone, but none moved.
        if (null === $known || !self::lieAsBefore(
            $rack->layout->objectBalls(),
            $known[1]->layout,
            $rack->layout,
        ) || ($fine && !$known[0]->fine)) {
            $known = $this->known[$key] = [$this->workedOut($rack, $this->constraints, $this->budget, $fine), $rack];
        }
        if (!$known[0]->knows(RemainingBalls::of($rack->layout))) {
            $this->through($known[0], $rack, $this->budget);
        }

        return $known[0];
    }

    /** State values for another player or with other constraints, from the same cache; roughly, to compare with another such. */
    public function roughly(Rack $rack, ?PlanConstraints $constraints = null): StateValues
    {
        $budget = $rack->rules()->hasFixedOrder() ? $this->budget : SearchBudget::quick();

        return $this->workedOut($rack, $constraints ?? $this->constraints, $budget, $budget->fine);
    }

    private function workedOut(Rack $rack, PlanConstraints $constraints, SearchBudget $budget, bool $fine): StateValues
    {
        $stateValues = new StateValues($rack, $this->cache, $fine, $constraints, $this->forBreak);
        if (self::tooMany($rack, $budget)) {
            $this->through($stateValues, $rack, $budget);
        }

        return $stateValues;
    }

    /** Where not all sets can be gone through, those that likely orders go through. */
    private function through(StateValues $stateValues, Rack $rack, SearchBudget $budget): void
    {
        if (!$this->forBreak && null !== $this->other) {
            $stateValues->like($this->other->of($rack));

            return;
        }
        if (null === $this->last || !self::lieAsBefore(array_merge([], ...$this->last[0]), $this->last[1], $rack->layout)) {
            $this->last = [LikelyOrders::last($this->cache, $rack), $rack->layout];
        }
        $stateValues->through(
            RemainingBalls::of($rack->layout),
            LikelyOrders::likely($rack, $stateValues, $budget->orders, $this->last[0]),
        );
    }

    private static function tooMany(Rack $rack, SearchBudget $budget): bool
    {
        return !$rack->rules()->hasFixedOrder() && \count($rack->rules()->ownBalls($rack->layout)) > $budget->sets;
    }

    /**
     * Whether balls lie where they lay, on both tables.
     *
     * @param list<int> $balls
     */
    private static function lieAsBefore(array $balls, Layout $then, Layout $now): bool
    {
        foreach ($balls as $ball) {
            if (!$then->has($ball) || !$now->has($ball) || $then->ball($ball)->distanceTo($now->ball($ball)) > self::MOVED) {
                return false;
            }
        }

        return true;
    }
}
