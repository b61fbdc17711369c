<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Drills;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZigLane\Core\Aiming\AimRefused;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Drills\Area\Circle;
use ZigLane\Core\Drills\Files\DrillFile;
use ZigLane\Core\Drills\Skill;
use ZigLane\Core\Drills\Trainer\DrillScore;
use ZigLane\Core\Drills\Trainer\LoggedShot;
use ZigLane\Core\Drills\Trainer\SessionPart;
use ZigLane\Core\Drills\Trainer\SessionPlan;
use ZigLane\Core\Drills\Trainer\SkillLoss;
use ZigLane\Core\Drills\Trainer\SkillLosses;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Logbook\Attempt;
use ZigLane\Core\Logbook\Forecast;
use ZigLane\Core\Logbook\SimulatedPlayer;
use ZigLane\Core\Logbook\Spin;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\Speed;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Rack\Files\JsonText;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\ShotSpec;
use ZigLane\Core\Shots\ShotKind;
use ZigLane\Tests\Core\Reading\Read;
use ZigLane\Tests\Survey;

/**
 * A player who is weak in one skill: the trainer picks that one.
 */
final class TrainerTest extends TestCase
{
    /** Plays from which a promise is made; the good place is a ring of so many diamonds about the stop. */
    private const PROMISED = 60;
    private const RING = 1.1;

    /** @return iterable<string, array{Skill}> */
    public static function skills(): iterable
    {
        foreach ([Skill::ThinCut, Skill::LongPot, Skill::Draw, Skill::Side, Skill::Speed] as $skill) {
            yield $skill->value => [$skill];
        }
    }

    #[DataProvider('skills')]
    public function testTheWeakSkillIsPicked(Skill $weak): void
    {
        $players = Survey::size(20, $weak === Skill::ThinCut ? 1 : 0);
        $picked = 0;
        $found = [];
        for ($seed = 1; $seed <= $players; ++$seed) {
            $losses = SkillLosses::of(self::logbook($weak, Survey::size(600, 300), new Generator(100 * $seed + 7)));
            $picked += ($losses[0]->skill ?? null) === $weak ? 1 : 0;
            $found[] = ($losses[0]->skill ?? null)?->value;
        }
        // Nine of ten.
        self::assertGreaterThanOrEqual((int) floor(0.9 * $players), $picked, implode(' ', $found));
    }

    public function testAShotThatNeedsTwoSkillsDoesNotBlameBoth(): void
    {
        $shots = [];
        for ($n = 0; $n < 400; ++$n) {
            // Thin shots go as promised; drawn ones, thin or not, go in half as often.
            [$thin, $drawn] = [0 === $n % 2, 0 === intdiv($n, 2) % 2];
            $went = $drawn ? $n % 5 < 2 : $n % 5 < 4;
            $shots[] = new LoggedShot(ShotKind::Pot, $drawn ? Spin::Draw : Spin::Centre, $thin ? 60.0 : 20.0, 0.5, 0, $went, null, 0.8, null);
        }
        $losses = SkillLosses::of($shots);
        self::assertSame(Skill::Draw, $losses[0]->skill);
        self::assertEqualsWithDelta(0.8, $losses[0]->promised, 1e-9);
        self::assertEqualsWithDelta(0.4, $losses[0]->went, 1e-9);
        // Half of nine shots need it, and 40 of 100 of these are lost; the belief takes a little off.
        self::assertEqualsWithDelta(1.8, $losses[0]->aRack, 0.25);
        self::assertLessThan(0.2, abs($losses[1]->aRack));
    }

