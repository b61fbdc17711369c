<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Rack;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\TypedLayout;
use ZigLane\Tests\Core\Reading\Read;

final class TypedLayoutTest extends TestCase
{
    private const FROZEN = 0.087;

    private static function rack(): Rack
    {
        return Read::rack(['cue' => [1, 1], 1 => [7, 1], 9 => [7, 3]]);
    }

    /**
     * @return iterable<string, array{string, array<int|string, array{float, float}>}> what is typed, and where balls then lie, diamonds
     */
    public static function lines(): iterable
    {
        yield 'plain' => ['cue 2,2 3 4.5,1', ['cue' => [2, 2], '3' => [4.5, 1]]];
        yield 'as it is said' => ['The cue ball at 2, 2; the 3 at 4½ 1 and the 7 is frozen to the foot rail at 2', ['cue' => [2, 2], '3' => [4.5, 1], '7' => [8 - self::FROZEN, 2]]];
        yield 'fractions' => ['3 4 1/2 1 1/4  4 ½ .5', ['3' => [4.5, 1.25], '4' => [0.5, 0.5]]];
        yield 'each rail' => ['2 frozen head 1, 3 frozen left 3, 4 frozen right rail 5.5', ['2' => [self::FROZEN, 1], '3' => [3, self::FROZEN], '4' => [5.5, 4 - self::FROZEN]]];
        yield 'spots' => ['2 on the foot spot 3 on the head spot 4 centre spot', ['2' => [6, 2], '3' => [2, 2], '4' => [4, 2]]];
        yield 'frozen to a ball' => ['3 4,2 5 frozen to the 3, foot side, 6 frozen 3 head left', ['5' => [4.18, 2], '6' => [4 - 0.1273, 2 - 0.1273]]];
        yield 'named twice' => ['3 4,2 3 5,2', ['3' => [5, 2]]];
    }

    /** @param array<int|string, array{float, float}> $balls */
    #[DataProvider('lines')]
    public function testALineIsRead(string $line, array $balls): void
    {
        $rack = TypedLayout::read(self::rack(), $line);
        foreach ($balls as $name => [$x, $y]) {
            [$along, $across] = $rack->table->size->diamondsOf($rack->layout->ball(BallId::fromName((string) $name) ?? self::fail('no ball')));
            self::assertEqualsWithDelta($x, $along, 5e-4, (string) $name);
            self::assertEqualsWithDelta($y, $across, 5e-4, (string) $name);
        }
        self::assertTrue($rack->layout->has(1), 'what is not named stays');
    }

    public function testTheOthersAreTakenOff(): void
    {
        self::assertSame([3], TypedLayout::read(self::rack(), '3 4,2', only: true)->layout->objectBalls());
        self::assertSame([9], TypedLayout::read(self::rack(), '1 off')->layout->objectBalls());
        // Two balls change places: only where all lie in the end must be playable.
        $swapped = TypedLayout::read(self::rack(), '1 7,3 9 7,1');
        self::assertEquals(self::rack()->layout->ball(1), $swapped->layout->ball(9));
    }

    /**
     * @return iterable<string, array{string, string}>
     */
    public static function faults(): iterable
    {
        yield 'nothing' => ['  ', 'Nothing is typed: try'];
        yield 'no ball' => ['cue 2,2 green 3,1', 'At "green" after "2 2", a ball of nine-ball is wanted ("cue" or its number).'];
        yield 'a ball of another game' => ['12 3,1', 'At "12", a ball of nine-ball is wanted'];
        yield 'half a place' => ['3 4.5', 'At the end of the line after "3 4.5", diamonds across are wanted for the 3.'];
        yield 'no place' => ['3 roof', 'At "roof" after "3", diamonds along and across are wanted for the 3.'];
        yield 'frozen to what' => ['7 frozen to the roof 2', 'At "roof" after "7 frozen", a rail (head, foot, left, right) or a ball that is on the table is wanted.'];
        yield 'frozen where' => ['7 frozen foot rail', 'At the end of the line after "frozen foot", the place along the foot rail is wanted for the 7.'];
        yield 'frozen to a ball that is off' => ['7 frozen 3 foot', 'or a ball that is on the table is wanted'];
        yield 'which side' => ['7 frozen to the 9', 'At the end of the line after "frozen 9", a side of the 9 is wanted'];
        yield 'which spot' => ['7 foot 2', 'At "2" after "7 foot", "spot" is wanted.'];
        yield 'outside' => ['3 4,5', 'The 3 cannot lie there: 5 is outside the table (0–4).'];
        yield 'on another' => ['3 7,1', 'The 3 cannot lie there: overlaps'];
        yield 'in a rail' => ['3 2,0.01', 'The 3 cannot lie there: lies in the rail'];
        yield 'the cue ball off' => ['cue off', 'The cue ball stays on the table.'];
        yield 'endless' => [str_repeat('3 4,2 ', 200), 'The line has 1200 characters (limit 1000).'];
        yield 'divided by nothing' => ['3 4 1/0 2', 'At "1/0" after "3 4"'];
        yield 'signs' => ['3 -1 2', 'At "-" after "3", diamonds along and across are wanted for the 3.'];
    }

    #[DataProvider('faults')]
    public function testAFaultIsNamedWithItsPlace(string $line, string $message): void
    {
        $this->expectException(InvalidInput::class);
        $this->expectExceptionMessage($message);
        TypedLayout::read(self::rack(), $line);
    }
}
