<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Photo;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Equipment\Rail;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Equipment\TableGeometry;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Photo\BallOutline;
use ZigLane\Core\Photo\BallSighting;
use ZigLane\Core\Photo\CameraFit;
use ZigLane\Core\Photo\PhotoCamera;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Settings\Defaults;
use ZigLane\Tests\Survey;

/**
 * Balls found in drawn pictures of known layouts.
 */
final class BallSightingTest extends TestCase
{
    private TableGeometry $geometry;

    protected function setUp(): void
    {
        $this->geometry = new TableGeometry(new Table());
    }

    /**
     * Phone held high (21–41°), eight tips to 1 px, balls tapped within 3 px, their outlines found: the median under 0.7 cm, 95 of 100 under 2 cm,
     * and the circles hold at least 90 of 100. The short version takes three camera places of the survey's 24.
     */
    public function testBallsAreFoundByTheirOutlines(): void
    {
        $random = new Generator(11);
        $errors = $pixels = [];
        $all = $held = $guessed = 0;
        for ($n = 0; $n < Survey::size(24, 1); ++$n) {
            $camera = CameraPlaces::any($random, $this->geometry);
            $fit = CameraFit::of(CameraPlaces::taps($camera, $this->geometry, 8, $random, 1.0), $this->geometry);
            $layout = self::layout($random, $this->geometry);
            $cloth = [[36, 120, 92], [40, 92, 150], [60, 110, 60]][$n % 3];
            $picture = new DrawnTable($camera, $this->geometry, $layout, $random, $cloth);
            foreach ($layout->balls as $ball => $place) {
                $seen = $camera->seen($place->x, $place->y, Defaults::BALL_RADIUS);
                self::assertNotNull($seen);
                $sighting = BallSighting::at($picture, $fit, $this->geometry, $seen[0] + 3 * $random->normal(), $seen[1] + 3 * $random->normal());
                ++$all;
                if (!$sighting->found) {
                    continue;
                }
                $pixels[] = hypot($sighting->seen[0] - $seen[0], $sighting->seen[1] - $seen[1]);
                $error = $sighting->place->distanceTo($place);
                $errors[] = $error;
                $held += $error < $sighting->circle ? 1 : 0;
                $guessed += $sighting->guess === $ball ? 1 : 0;
            }
        }
        sort($errors);
        sort($pixels);
        $many = \count($errors);
        $figures = \sprintf(
            '%d of %d found, middle %.2f px (95 %%: %.2f), place %.2f cm (95 %%: %.2f, worst %.2f), circle holds %.1f %%, number guessed %.0f %%',
            $many,
            $all,
            $pixels[intdiv($many, 2)],
            $pixels[(int) (0.95 * $many)],
            100 * $errors[intdiv($many, 2)],
            100 * $errors[(int) (0.95 * $many)],
            100 * $errors[$many - 1],
            100 * $held / $many,
            100 * $guessed / $all,
        );
        self::assertGreaterThanOrEqual(0.97 * $all, $many, $figures);
        self::assertLessThan(BallOutline::ERROR, $pixels[(int) (0.9 * $many)], $figures);
        self::assertLessThan(0.007, $errors[intdiv($many, 2)], $figures);
        self::assertLessThan(0.02, $errors[(int) (0.95 * $many)], $figures);
        self::assertGreaterThanOrEqual(0.9 * $many, $held, $figures);
        self::assertGreaterThanOrEqual(0.8 * $many, $guessed, $figures);
    }

    public function testFrozenIsOfferedAndNeverAssumed(): void
    {
        $random = new Generator(12);
        $camera = CameraPlaces::any($random, $this->geometry);
        $fit = CameraFit::of(CameraPlaces::taps($camera, $this->geometry, 8, $random, 1.0), $this->geometry);
        $near = new Point(1.6, $this->geometry->reach + 0.002);
        $picture = new DrawnTable($camera, $this->geometry, new Layout([3 => $near, 5 => new Point(0.9, 0.6)]), $random);
        $sighting = self::tapped($picture, $camera, $fit, $near);
        self::assertSame([Rail::Left], $sighting->rails);
        self::assertNotEqualsWithDelta($this->geometry->reach, $sighting->place->y, 1e-6);
        self::assertSame([], self::tapped($picture, $camera, $fit, new Point(0.9, 0.6))->rails);
    }

    public function testWhereThereIsNoBallTheTapItselfCountsWithAWiderCircle(): void
    {
        $random = new Generator(13);
        $camera = CameraPlaces::any($random, $this->geometry);
        $fit = CameraFit::of(CameraPlaces::taps($camera, $this->geometry, 8, $random, 1.0), $this->geometry);
        $place = new Point(1.2, 0.5);
        $picture = new DrawnTable($camera, $this->geometry, new Layout([3 => new Point(2.2, 0.9)]), $random);
        $sighting = self::tapped($picture, $camera, $fit, $place);
        self::assertFalse($sighting->found);
        self::assertLessThan(0.03, $sighting->place->distanceTo($place));
        self::assertGreaterThan(self::tapped($picture, $camera, $fit, new Point(2.2, 0.9))->circle, $sighting->circle);
        foreach ([[-3.0, 5.0], [1600.5, 5.0], [\NAN, 5.0], [800.0, 3.0]] as [$u, $v]) {
            try {
                BallSighting::at($picture, $fit, $this->geometry, $u, $v);
                self::fail("$u, $v: not refused");
            } catch (InvalidInput $e) {
                self::assertStringStartsWith('at', $e->getMessage());
            }
        }
    }

    private function tapped(DrawnTable $picture, PhotoCamera $camera, CameraFit $fit, Point $place): BallSighting
    {
        $seen = $camera->seen($place->x, $place->y, Defaults::BALL_RADIUS);
        self::assertNotNull($seen);

        return BallSighting::at($picture, $fit, $this->geometry, $seen[0] + 2.0, $seen[1] - 1.5);
    }

    /** The cue ball and nine others. */
    private static function layout(Generator $random, TableGeometry $geometry): Layout
    {
        $balls = [];
        foreach ([0, 1, 2, 3, 4, 6, 8, 9, 13, 15] as $ball) {
            do {
                $place = CameraPlaces::place($random, $geometry);
                $free = [] === array_filter($balls, static fn(Point $other): bool => $other->distanceTo($place) < 2 * Defaults::BALL_RADIUS);
            } while (!$free);
            $balls[$ball] = $place;
        }

        return new Layout($balls);
    }
}
