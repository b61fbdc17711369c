<?php

declare(strict_types=1);

namespace ZigLane\App\Plan;

/**
 * A plan ended its worker too often.
 */
final class GivenUp extends \RuntimeException {}