    public function testTestsOfDrillsAreCountedIn(): void
    {
        // Few shots, all as promised: nothing stands out.
        $shots = [];
        foreach ([Spin::Draw, Spin::Side] as $spin) {
            for ($n = 0; $n < 20; ++$n) {
                $shots[] = new LoggedShot(ShotKind::Pot, $spin, 20.0, 0.5, 0, $n % 5 < 4, 0 === $n % 2, 0.8, 0.4);
            }
        }
        $drill = DrillFile::read(JsonText::decode((string) file_get_contents(\dirname(__DIR__, 3) . '/drills/rows-back.json')));
        self::assertSame(Skill::Draw, $drill->skill);
        $par = $drill->pars['league'];
        $weak = DrillScore::of($drill, Level::League, array_fill(0, 6, (int) floor($par / 3)));
        $usual = DrillScore::of($drill, Level::League, [(int) round($par), (int) round($par)]);
        self::assertNotNull($weak);
        self::assertNotNull($usual);
        self::assertSame(Skill::Draw, SkillLosses::of($shots, [$weak])[0]->skill);
        self::assertSame(6, SkillLosses::of($shots, [$weak])[0]->tests);
        // The normal equations of draw, side and what all have in common, solved by hand: position of the 16 made shots each at 50 %, as promised,
        // and 60 shots of the drill below par; a belief of 0.12 in each. Half of nine shots of a rack need it, and position counts half.
        [$belief, $shot] = [1 / 0.12 ** 2, 16 / 0.25];
        $drilled = 60 / ($weak->par * (1 - $weak->par));
        [$drawn, $gap] = [$shot + $drilled, $drilled * ($weak->par - $weak->share)];
        $ratio = $drawn / ($drawn + $belief);
        $common = $gap * (1 - $ratio) / ($drawn + $shot + $belief - $drawn * $ratio - $shot ** 2 / ($shot + $belief));
        $off = ($gap - $drawn * $common) / ($drawn + $belief);
        self::assertEqualsWithDelta($off * 9 / 2 / 2 * 32 / 40, self::drawn($shots, [$weak]) - self::drawn($shots, []), 0.01);
        self::assertEqualsWithDelta(self::drawn($shots, []), self::drawn($shots, [$usual]), 0.1);
        // A skill that no shot needed says nothing of racks.
        $centre = [new LoggedShot(ShotKind::Pot, Spin::Centre, 20.0, 0.5, 0, true, true, 0.8, 0.4)];
        self::assertSame([], SkillLosses::of($centre, [$weak]));
        // Nor does a drill without an end, or without a par for the level.
        $further = DrillFile::read(JsonText::decode((string) file_get_contents(\dirname(__DIR__, 3) . '/drills/a-hair-further.json')));
        self::assertNull(DrillScore::of($further, Level::League, [8]));
        self::assertNull(DrillScore::of($drill, Level::League, []));
    }

    /**
     * What draw shots cost in a rack.
     *
     * @param list<LoggedShot> $shots
     * @param list<DrillScore> $tests
     */
    private static function drawn(array $shots, array $tests): float
    {
        $losses = array_filter(SkillLosses::of($shots, $tests), static fn(SkillLoss $loss): bool => Skill::Draw === $loss->skill);

        return array_values($losses)[0]->aRack;
    }

    public function testASessionBeginsEasilyGoesOnWithWhatCostsMostAndEndsWithATest(): void
    {
        $drills = [];
        foreach (DrillFileTest::shipped() as $slug => [$file]) {
            $drills[$slug] = DrillFile::read(JsonText::decode((string) file_get_contents($file), DrillFile::LARGEST));
        }
        $weak = static fn(bool $went): LoggedShot => new LoggedShot(ShotKind::Pot, Spin::Draw, 20.0, 0.5, 0, $went, null, 0.8, null);
        $losses = SkillLosses::of([...array_fill(0, 30, $weak(true)), ...array_fill(0, 30, $weak(false))]);
        foreach ([20, 40, 60] as $minutes) {
            $parts = SessionPlan::of($losses, $drills, $minutes);
            self::assertSame($minutes, array_sum(array_map(static fn(SessionPart $part): int => $part->minutes, $parts)));
            $last = $parts[\count($parts) - 1];
            self::assertTrue($last->test);
            self::assertSame(Skill::Draw, $drills[$last->drill]->skill);
            self::assertSame(Skill::Draw, $last->reason?->skill);
        }
        self::assertNull(SessionPlan::of($losses, $drills, 60)[0]->reason, 'warming up');
        // Of several drills the one that was done least.
        $other = SessionPlan::of($losses, $drills, 40, ['rows-back' => 3]);
        self::assertNotSame([], $other);
        // With nothing in the logbook there is something of each.
        self::assertCount(4, SessionPlan::of([], $drills, 40));
        self::assertSame([], SessionPlan::of([], [], 40));
    }

