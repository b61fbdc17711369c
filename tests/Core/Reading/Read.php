<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Reading;

use ZigLane\Core\Rack\Files\JsonText;
use ZigLane\Core\Rack\Files\RackFile;
use ZigLane\Core\Rack\Rack;

/**
 * Racks by diamonds, for the tests of reading.
 */
final class Read
{
    /**
     * @param array<string|int, array{float, float}> $balls
     */
    public static function rack(array $balls, string $game = 'nine-ball', ?string $group = null): Rack
    {
        return RackFile::read(JsonText::decode(json_encode(['format' => 'zig-lane/rack', 'version' => 1, 'game' => $game, 'group' => $group, 'balls' => (object) $balls], \JSON_THROW_ON_ERROR)));
    }
}
