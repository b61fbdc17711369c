<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

/**
 * A roll and a side spin of ArrivalGrid, and where tables over arrivals keep them: the only place that knows their order.
 *
 * @internal
 */
final readonly class ArrivalIndex
{
    /**
     * @param int $roll place in ArrivalSteps::ROLLS
     * @param int $side place in ArrivalSteps::SIDES
     */
    private function __construct(public int $roll, public int $side) {}

    /**
     * @param int $sides how many of ArrivalSteps::SIDES
     *
     * @return list<self> roll by roll
     */
    public static function all(int $sides = 3): array
    {
        $all = [];
        foreach (array_keys(ArrivalSteps::ROLLS) as $roll) {
            for ($side = 0; $side < $sides; ++$side) {
                $all[] = new self($roll, $side);
            }
        }

        return $all;
    }

    /** Where a table by roll and speed has the first speed. */
    public function first(): int
    {
        return $this->roll * ArrivalSteps::SPEEDS;
    }

    /** Where a table by cut, roll, side and speed has the first speed. */
    public function entry(int $cut): int
    {
        return (($cut * \count(ArrivalSteps::ROLLS) + $this->roll) * \count(ArrivalSteps::SIDES) + $this->side) * ArrivalSteps::SPEEDS;
    }

    /** Where a table by roll, side, speed and distance has the first speed at the first distance. */
    public function strokeEntry(): int
    {
        return ($this->roll * \count(ArrivalSteps::SIDES) + $this->side) * ArrivalSteps::SPEEDS * \count(ArrivalSteps::DISTANCES);
    }

    /** The arrival at a speed, m/s. */
    public function arrival(float $speed): CueBallArrival
    {
        return new CueBallArrival(ArrivalSteps::ROLLS[$this->roll], ArrivalSteps::SIDES[$this->side], $speed);
    }
}
