<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

/**
 * What is needed of a table of transitions.
 *
 * @internal
 */
final readonly class TransitionsNeeded
{
    /** With so many balls left beside the last, every second cut will do. */
    private const FAR_OFF = 5;

    /** With so many or more left, where the order is free, a look without side spin and at every second cut will do. */
    private const CLOSE = 4;

    /**
     * @param int<1, 2> $step  every cut, or every second
     * @param int       $sides how many of ArrivalSteps::SIDES
     */
    public function __construct(public int $step, public int $sides) {}

    /**
     * For a pot that leaves so many balls.
     *
     * @param bool $fine  closely
     * @param bool $fixed whether the order is not the player's to choose: there are few sets then, and each is worked out closely
     */
    public static function forPot(bool $fine, bool $fixed, int $left): self
    {
        return new self(
            $fine && $left < ($fixed ? self::FAR_OFF : self::CLOSE) ? 1 : ArrivalGrid::COARSE,
            $fine && ($fixed || $left < self::CLOSE) ? \count(ArrivalSteps::SIDES) : 1,
        );
    }

    /**
     * Cuts and sides, each pair as one number (place()).
     *
     * @return list<int>
     */
    public function places(): array
    {
        $places = [];
        for ($cut = 0; $cut < ArrivalGrid::CUTS; $cut += $this->step) {
            for ($side = 0; $side < $this->sides; ++$side) {
                $places[] = self::place($cut, $side);
            }
        }

        return $places;
    }

    /** A cut and a side as one number. */
    public static function place(int $cut, int $side): int
    {
        return $cut * \count(ArrivalSteps::SIDES) + $side;
    }

    /**
     * @return array{int, int} places on the ladders of cuts and of side spins
     */
    public static function cutAndSide(int $place): array
    {
        return [intdiv($place, \count(ArrivalSteps::SIDES)), $place % \count(ArrivalSteps::SIDES)];
    }
}
