<?php

declare(strict_types=1);

namespace ZigLane\Tests\Golden;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Nothing that the core computes changes unless it is meant to. When it is, `ZIG_LANE_GOLDEN=write` writes the files anew, and the
 * commit says why they differ.
 */
final class GoldenTest extends TestCase
{
    /**
     * @return iterable<string, array{string, callable(): array<string, mixed>}>
     */
    public static function computed(): iterable
    {
        yield 'shots' => ['shots', Described::shots(...)];
        foreach (Described::games() as $game) {
            foreach (['reading' => Described::reading(...), 'routes' => Described::routes(...), 'plan' => Described::plan(...), 'season' => Described::season(...)] as $what => $compute) {
                yield "$what, $game->value" => ["$what-$game->value", static fn(): array => $compute($game)];
            }
        }
    }

    /**
     * @param callable(): array<string, mixed> $compute
     */
    #[DataProvider('computed')]
    public function testTheSameBytes(string $name, callable $compute): void
    {
        $file = __DIR__ . "/expected/$name.json";
        $text = json_encode($compute(), \JSON_PRETTY_PRINT | \JSON_THROW_ON_ERROR | \JSON_PRESERVE_ZERO_FRACTION | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES) . "\n";
        if ('write' === getenv('ZIG_LANE_GOLDEN')) {
            file_put_contents($file, $text);
        }
        self::assertStringEqualsFile($file, $text);
    }
}