    /**
     * Random shots of a league player whose errors are larger where one skill is needed, each with what a league player was promised.
     *
     * @return list<LoggedShot>
     */
    private static function logbook(Skill $weak, int $many, Generator $random): array
    {
        $usual = Player::of(Level::League);
        $shots = [];
        while (\count($shots) < $many) {
            $place = static fn(): array => [$random->between(0.5, 7.5), $random->between(0.4, 3.6)];
            $tip = new Tip([0.0, 0.0, 0.25, -0.25][$random->integer(0, 3)], [-0.35, 0.0, 0.25][$random->integer(0, 2)]);
            $meant = ShotSpec::toPocket(new Pot(1, Pocket::cases()[$random->integer(0, 5)]), Speed::metresPerSecond($random->between(1.0, 3.0)), $tip);
            try {
                $shot = self::shot(Read::rack(['cue' => $place(), 1 => $place(), 9 => $place()])->withPlayer($usual), $meant, $weak, $random);
            } catch (AimRefused|InvalidInput) {
                continue;
            }
            if (null !== $shot) {
                $shots[] = $shot;
            }
        }

        return $shots;
    }

    private static function shot(Rack $rack, ShotSpec $meant, Skill $weak, Generator $random): ?LoggedShot
    {
        $at = new \DateTimeImmutable('@0');
        $shooter = new SimulatedPlayer($rack, $meant);
        $forecast = (new Forecast())->stopping($shooter->meant(), 1);
        if (null === $forecast->rest || !$shooter->perfect()->result->made) {
            return null;
        }
        [$x, $y] = $rack->table->size->diamondsOf($forecast->rest);
        $ring = array_map(static fn(array $p): Point => $rack->table->size->pointAt($p[0], $p[1]), (new Circle($x, $y, self::RING))->outline());
        $made = $good = 0;
        for ($n = 0; $n < self::PROMISED; ++$n) {
            $result = $shooter->shoot($random, $at)->result;
            $made += $result->made ? 1 : 0;
            $good += $result->made && null !== $result->cue && $result->cue->distanceTo($forecast->rest) < self::RING * $rack->table->size->diamond() ? 1 : 0;
        }
        if ($made < 0.3 * self::PROMISED) {
            return null;
        }
        $promised = new Forecast($made / self::PROMISED, $good / self::PROMISED, null, $forecast->rest, $forecast->headingDeg, $forecast->rails, [$ring]);
        // Which skills it needs does not depend on how it goes.
        $perfect = $shooter->perfect();
        $needs = LoggedShot::of(new Attempt($at, $rack, $meant, $perfect->result, forecast: $promised));
        $isWeak = \in_array($weak, [...$needs->forPot, ...$needs->forPosition], true);
        $player = $rack->player;
        $worse = new Player($player->level, 2.2 * $player->aim, $player->speed, 1.6 * $player->tip);
        $speedless = new Player($player->level, $player->aim, 2.5 * $player->speed, $player->tip);
        $who = !$isWeak ? $player : (Skill::Speed === $weak ? $speedless : $worse);
        $result = (new SimulatedPlayer($rack->withPlayer($who), $meant))->shoot($random, $at)->result;

        return LoggedShot::of(new Attempt($at, $rack, $meant, $result, forecast: $promised));
    }
}
