<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Routes;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Physics\Stroke;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Routes\PositionEvaluator;
use ZigLane\Core\Routes\RouteChances;
use ZigLane\Core\Routes\StrokeTrials;
use ZigLane\Tests\Core\Reading\Read;

final class StrokeTrialsTest extends TestCase
{
    /** After the 1 the cue ball goes on into the 2, or into nothing. */
    private const CUT = ['cue' => [5.6, 3.0], 1 => [7.0, 3.0], 9 => [1.0, 1.0]];
    private const INTO = [2 => [7.35, 2.6]];

    /** Where balls are moved as a rule, places are held against what that leaves, and not against the table as it was. */
    public function testPositionAfterMovingBalls(): void
    {
        $free = self::chances(Read::rack(self::CUT), 0.9);
        self::assertSame(0.0, $free->touches);
        self::assertSame($free->pot, $free->position);
        $into = self::chances(Read::rack(self::CUT + self::INTO), 0.9);
        self::assertGreaterThan(0.9, $into->touches);
        self::assertGreaterThan(0.5, $into->pot);
        self::assertEqualsWithDelta($into->pot, $into->position, 0.03);
        self::assertLessThan(0.05, $into->astray);
        // A table as good as none is none, moved or not.
        self::assertSame(0.0, self::chances(Read::rack(self::CUT), 0.3)->position);
    }

    /** Where the next ball is hard from wherever the stroke can leave the cue ball, the usual is position; where there is no shot, nothing is. */
    public function testNoMoreIsAskedThanTheStrokeCanLeave(): void
    {
        $hard = self::chances(Read::rack(self::CUT), 0.3, 0.8);
        self::assertGreaterThan(0.5, $hard->pot);
        self::assertSame([$hard->pot, 0.0], [$hard->position, $hard->astray]);
        $hooked = self::chances(Read::rack(self::CUT), 0.03, 0.8);
        self::assertSame([0.0, 0.0, 1.0], [$hooked->position, $hooked->astray, $hooked->hooked]);
    }

    /**
     * @param float $place what places are worth while nothing is moved
     * @param float $share of what the stroke leaves that is asked for at most
     */
    private static function chances(Rack $rack, float $place, float $share = 100.0): RouteChances
    {
        $evaluator = new class ($place, $share) implements PositionEvaluator {
            public function __construct(private readonly float $place, private readonly float $share) {}

            public function valueAt(float $x, float $y): float
            {
                return $this->place;
            }

            public function chanceAt(float $x, float $y): float
            {
                return $this->place;
            }

            public function level(float $leaves = 1.0): float
            {
                return min(0.7, $this->share * $leaves);
            }

            public function next(float $x, float $y): ?Pot
            {
                return null;
            }

            public function disturbed(array $moved, float $x, float $y): float
            {
                return 0.4;
            }

            public function lookOn(): void {}
        };
        $trials = new StrokeTrials($rack, new Pot(1, Pocket::FootRight), $evaluator);
        $candidate = $trials->aimed(new Stroke(1.8, 0.0, 0.0), 0.0) ?? self::fail('it cannot be aimed');

        return $trials->chances($candidate->aimed, $trials->samples(100));
    }
}
