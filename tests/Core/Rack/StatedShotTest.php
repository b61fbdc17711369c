<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Rack;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZigLane\Core\Aiming\AimRefused;
use ZigLane\Core\Aiming\RefusalReason;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Rack\Files\JsonText;
use ZigLane\Core\Rack\Files\RackFile;
use ZigLane\Core\Rack\StatedShot;

final class StatedShotTest extends TestCase
{
    /**
     * @param array<string, mixed> $shot
     */
    #[DataProvider('gone')]
    public function testABallThatIsGoneIsRefusedInWords(array $shot, int $gone, string $says): void
    {
        $rack = RackFile::read(JsonText::decode((string) json_encode([
            'format' => 'zig-lane/rack', 'version' => 1, 'name' => 'R', 'game' => 'nine-ball',
            'balls' => ['cue' => [2, 2], '1' => [5.5, 1.25], '2' => [6.5, 1], '9' => [6, 3.1]],
            'legs' => [$shot + ['pocket' => 'foot-left', 'speed' => ['lengths' => 1.5]]],
        ])));
        try {
            StatedShot::play($rack->simulator(), $rack->legs[0], $rack->layout->without($gone));
            self::fail('It was played.');
        } catch (AimRefused $e) {
            self::assertSame([RefusalReason::NotOnTable, $says], [$e->reason, $e->getMessage()]);
        }
    }

    /** @return iterable<string, array{array<string, mixed>, int, string}> */
    public static function gone(): iterable
    {
        yield 'the ball that is meant' => [['ball' => '1'], 1, 'The 1 is not on the table.'];
        yield 'the cue ball' => [['ball' => '1'], BallId::CUE, 'The cue ball is not on the table.'];
        yield 'of a bank' => [['ball' => '1', 'kind' => 'bank', 'rails' => ['left']], 1, 'The 1 is not on the table.'];
        yield 'the first of a combination' => [['ball' => '2', 'kind' => 'combination', 'first' => '1'], 1, 'The 1 is not on the table.'];
    }
}
