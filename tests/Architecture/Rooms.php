<?php

declare(strict_types=1);

namespace ZigLane\Tests\Architecture;

use PHPat\Selector\Selector;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/**
 * The core's folders depend on those above them in this list only, so there is no cycle between them.
 */
final class Rooms
{
    private const CORE = 'ZigLane\Core';

    /** See docs/architecture.md for what is in each. */
    private const ORDER = [
        'Settings', 'Geometry', 'Numerics', 'Parallel', 'Equipment', 'Physics', 'Aiming', 'Player', 'Games', 'Shots', 'Rack', 'Potting', 'Reading', 'Line', 'Logbook', 'Camera', 'Photo', 'Routes', 'Planning', 'Decision', 'Breaks', 'Drills', 'Experiments', 'Choice', 'Measuring', 'Wording', 'Files',
    ];

    /** Folders inside a folder, and who may use them besides that folder itself. */
    private const INSIDE = [
        'Physics\Internal' => [],
        'Planning\Value' => [],
    ];

    /**
     * @return iterable<Rule>
     */
    public function testFoldersDependUpward(): iterable
    {
        foreach (self::ORDER as $n => $folder) {
            $below = \array_slice(self::ORDER, $n + 1);
            if ([] !== $below) {
                yield PHPat::rule()
                    ->classes(Selector::inNamespace(self::CORE . "\\$folder"))
                    ->shouldNot()->dependOn()
                    ->classes(...array_map(static fn(string $other) => Selector::inNamespace(self::CORE . "\\$other"), $below))
                    ->because("$folder comes before them");
            }
        }
    }

    /**
     * @return iterable<Rule>
     */
    public function testInsidesStayInside(): iterable
    {
        foreach (self::INSIDE as $inside => $users) {
            $room = explode('\\', $inside)[0];
            yield PHPat::rule()
                ->classes(Selector::inNamespace('ZigLane\App'), Selector::inNamespace(self::CORE))
                ->excluding(...array_map(static fn(string $user) => Selector::inNamespace(self::CORE . "\\$user"), [$room, ...$users]))
                ->shouldNot()->dependOn()
                ->classes(Selector::inNamespace(self::CORE . "\\$inside"))
                ->because("it is reached through $room");
        }
    }
}
