<?php

declare(strict_types=1);

namespace ZigLane\App\Rack;

/**
 * The rack was changed elsewhere since the page that sent a change was drawn.
 */
final class StaleRack extends \RuntimeException {}
