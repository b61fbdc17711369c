<?php

declare(strict_types=1);

namespace ZigLane\App\Rack;

/**
 * There is no rack of that number.
 */
final class NoSuchRack extends \RuntimeException {}
