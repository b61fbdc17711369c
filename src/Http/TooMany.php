<?php

declare(strict_types=1);

namespace ZigLane\App\Http;

/**
 * More is asked for than can be taken on; the message says what to do.
 */
final class TooMany extends \RuntimeException {}
