<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Finding;

use ZigLane\Core\Finding;

/**
 * The rack stands: the break shot comes first.
 */
final readonly class RackStands implements Finding {}
