<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Camera;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZigLane\Core\Camera\Detection;
use ZigLane\Core\Camera\Doubt;
use ZigLane\Core\Camera\DoubtKind;
use ZigLane\Core\Camera\Frame;
use ZigLane\Core\Camera\FrameFile;
use ZigLane\Core\Camera\FrameReview;
use ZigLane\Core\Camera\SimulatedCamera;
use ZigLane\Core\Equipment\TableSize;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Wording\CameraWording;
use ZigLane\Tests\Core\Reading\Read;

final class FrameReviewTest extends TestCase
{
    private const BALLS = ['cue' => [2.0, 2.0], 1 => [5.5, 1.25], 3 => [3.0, 3.0], 9 => [6.0, 3.1]];

    /**
     * @return iterable<string, array{array<string|int, array{float, float}|null>, list<array{string, DoubtKind}>}>
     */
    public static function frames(): iterable
    {
        yield 'as it lay' => [[], []];
        yield 'two numbers swapped and one ball missing' => [[1 => [6.0, 3.1], 9 => [5.5, 1.25], 3 => null], [['1', DoubtKind::Swapped], ['9', DoubtKind::Swapped], ['3', DoubtKind::Missing]]];
        yield 'one number taken for another' => [[1 => [3.0, 3.0], 3 => null], [['1', DoubtKind::Mistaken], ['1', DoubtKind::Missing]]];
        yield 'a ball that was gone' => [[7 => [1.0, 1.0]], [['7', DoubtKind::Appeared]]];
        yield 'a ball in a rail' => [[9 => [8.1, 2.0]], [['9', DoubtKind::Impossible]]];
        yield 'a ball in another' => [[9 => [2.14, 2.0]], [['cue', DoubtKind::Impossible]]];
        yield 'a ball where another lies' => [[9 => [2.1, 2.0]], [['9', DoubtKind::Mistaken], ['cue', DoubtKind::Double], ['9', DoubtKind::Missing]]];
        yield 'a ball that was moved' => [[9 => [7.0, 1.0]], []];
    }

    /**
     * @param array<string|int, array{float, float}|null> $change
     * @param list<array{string, DoubtKind}>              $doubts
     */
    #[DataProvider('frames')]
    public function testNothingIsTakenSilently(array $change, array $doubts): void
    {
        $review = self::review(self::frame(array_filter($change + self::BALLS)));
        $found = array_map(static fn(Doubt $d): array => [0 === $d->ball ? 'cue' : (string) $d->ball, $d->kind], $review->doubts);
        self::assertEqualsCanonicalizing($doubts, $found, implode("\n", array_map(CameraWording::doubt(...), $review->doubts)));
        self::assertSame(\count($review->doubts), \count(array_unique(array_map(static fn(Doubt $d): string => $d->key(), $review->doubts))));
    }

    public function testSwappedNumbersAreProposedAsTheyLay(): void
    {
        $rack = Read::rack(self::BALLS);
        $review = self::review(self::frame([1 => [6.0, 3.1], 9 => [5.5, 1.25]] + self::BALLS));
        foreach ($rack->layout->balls as $ball => $place) {
            self::assertLessThan(1e-9, $review->layout()->ball($ball)->distanceTo($place));
        }
    }

    public function testWhatIsNotRecognisedIsAskedFor(): void
    {
        $rack = Read::rack(self::BALLS);
        $frame = new Frame(new \DateTimeImmutable(), [
            new Detection(null, $rack->layout->ball(9)),
            new Detection(1, $rack->layout->ball(1), 0.4),
            new Detection(null, $rack->table->size->pointAt(1.0, 0.5)),
            new Detection(0, $rack->layout->ball(0)),
        ]);
        $says = array_map(CameraWording::doubt(...), self::review($frame)->doubts);
        self::assertContains('A ball was not recognised for sure; it lies where the 9 lay.', $says);
        self::assertContains('The 1 was not recognised for sure; it lies where the 1 lay.', $says);
        self::assertContains('A ball was not recognised for sure. Which one is it?', $says);
        self::assertContains('The 3 was not seen. Is it off the table?', $says);
    }

    /** Of 300 frames of a camera that loses and mistakes balls, none with a mistake comes without a doubt. */
    public function testAMadeUpCamerasMistakesAreAllSeen(): void
    {
        $rack = Read::rack(self::BALLS);
        $camera = new SimulatedCamera(new Generator(3), 0.004, 0.05, 0.05);
        $wrong = 0;
        for ($n = 0; $n < 300; ++$n) {
            $frame = $camera->frame($rack->layout, new \DateTimeImmutable('2026-01-01T12:00:00Z'));
            $right = \count($rack->layout->balls) === \count($frame->detections);
            foreach ($frame->detections as $seen) {
                $right = $right && null !== $seen->ball && $seen->at->distanceTo($rack->layout->ball($seen->ball)) < 0.03;
            }
            $wrong += $right ? 0 : 1;
            self::assertSame($right, [] === self::review($frame)->doubts);
        }
        self::assertGreaterThan(60, $wrong);
    }

    public function testAFrameIsWrittenAndReadAgain(): void
    {
        $frame = self::frame(self::BALLS);
        $text = json_encode(FrameFile::write($frame, TableSize::NineFoot), \JSON_THROW_ON_ERROR);
        $again = FrameFile::read(json_decode($text), TableSize::NineFoot);
        self::assertSame($text, json_encode(FrameFile::write($again, TableSize::NineFoot), \JSON_THROW_ON_ERROR));
    }

    /**
     * @return iterable<string, array{string, string}>
     */
    public static function faults(): iterable
    {
        yield 'no frame' => ['{"format":"zig-lane/rack","version":1}', 'format must be'];
        yield 'a later version' => ['{"format":"zig-lane/frame","version":2}', 'format must be'];
        yield 'no balls' => ['{"format":"zig-lane/frame","version":1,"at":"2026-01-01T12:00:00Z"}', 'balls must be a list'];
        yield 'no such ball' => ['{"format":"zig-lane/frame","version":1,"at":"2026-01-01T12:00:00Z","balls":[{"ball":"16","at":[1,1]}]}', 'balls[0].ball'];
        yield 'nowhere' => ['{"format":"zig-lane/frame","version":1,"at":"2026-01-01T12:00:00Z","balls":[{"ball":"1","at":[1,9]}]}', 'balls[0].at[1]'];
        yield 'no time' => ['{"format":"zig-lane/frame","version":1,"at":"noon","balls":[]}', 'at'];
    }

    #[DataProvider('faults')]
    public function testAFaultIsNamed(string $text, string $says): void
    {
        try {
            FrameFile::read(json_decode($text), TableSize::NineFoot);
            self::fail('it was read');
        } catch (InvalidInput $e) {
            self::assertStringContainsString($says, "$e->path $e->problem");
        }
    }

    /**
     * @param array<string|int, array{float, float}> $balls
     */
    private static function frame(array $balls): Frame
    {
        $detections = [];
        foreach ($balls as $name => [$along, $across]) {
            $detections[] = new Detection('cue' === $name ? 0 : (int) $name, TableSize::NineFoot->pointAt($along, $across));
        }

        return new Frame(new \DateTimeImmutable('2026-01-01T12:00:00Z'), $detections);
    }

    private static function review(Frame $frame): FrameReview
    {
        $rack = Read::rack(self::BALLS);

        return new FrameReview($frame, $rack->layout, $rack->simulator()->geometry);
    }
}
