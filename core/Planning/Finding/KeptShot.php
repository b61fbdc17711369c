<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Finding;

use ZigLane\Core\Finding;

/**
 * The shot is the player's own and stands as it was planned by hand.
 */
final readonly class KeptShot implements Finding {}
