<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Decision;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Decision\EndKind;
use ZigLane\Core\Decision\StrokeEnds;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Physics\AimedStroke;
use ZigLane\Core\Physics\Stroke;
use ZigLane\Tests\Core\Reading\Read;

/**
 * What the rules make of a stroke: the cue ball is sent along the middle of the table at balls on that line.
 */
final class StrokeEndsTest extends TestCase
{
    private const STOP = [3.5, -0.25];

    /**
     * @param array<int|string, array{float, float}> $balls
     * @param array{float, float}                     $stroke speed (m/s), height of the tip
     */
    #[DataProvider('strokes')]
    public function testStrokes(string $game, ?string $group, array $balls, array $stroke, ?Pot $call, EndKind $kind): void
    {
        $rack = Read::rack($balls, $game, $group);
        $way = $rack->layout->ball(0)->angleTo($rack->layout->ball((int) array_keys($balls)[1]));
        $end = (new StrokeEnds($rack))->end(new AimedStroke($way, new Stroke($stroke[0], 0.0, $stroke[1])), $call);
        self::assertSame($kind, $end->kind);
    }

    /**
     * @return iterable<string, array{string, string|null, array<int|string, array{float, float}>, array{float, float}, Pot|null, EndKind}>
     */
    public static function strokes(): iterable
    {
        // Straight up the diagonal into the corner at 8, 4.
        $straight = static fn(int $ball): array => ['cue' => [6.0, 2.0], $ball => [7.0, 3.0]];
        $corner = static fn(int $ball): Pot => new Pot($ball, Pocket::FootRight);
        yield 'nine-ball, called or not' => ['nine-ball', null, $straight(1) + [9 => [1, 1]], self::STOP, null, EndKind::Made];
        yield 'the nine wins' => ['nine-ball', null, $straight(9), self::STOP, null, EndKind::Won];
        yield 'ten-ball, called' => ['ten-ball', null, $straight(1) + [10 => [1, 1]], self::STOP, $corner(1), EndKind::Made];
        yield 'ten-ball, a safety that drops it' => ['ten-ball', null, $straight(1) + [10 => [1, 1]], self::STOP, null, EndKind::Passed];
        yield 'the ten must be called' => ['ten-ball', null, $straight(10), self::STOP, null, EndKind::Passed];
        yield 'the eight' => ['eight-ball', 'solids', $straight(8), self::STOP, $corner(8), EndKind::Won];
        yield 'the eight in a pocket that was not called' => ['eight-ball', 'solids', $straight(8), self::STOP, null, EndKind::Lost];
        yield 'the eight too early' => ['eight-ball', 'solids', $straight(8) + [1 => [1, 1]], self::STOP, $corner(8), EndKind::Lost];
        yield 'too soft to reach a rail' => ['nine-ball', null, $straight(1) + [9 => [1, 1]], [0.5, 0.0], null, EndKind::Foul];
        yield 'the wrong ball first' => ['nine-ball', null, $straight(5) + [1 => [1, 1], 9 => [2, 1]], self::STOP, null, EndKind::Foul];
        yield 'followed in' => ['nine-ball', null, $straight(1) + [9 => [1, 1]], [3.5, 0.4], null, EndKind::Foul];
        yield 'a miscue' => ['nine-ball', null, $straight(1) + [9 => [1, 1]], [2.0, 0.7], null, EndKind::Foul];
    }

    /** What is put back lies on the foot spot: the ten that was not called, and goes on being the last ball. */
    public function testTheTenIsSpotted(): void
    {
        $rack = Read::rack(['cue' => [6.0, 2.0], 10 => [7.0, 3.0]], 'ten-ball');
        $way = $rack->layout->ball(0)->angleTo($rack->layout->ball(10));
        $end = (new StrokeEnds($rack))->end(new AimedStroke($way, new Stroke(self::STOP[0], 0.0, self::STOP[1])), null);
        self::assertSame([6.0, 2.0], array_map(static fn(float $v): float => round($v, 6), $rack->table->size->diamondsOf($end->table->ball(10))));
    }
}
