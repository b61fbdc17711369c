<?php

declare(strict_types=1);

namespace ZigLane\Core\Measuring;

/**
 * What the measurements say about one number.
 */
final readonly class Estimate
{
    /**
     * @param float $sigma    one standard deviation, in the value's own unit
     * @param bool  $measured false when the tests say hardly more than was believed before; then the value is the house's
     */
    public function __construct(public Parameter $parameter, public float $value, public float $sigma, public bool $measured) {}

    /** Share by which it is above the house value. */
    public function change(): float
    {
        return $this->value / $this->parameter->house() - 1.0;
    }
}
