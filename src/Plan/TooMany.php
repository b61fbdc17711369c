<?php

declare(strict_types=1);

namespace ZigLane\App\Plan;

/**
 * More is asked for than can be taken on; the message says what to do.
 */
final class TooMany extends \RuntimeException {}
