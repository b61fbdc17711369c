<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Photo;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Equipment\TableGeometry;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Photo\CameraFit;
use ZigLane\Core\Photo\NoseTip;
use ZigLane\Core\Photo\TapDoubtKind;
use ZigLane\Core\Photo\TapReview;
use ZigLane\Core\Photo\Taps;
use ZigLane\Core\Settings\Defaults;
use ZigLane\Tests\Survey;

/**
 * The camera found from the tips, held against cameras that are known.
 */
final class CameraFitTest extends TestCase
{
    private TableGeometry $geometry;

    protected function setUp(): void
    {
        $this->geometry = new TableGeometry(new Table());
    }

    /** By hand: 2 m before the head rail's middle, 2 m up, looking level along x, the far nose line of the foot rail is seen below the middle. */
    public function testAPinholeSeesWhereSimilarTrianglesSay(): void
    {
        $camera = CameraPlaces::lookingAt(new Point(-2.0, 0.635), 2.0, new Point(1e9, 0.635), 1000.0, 1600, 1200);
        $seen = $camera->seen(2.54, 0.635 + 0.3, 0.036);
        self::assertNotNull($seen);
        // To the right as one looks from the head to the foot is +y; 4.54 m away, 1.964 m below.
        self::assertEqualsWithDelta(800 + 1000 * 0.3 / 4.54, $seen[0], 1e-5);
        self::assertEqualsWithDelta(600 + 1000 * 1.964 / 4.54, $seen[1], 1e-5);
        self::assertNull($camera->seen(-2.5, 0.635, 0.0));
    }

    public function testWhatIsSeenIsFoundAgainThroughABendingLens(): void
    {
        $random = new Generator(3);
        for ($n = 0; $n < 20; ++$n) {
            $camera = CameraPlaces::any($random, $this->geometry);
            $place = CameraPlaces::place($random, $this->geometry);
            $seen = $camera->seen($place->x, $place->y, Defaults::BALL_RADIUS);
            self::assertNotNull($seen);
            self::assertLessThan(1e-7, $camera->onHeight($seen[0], $seen[1], Defaults::BALL_RADIUS)?->distanceTo($place));
        }
    }

    /** A ball's outline lies on the ball and where the sight touches it: at a right angle to the radius. */
    public function testABallsOutlineIsWhereTheSightTouchesIt(): void
    {
        $camera = CameraPlaces::any(new Generator(4), $this->geometry);
        $place = new Point(1.9, 0.4);
        foreach ($camera->outline($place, Defaults::BALL_RADIUS, 12) as [$u, $v]) {
            $ray = $camera->ray($u, $v);
            [$x, $y, $z] = [$place->x - $camera->position[0], -$place->y - $camera->position[1], Defaults::BALL_RADIUS - $camera->position[2]];
            $long = sqrt($ray[0] ** 2 + $ray[1] ** 2 + $ray[2] ** 2);
            $along = ($x * $ray[0] + $y * $ray[1] + $z * $ray[2]) / $long;
            self::assertEqualsWithDelta(Defaults::BALL_RADIUS, sqrt($x * $x + $y * $y + $z * $z - $along * $along), 1e-9);
        }
    }

    public function testTapsWithoutErrorGiveTheCamera(): void
    {
        $random = new Generator(5);
        for ($n = 0; $n < 10; ++$n) {
            $camera = CameraPlaces::any($random, $this->geometry);
            $fit = CameraFit::of(CameraPlaces::taps($camera, $this->geometry, 12), $this->geometry);
            // What is believed of lenses pulls a little.
            self::assertEqualsWithDelta($camera->focal, $fit->camera->focal, 0.01 * $camera->focal);
            self::assertEqualsWithDelta($camera->position, $fit->camera->position, 0.02);
            $place = CameraPlaces::place($random, $this->geometry);
            $seen = $camera->seen($place->x, $place->y, Defaults::BALL_RADIUS);
            self::assertNotNull($seen);
            self::assertLessThan(0.002, $fit->camera->onHeight($seen[0], $seen[1], Defaults::BALL_RADIUS)?->distanceTo($place));
        }
    }

    /** Balls pointed at by hand, eight tips, both to 1 px: 95 of 100 under 2.5 cm, and the circles hold at least 90 of 100. */
    public function testBallsPointedAtByHand(): void
    {
        $random = new Generator(6);
        $errors = [];
        $held = 0;
        for ($n = 0; $n < 30; ++$n) {
            $camera = CameraPlaces::any($random, $this->geometry);
            $fit = CameraFit::of(CameraPlaces::taps($camera, $this->geometry, 8, $random, 1.0), $this->geometry);
            for ($k = 0; $k < 10; ++$k) {
                $place = CameraPlaces::place($random, $this->geometry);
                $seen = $camera->seen($place->x, $place->y, Defaults::BALL_RADIUS);
                self::assertNotNull($seen);
                [$u, $v] = [$seen[0] + $random->normal(), $seen[1] + $random->normal()];
                $error = $fit->camera->onHeight($u, $v, Defaults::BALL_RADIUS)?->distanceTo($place) ?? 1.0;
                $errors[] = $error;
                $held += $error < $fit->uncertainty($u, $v, 1.0) ? 1 : 0;
            }
        }
        sort($errors);
        self::assertLessThan(0.025, $errors[(int) (0.95 * \count($errors))]);
        self::assertGreaterThan(0.9 * \count($errors), $held);
        // A circle that holds everything says nothing.
        self::assertLessThan(\count($errors), $held);
    }

