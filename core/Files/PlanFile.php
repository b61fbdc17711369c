<?php

declare(strict_types=1);

namespace ZigLane\Core\Files;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Decision\Advice;
use ZigLane\Core\Decision\Ending;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Equipment\TableSize;
use ZigLane\Core\Finding;
use ZigLane\Core\Games\Group;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Geometry\Region;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Planning\BreakShot;
use ZigLane\Core\Planning\Finding\Told;
use ZigLane\Core\Planning\Losses;
use ZigLane\Core\Planning\Plan;
use ZigLane\Core\Planning\PlannedShot;
use ZigLane\Core\Planning\ShotChances;
use ZigLane\Core\Planning\Survival;
use ZigLane\Core\Planning\SurvivalRun;
use ZigLane\Core\Rack\Files\Fields;
use ZigLane\Core\Rack\Files\ShotSpecFile;
use ZigLane\Core\Rack\Kitchen;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Routes\Family;
use ZigLane\Core\Wording\PlanWording;
use ZigLane\Core\Wording\ShotWording;

/**
 * A plan as JSON: positions in diamonds, chances 0–1.
 */
final class PlanFile
{
    /** Places of a number that the line must be played again from. */
    private const EXACT = 7;

    private function __construct() {}

    /**
     * @param Advice|null $advice whether to follow it
     * @param Ending|null $ending what to play where it breaks off
     *
     * @return array<string, mixed> ready for json_encode
     */
    public static function describe(Plan $plan, ?Advice $advice = null, ?Ending $ending = null): array
    {
        $size = $plan->rack->table->size;
        $shots = [];
        foreach ($plan->shots as $n => $shot) {
            $shots[] = [
                'ball' => BallId::name($shot->pot->ball),
                'pocket' => $shot->pot->pocket->value,
                'shot' => ShotSpecFile::write($shot->spec),
                'pot' => round($shot->chances->pot, 4),
                'position' => round($shot->chances->position, 4),
                'runOut' => round($shot->chances->runOut, 4),
                'settled' => $shot->settled,
                'kind' => $shot->spec->intent->kind->value,
                'zone' => self::ring($shot->zone, $shot->rest, $size),
                'zones' => self::rings($shot->zone, $size),
                'heart' => self::ring($shot->heart, $shot->rest, $size),
                'rest' => self::diamonds($shot->rest, $size),
                'route' => ShotWording::route($shot),
                'why' => ShotWording::why($shot),
                'family' => null === $shot->family ? null : get_object_vars($shot->family),
                'findings' => array_map(FindingCodec::describe(...), $shot->findings),
            ] + self::survival($plan, $n) + ($n + 1 === $plan->hinge ? ['hinge' => true] : []) + ($shot->settled ? [] : ['rough' => true]);
        }
        $cue = $plan->rack->layout->has(BallId::CUE) ? self::diamonds($plan->rack->layout->ball(BallId::CUE), $size, self::EXACT) : null;

        return [
            'runOut' => round($plan->runOut, 4),
            'cue' => $cue,
            'group' => $plan->rack->group?->value,
            'shots' => $shots,
            'says' => PlanWording::says($plan),
            'findings' => array_map(FindingCodec::describe(...), $plan->says),
            'stoppedBecause' => PlanWording::stopped($plan),
            'stopped' => null === $plan->stopped ? null : FindingCodec::describe($plan->stopped),
        ] + (null === $plan->break ? [] : ['break' => self::describeBreak($plan->break)])
            + (null === $advice ? [] : ['advice' => AdviceFile::describe($advice)])
            + (null === $ending ? [] : ['ending' => AdviceFile::describe($ending->advice)]);
    }

    /**
     * How many runs are on after a shot, and what ended the others there.
     *
     * @return array<string, mixed>
     */
    private static function survival(Plan $plan, int $n): array
    {
        $survival = $plan->survival;

        return null === $survival ? [] : [
            'alive' => round($survival->alive[$n], 4),
            'aliveInterval' => array_map(static fn(float $v): float => round($v, 4), $survival->interval($n + 1)),
            'lost' => array_map(static fn(float $v): float => round($v, 4), $survival->losses[$n]->byCause()),
        ];
    }

