<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Reading;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Potting\PotChance;
use ZigLane\Core\Potting\PotSampling;
use ZigLane\Core\Reading\Zone;
use ZigLane\Core\Settings\Defaults;
use ZigLane\Tests\Survey;

final class ZoneTest extends TestCase
{
    /**
     * 5,000 random places in five racks (1,000 in the suite): inside the polygon or not, against the share of whole plays that pot the ball. Each
     * place is played until its share is clearly above or below three quarters, at most 1,600 times.
     */
    public function testPolygonsAgreeWithBruteForce(): void
    {
        $cases = [
            [['cue' => [1, 1], 1 => [5.5, 2.4], 2 => [4.4, 1.9], 3 => [6.4, 3.2], 9 => [3, 3]], 1, Pocket::FootRight, Level::League],
            [['cue' => [1, 1], 4 => [6.6, 0.5], 6 => [5.2, 0.9], 9 => [4.6, 2.6]], 4, Pocket::FootLeft, Level::League],
            [['cue' => [1, 1], 2 => [4.6, 1.2], 5 => [3.6, 2], 9 => [5.4, 2.6]], 2, Pocket::SideLeft, Level::Advanced],
            [['cue' => [1, 1], 3 => [1.2, 1.4], 7 => [2.4, 2.2], 8 => [3.4, 1], 9 => [2, 3.4]], 3, Pocket::HeadLeft, Level::FirstYear],
            [['cue' => [1, 1], 5 => [3, 3.7], 8 => [4.9, 2.9], 9 => [6, 1]], 5, Pocket::HeadRight, Level::Professional],
        ];
        $places = Survey::size(5000, 200);
        $rng = new Generator(41);
        $agree = $in = 0;
        foreach ($cases as [$balls, $ball, $pocket, $level]) {
            $rack = Read::rack($balls);
            $simulator = $rack->simulator();
            $pot = new PotChance($simulator, $rack->layout, new Pot($ball, $pocket), Player::of($level));
            $zone = Zone::of($simulator, $rack->layout, $pot);
            $g = $simulator->geometry;
            for ($n = 0; $n < $places / \count($cases); ++$n) {
                $x = $rng->between($g->reach, $g->length - $g->reach);
                $y = $rng->between($g->reach, $g->width - $g->reach);
                $inside = $zone->whole->contains($x, $y);
                $read = $pot->fromPlace($x, $y);
                $good = false;
                if (null === $read->why) {
                    $shot = new Shot($read->aim, $read->speed, new Tip(0.0, Defaults::READING_TIP), $read->elevation);
                    $error = $pot->errors(new Point($x, $y), $shot->stroke());
                    foreach ([50, 400, 1600] as $tries) {
                        $share = (new PotSampling($simulator, $tries))->chance($rack->layout->with(0, new Point($x, $y)), $pot->pot, $shot->stroke(), $error);
                        $good = $share >= Defaults::ZONE_CHANCE;
                        if (abs($share - Defaults::ZONE_CHANCE) > 1.5 / sqrt($tries)) {
                            break;
                        }
                    }
                }
                $agree += $inside === $good ? 1 : 0;
                $in += $inside ? 1 : 0;
            }
        }
        self::assertGreaterThan(0.08 * $places, $in, 'zones worth the name');
        self::assertGreaterThanOrEqual(0.97, $agree / $places);
    }

    /** Facts of the trade (common practice, no source). */
    public function testAZoneIsNarrowNearTheBallAndWideFarOff(): void
    {
        $rack = Read::rack(['cue' => [1, 1], 1 => [6, 2.6], 9 => [1, 3]]);
        $pot = new PotChance($rack->simulator(), $rack->layout, new Pot(1, Pocket::FootRight), Player::of(Level::Professional));
        $zone = Zone::of($rack->simulator(), $rack->layout, $pot);
        $ball = $rack->layout->ball(1);
        $back = $pot->window()->toward + M_PI;
        $across = static function (float $far) use ($zone, $ball, $back): float {
            $in = 0;
            for ($i = -100; $i <= 100; ++$i) {
                $p = $ball->toward($back, $far);
                $q = $p->toward($back + M_PI / 2, $i * 0.01);
                $in += $zone->whole->contains($q->x, $q->y) ? 1 : 0;
            }

            return $in * 0.01;
        };
        self::assertGreaterThan($across(0.15), $across(0.45));
        self::assertNotNull($zone->best);
        self::assertTrue($zone->region->contains($zone->best->x, $zone->best->y));
        // A league player's zone is smaller, and lies within.
        $league = Zone::of($rack->simulator(), $rack->layout, new PotChance($rack->simulator(), $rack->layout, new Pot(1, Pocket::FootRight), Player::of(Level::League)));
        self::assertLessThan($zone->whole->area(), $league->whole->area());
        // Graded contours lie inside one another.
        self::assertGreaterThan($league->whole->area(), $league->grades['0.5']->area());
        self::assertLessThan($league->whole->area(), $league->grades['0.9']->area());
    }

    public function testABlockerCutsAPieceOut(): void
    {
        $open = Read::rack(['cue' => [1, 1], 1 => [6, 2.6], 9 => [1, 3]]);
        $shut = Read::rack(['cue' => [1, 1], 1 => [6, 2.6], 5 => [5.2, 2.05], 9 => [1, 3]]);
        $zones = array_map(static fn($r): Zone => Zone::of($r->simulator(), $r->layout, new PotChance($r->simulator(), $r->layout, new Pot(1, Pocket::FootRight), Player::of(Level::Advanced))), [$open, $shut]);
        self::assertLessThan($zones[0]->whole->area(), $zones[1]->whole->area());
        $d = $open->table->size->diamond();
        // Behind the blocker, in line with the ball.
        self::assertTrue($zones[0]->whole->contains(4.6 * $d, 1.64 * $d));
        self::assertFalse($zones[1]->whole->contains(4.6 * $d, 1.64 * $d));
    }
}
