<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Finding;

use ZigLane\Core\Finding;

/**
 * There is no cue ball on the table.
 */
final readonly class NoCueBall implements Finding {}