    /** @throws InvalidInput */
    private static function readSurvival(\stdClass $data): ?Survival
    {
        $alive = $losses = [];
        foreach (\is_array($data->shots ?? null) ? array_values($data->shots) : [] as $n => $row) {
            if (!$row instanceof \stdClass || !isset($row->alive)) {
                return null;
            }
            $alive[] = self::number($row->alive, "plan.shots[$n].alive");
            $lost = ($row->lost ?? null) instanceof \stdClass ? $row->lost : new \stdClass();
            $share = static fn(string $key): float => self::number($lost->{$key} ?? null, "plan.shots[$n].lost.$key");
            $losses[] = new Losses($share('missed'), $share('position'), $share('scratch'), $share('hooked'));
        }

        return [] === $alive ? null : new Survival($alive, $losses, SurvivalRun::RUNS);
    }

    /**
     * @return array<string, mixed>
     */
    private static function describeBreak(BreakShot $break): array
    {
        $size = $break->rack->table->size;
        $balls = [];
        foreach ($break->rack->layout->balls as $ball => $place) {
            $balls[BallId::name($ball)] = self::diamonds($place, $size, self::EXACT);
        }

        return [
            'ball' => BallId::name($break->ball),
            'pocket' => $break->pocket->value,
            'shot' => ShotSpecFile::write($break->rack->legs[0]),
            'pot' => round($break->pot, 4),
            'spread' => round($break->spread, 2),
            'scratch' => round($break->scratch, 4),
            'next' => round($break->next, 4),
            'balls' => $balls,
        ];
    }

    /** @throws InvalidInput */
    private static function readBreak(\stdClass $row, Rack $rack): BreakShot
    {
        $balls = [];
        foreach ((array) ($row->balls ?? []) as $name => $at) {
            $balls[BallId::fromName((string) $name) ?? throw new InvalidInput('plan.break.balls', "names no ball: $name")] = self::point(
                $at,
                $rack->table->size,
                "plan.break.balls.$name",
            );
        }
        [$text, $share] = self::readers($row, 'plan.break');
        $stands = $rack->withLayout(new Layout($balls))->withBallInHand(false)->withLegs(
            [ShotSpecFile::read($row->shot ?? null, 'plan.break.shot')],
        );

        return new BreakShot(
            $stands,
            self::pot($text, 'plan.break')->ball,
            self::pot($text, 'plan.break')->pocket,
            $share('pot'),
            $share('spread'),
            $share('scratch'),
            $share('next'),
        );
    }

    /**
     * @return array{\Closure(string): string, \Closure(string): float} texts and numbers of a row
     */
    private static function readers(\stdClass $row, string $path): array
    {
        return [
            static fn(string $key): string => \is_string($row->{$key} ?? null)
                ? $row->{$key}
                : throw new InvalidInput("$path.$key", 'is no text'),
            static fn(string $key): float => self::number($row->{$key} ?? null, "$path.$key"),
        ];
    }

    private static function number(mixed $value, string $path): float
    {
        return (\is_int($value) || \is_float($value)) && is_finite((float) $value)
            ? (float) $value
            : throw new InvalidInput($path, 'is no number');
    }

    /**
     * A plan described by describe(), again.
     *
     * @param \stdClass $data decoded JSON
     * @param Rack      $rack that it was made for
     *
     * @throws InvalidInput when it is none
     */
    public static function read(\stdClass $data, Rack $rack): Plan
    {
        $fields = new Fields($data, 'plan');
        $size = $rack->table->size;
        $rack = Kitchen::opened($rack);
        if (\is_array($data->cue ?? null)) {
            $rack = $rack->withBall(BallId::CUE, self::point($data->cue, $size, 'plan.cue'));
        }
        $group = \is_string($data->group ?? null) ? Group::tryFrom($data->group) : null;
        $rack = null === $group ? $rack : $rack->withGroup($group);
        $shots = [];
        $hinge = null;
        foreach (\is_array($fields->raw('shots')) ? array_values($fields->raw('shots')) : [] as $n => $row) {
            $shots[] = self::readShotOf($row, "plan.shots[$n]", $rack);
            $hinge = $row instanceof \stdClass && true === ($row->hinge ?? null) ? $n + 1 : $hinge;
        }

        return new Plan(
            $rack,
            $shots,
            self::number($data->runOut ?? null, 'plan.runOut'),
            self::stopped($data),
            self::findings($data, 'says', 'plan'),
            $hinge,
            true,
            ($data->break ?? null) instanceof \stdClass ? self::readBreak($data->break, $rack) : null,
            self::readSurvival($data),
        );
    }

