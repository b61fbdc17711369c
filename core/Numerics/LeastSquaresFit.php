<?php

declare(strict_types=1);

namespace ZigLane\Core\Numerics;

/**
 * Where the residuals' squares are least.
 */
final readonly class LeastSquaresFit
{
    /**
     * @param list<float>       $parameters
     * @param list<list<float>> $covariance of the parameters
     * @param list<float>       $residuals  at the parameters, each in its own standard deviations
     */
    public function __construct(public array $parameters, public array $covariance, public array $residuals) {}
}
