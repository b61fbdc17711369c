<?php

declare(strict_types=1);

namespace ZigLane\App\Drills;

use ZigLane\App\Work\Work;
use ZigLane\Core\Drills\Course;
use ZigLane\Core\Drills\Drill;
use ZigLane\Core\Drills\DrillShooter;
use ZigLane\Core\Drills\Par;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;

/**
 * Whether a drill can be done, and its pars.
 */
final readonly class CheckDrill implements Work
{
    /** Tests that a par is the mean of. */
    private const TESTS = 8;

    private const SEED = 1;

    public static function kind(): string
    {
        return 'drill-check';
    }

    /**
     * @param list<mixed> $question Drill
     *
     * @return \Generator<int, array{impossible: list<int>, pars: array<string, float>}> stations that nobody can score at; pars so far
     */
    public function answers(array $question): \Generator
    {
        [$drill] = $question;
        \assert($drill instanceof Drill);
        $impossible = [];
        $shooter = new DrillShooter($drill, Player::of(Level::Professional), new Generator(self::SEED));
        foreach (Course::Stations === $drill->course ? $drill->stations : [] as $n => $station) {
            if (null === $station->drawn && null === $shooter->stroke($n)) {
                $impossible[] = $n;
            }
        }
        $pars = [];
        yield ['impossible' => $impossible, 'pars' => $pars];
        foreach (Level::cases() as $level) {
            $pars[$level->value] = round(Par::of($drill, $level, self::TESTS, new Generator(self::SEED))->score, 1);
            yield ['impossible' => $impossible, 'pars' => $pars];
        }
    }
}