    private static function readShotOf(mixed $row, string $path, Rack $rack): PlannedShot
    {
        if (!$row instanceof \stdClass) {
            throw new InvalidInput($path, 'is no shot');
        }
        $size = $rack->table->size;
        [$text, $share] = self::readers($row, $path);
        $list = static fn(mixed $value): array => \is_array($value) ? array_values($value) : [];
        $ring = static fn(string $key, mixed $corners): array => array_map(
            static fn(mixed $at): Point => self::point($at, $size, "$path.$key"),
            $list($corners),
        );
        $region = static fn(string $key): Region => new Region([$ring($key, $row->{$key} ?? null)]);
        $whole = isset($row->zones)
            ? new Region(array_map(static fn(mixed $one): array => $ring('zones', $one), $list($row->zones)))
            : $region('zone');

        return new PlannedShot(
            self::pot($text, $path),
            ShotSpecFile::read($row->shot ?? null, "$path.shot"),
            $rack->layout,
            new ShotChances($share('pot'), $share('position'), $share('runOut')),
            $whole,
            $region('heart'),
            self::point($row->rest ?? null, $size, "$path.rest"),
            isset($row->family) ? FindingCodec::family($row->family, "$path.family") : self::familyOf($text('route')),
            self::findings($row, 'why', $path),
            true !== ($row->rough ?? null),
        );
    }

    /**
     * @param \Closure(string): string $text
     */
    private static function pot(\Closure $text, string $path): Pot
    {
        return new Pot(
            BallId::fromName($text('ball')) ?? throw new InvalidInput("$path.ball", 'is no ball'),
            Pocket::tryFrom($text('pocket')) ?? throw new InvalidInput("$path.pocket", 'is no pocket'),
        );
    }

    /** The family that words tell: a plan that was stored before families were has them alone. */
    private static function familyOf(string $route): ?Family
    {
        if (1 !== preg_match('/^([a-z ]+?)(?: with (running|reverse)? ?(inside|outside)? ?spin)?, ([a-z, ]+)$/', $route, $found)) {
            return null;
        }
        preg_match_all('/head|foot|left|right/', $found[4], $rails);

        return new Family($rails[0], $found[1], $found[3], $found[2]);
    }

    /**
     * Findings of a plan or a shot; the sentences under another key in a plan that was stored before findings were.
     *
     * @return list<Finding>
     */
    private static function findings(\stdClass $row, string $sentences, string $path): array
    {
        if (\is_array($row->findings ?? null)) {
            $findings = array_values($row->findings);

            return array_map(
                static fn(mixed $one, int $n): Finding => FindingCodec::read($one, "$path.findings[$n]"),
                $findings,
                array_keys($findings),
            );
        }
        $told = \is_array($row->{$sentences} ?? null) ? array_filter($row->{$sentences}, is_string(...)) : [];

        return array_map(static fn(string $text): Finding => new Told($text), array_values($told));
    }

    private static function stopped(\stdClass $data): ?Finding
    {
        return match (true) {
            isset($data->stopped) => FindingCodec::read($data->stopped, 'plan.stopped'),
            \is_string($data->stoppedBecause ?? null) => new Told($data->stoppedBecause),
            default => null,
        };
    }

    /**
     * The ring that the cue ball stops in, or else the largest.
     *
     * @return list<array{float, float}> diamonds
     */
    private static function ring(Region $region, Point $rest, TableSize $size): array
    {
        return array_map(static fn(Point $p): array => self::diamonds($p, $size), $region->ringAround($rest));
    }

    /**
     * @return list<list<array{float, float}>> diamonds
     */
    private static function rings(Region $region, TableSize $size): array
    {
        $corner = static fn(Point $p): array => self::diamonds($p, $size);

        return array_map(static fn(array $ring): array => array_map($corner, $ring), $region->rings);
    }

    private static function point(mixed $at, TableSize $size, string $path): Point
    {
        if (!\is_array($at)) {
            throw new InvalidInput($path, 'is no place');
        }

        return $size->pointAt(self::number($at[0] ?? null, $path . '[0]'), self::number($at[1] ?? null, $path . '[1]'));
    }

    /**
     * @return array{float, float}
     */
    private static function diamonds(Point $p, TableSize $size, int $places = 3): array
    {
        [$x, $y] = $size->diamondsOf($p);

        return [round($x, $places), round($y, $places)];
    }
}
