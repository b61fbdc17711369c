<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Finding;

use ZigLane\Core\Finding;

/**
 * The plan ends in the break shot that it carries.
 */
final readonly class BreakShotFollows implements Finding {}