    /** @return iterable<string, array{float, float, float}> */
    public static function wrongTaps(): iterable
    {
        yield 'a little off: not always told' => [12.0, 20.0, 0.8];
        yield 'far off' => [20.0, 60.0, 0.95];
    }

    #[DataProvider('wrongTaps')]
    public function testAWrongTipOfEightIsNamed(float $from, float $to, float $atLeast): void
    {
        $random = new Generator(7);
        $named = $blamed = 0;
        $cases = Survey::size(30, 12);
        for ($n = 0; $n < $cases; ++$n) {
            $camera = CameraPlaces::any($random, $this->geometry);
            $at = CameraPlaces::taps($camera, $this->geometry, 8, $random, 1.0)->at;
            $wrong = array_keys($at)[$random->integer(0, 7)];
            $way = $random->between(0.0, 2 * M_PI);
            $far = $random->between($from, $to);
            $at[$wrong] = [max(0.0, min(1600.0, $at[$wrong][0] + $far * cos($way))), max(0.0, min(1200.0, $at[$wrong][1] + $far * sin($way)))];
            $doubt = TapReview::of(new Taps(1600, 1200, $at), $this->geometry)->doubt;
            $named += $doubt?->tip?->name() === $wrong ? 1 : 0;
            $blamed += null !== $doubt && TapDoubtKind::WrongTip === $doubt->kind && $doubt->tip?->name() !== $wrong ? 1 : 0;
        }
        self::assertGreaterThanOrEqual($atLeast * $cases, $named);
        self::assertLessThanOrEqual(1, $blamed, 'another one was blamed');
    }

    public function testRightTapsRaiseNoDoubtAndOthersAreTold(): void
    {
        $random = new Generator(8);
        for ($n = 0; $n < 20; ++$n) {
            $camera = CameraPlaces::any($random, $this->geometry);
            foreach ([4, 8, 12] as $many) {
                $taps = CameraPlaces::taps($camera, $this->geometry, $many, $random, 1.0);
                self::assertNull(TapReview::of($taps, $this->geometry)->doubt, "$many tips");
                $mirrored = [];
                foreach ($taps->at as $name => $tap) {
                    $mirrored[strtr($name, ['left' => 'right', 'right' => 'left'])] = $tap;
                }
                self::assertSame(TapDoubtKind::Mirrored, TapReview::of(new Taps(1600, 1200, $mirrored), $this->geometry)->doubt?->kind);
            }
            $changed = TapReview::of(CameraPlaces::taps($camera, $this->geometry, 8, $random, 1.0)->quarterOn(), $this->geometry)->doubt;
            self::assertSame(TapDoubtKind::RailsChanged, $changed?->kind);
            $low = CameraPlaces::any($random, $this->geometry, 8.0, 19.0);
            $doubt = TapReview::of(CameraPlaces::taps($low, $this->geometry, 8, $random, 1.0), $this->geometry)->doubt;
            self::assertSame(TapDoubtKind::TooLow, $doubt?->kind);
            self::assertFalse($doubt->forbids());
        }
    }

    public function testBadTapsAreRefused(): void
    {
        $camera = CameraPlaces::any(new Generator(9), $this->geometry);
        $at = CameraPlaces::taps($camera, $this->geometry, 12)->at;
        foreach ([
            'Point at 4 tips' => \array_slice($at, 0, 3),
            'too nearly on a line' => array_fill_keys(array_keys(\array_slice($at, 0, 4)), [500.0, 500.0]),
        ] as $problem => $taps) {
            try {
                CameraFit::of(new Taps(1600, 1200, $taps), $this->geometry);
                self::fail("$problem: not refused");
            } catch (InvalidInput $e) {
                self::assertStringContainsString($problem, $e->getMessage());
            }
        }
        foreach ([['head-left-middle', 5.0], ['head-left-long', -5.0], ['head-left-long', \NAN]] as [$name, $u]) {
            try {
                new Taps(1600, 1200, [$name => [$u, 5.0]]);
                self::fail("$name at $u: not refused");
            } catch (InvalidInput $e) {
                self::assertStringStartsWith("tips.$name", $e->getMessage());
            }
        }
    }

    public function testEveryTipHasANameAndThePlaceOfANose(): void
    {
        $seen = [];
        foreach (NoseTip::all() as $tip) {
            self::assertSame($tip->name(), NoseTip::named($tip->name())?->name());
            $place = $tip->place($this->geometry);
            $seen[] = "$place->x $place->y";
            // On the rail that its name says.
            $onLong = $place->y < 1e-9 || $place->y > $this->geometry->width - 1e-9;
            self::assertSame(!str_ends_with($tip->name(), 'short'), $onLong, $tip->name());
        }
        self::assertCount(12, array_unique($seen));
        self::assertSame(Pocket::FootLeft, NoseTip::all()[0]->quarterOn()->pocket);
    }
}
