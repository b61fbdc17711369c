<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Potting;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Potting\AcceptanceWindow;
use ZigLane\Core\Potting\AcceptanceWindows;

final class AcceptanceWindowsTest extends TestCase
{
    private Pot $pot;
    private Simulator $simulator;

    protected function setUp(): void
    {
        $this->simulator = new Simulator();
        $this->pot = new Pot(1, Pocket::FootLeft);
    }

    /** @param array<int, Point> $more */
    private static function layout(array $more = []): Layout
    {
        return new Layout([0 => new Point(0.6, 0.6), 1 => new Point(2.0, 0.4)] + $more);
    }

    /** A ball that cannot come into its way changes nothing; one beside its line does. */
    public function testTheSameWindowIsWorkedOutOnce(): void
    {
        $windows = new AcceptanceWindows($this->simulator);
        $alone = $windows->alone(self::layout(), $this->pot);
        self::assertSame($alone, $windows->among(self::layout([2 => new Point(0.5, 1.0)]), $this->pot));
        $among = $windows->among(self::layout([2 => new Point(2.27, 0.24)]), $this->pot);
        self::assertNotSame($alone, $among);
        self::assertNotEquals($alone->at(2.0), $among->at(2.0));
        self::assertSame($alone, $windows->alone(self::layout([2 => new Point(2.27, 0.24)]), $this->pot));
        self::assertNotSame($alone, $windows->alone(self::layout(), new Pot(1, Pocket::FootRight)));
        self::assertEquals((new AcceptanceWindow($this->simulator, self::layout(), $this->pot))->at(2.0), $alone->at(2.0));
    }

    /** What one process has worked out another takes over, whether it has asked for that window or not. */
    public function testWhatIsLearntIsTakenOver(): void
    {
        $here = new AcceptanceWindows($this->simulator);
        $here->among(self::layout(), $this->pot)->at(1.0);
        $before = $here->extent();
        $known = $here->among(self::layout(), $this->pot)->known();
        self::assertSame([], $here->learntSince($before));
        $here->among(self::layout(), $this->pot)->at(3.0);
        $here->alone(self::layout(), new Pot(1, Pocket::FootRight))->near(2.0);
        $learnt = $here->learntSince($before);
        self::assertCount(2, $learnt);
        self::assertSame([], array_intersect_key(array_values($learnt)[0], $known), 'what was known before is not told again');

        $there = new AcceptanceWindows($this->simulator);
        $asked = $there->among(self::layout(), $this->pot);
        $there->learn($learnt);
        self::assertSame(array_values($learnt)[0], $asked->known());
        self::assertSame(array_values($learnt)[1], $there->alone(self::layout(), new Pot(1, Pocket::FootRight))->known());
        self::assertSame($known + $asked->known(), $here->among(self::layout(), $this->pot)->known());
    }
}
