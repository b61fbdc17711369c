<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Parallel;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Parallel\Packed;
use ZigLane\Core\Parallel\Processes;

final class ProcessesTest extends TestCase
{
    /** Whatever works them out, results come in the order of the pieces. */
    public function testResultsComeInOrder(): void
    {
        $pieces = array_map(static fn(int $n): \Closure => static fn(): array => [$n, $n ** 2, str_repeat('x', 100_000 * $n)], range(0, 6));
        $alone = Processes::single()->results($pieces);
        self::assertSame([3, 9], \array_slice($alone[3], 0, 2));
        foreach ([1, 2, 3, 20] as $number) {
            self::assertSame($alone, Processes::atMost($number)->results($pieces), "$number processes");
        }
    }

    /** The pieces really are shared out, and the rest of what they change stays there. */
    public function testPiecesAreSharedOut(): void
    {
        $changed = 0;
        $piece = static function () use (&$changed): int {
            ++$changed;

            return (int) getmypid();
        };
        $pids = Processes::atMost(2)->results([$piece, $piece, $piece, $piece]);
        self::assertCount(2, array_unique($pids));
        self::assertSame([getmypid(), $pids[1], getmypid(), $pids[1]], $pids);
        self::assertSame(2, $changed);
    }

    /** A process that dies is made good here; it must not be this one that dies. */
    public function testWhatDiesIsWorkedOutAgain(): void
    {
        $here = getmypid();
        $deadly = static fn(int $n): \Closure => static function () use ($here, $n): int {
            if (getmypid() !== $here) {
                posix_kill((int) getmypid(), \SIGKILL);
            }

            return $n;
        };
        self::assertSame([1, 2, 3], Processes::atMost(2)->results(array_map($deadly, [1, 2, 3])));
    }

    public function testAnErrorInAPieceIsSeen(): void
    {
        $this->expectExceptionMessage('no good');
        Processes::atMost(2)->results([static fn(): int => 1, static fn(): int => throw new \DomainException('no good')]);
    }

    /** Pieces do not make processes of their own, and afterwards there may be some again. */
    public function testOneLevelOnly(): void
    {
        $processes = Processes::atMost(2);
        $inner = static fn(): array => $processes->results([getmypid(...), getmypid(...)]);
        foreach ($processes->results([$inner, $inner]) as $pids) {
            self::assertCount(1, array_unique($pids));
        }
        self::assertTrue($processes->several());
        self::assertFalse(Processes::single()->several());
        self::assertGreaterThan(0, Processes::processors());
    }

    /** How many may work is asked each time. */
    public function testTheNumberMayChange(): void
    {
        $most = 1;
        $processes = Processes::asAllowed(static function () use (&$most): int {
            return $most;
        });
        self::assertCount(1, array_unique($processes->results([getmypid(...), getmypid(...)])));
        $most = 2;
        self::assertCount(2, array_unique($processes->results([getmypid(...), getmypid(...)])));
    }

    public function testNumbersTravelPacked(): void
    {
        $packed = new Packed();
        $packed->addIntegers([1, -5, 2 ** 30]);
        $packed->addFloats([0.1, -\INF, 1e-300]);
        $packed->addIntegers([]);
        $packed->addFloats([M_PI]);
        $again = new Packed($packed->bytes());
        self::assertSame([1, -5, 2 ** 30], $again->integers());
        self::assertSame([0.1, -\INF, 1e-300], $again->floats());
        self::assertSame([], $again->integers());
        self::assertSame([M_PI], $again->floats());
        $this->expectException(\LogicException::class);
        @$again->floats();
    }
}
