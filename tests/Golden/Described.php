<?php

declare(strict_types=1);

namespace ZigLane\Tests\Golden;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Experiments\Planned;
use ZigLane\Core\Experiments\Season;
use ZigLane\Core\Files\PlanFile;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Geometry\Region;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Planning\CountedDeadline;
use ZigLane\Core\Planning\PlanSearch;
use ZigLane\Core\Planning\SearchBudget;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Rack\Files\JsonText;
use ZigLane\Core\Rack\Files\RackFile;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Reading\FromHere;
use ZigLane\Core\Reading\TableReading;
use ZigLane\Core\Reading\ZoneFinder;
use ZigLane\Core\Routes\RouteSearch;
use ZigLane\Core\Wording\KeyBallWording;
use ZigLane\Core\Wording\ReadingSummary;
use ZigLane\Core\Wording\RouteWording;
use ZigLane\Core\Wording\TroubleWording;

/**
 * What the core computes for one rack of each game, to the last bit of every number: held against tests/Golden/expected.
 */
final class Described
{
    private const RACKS = [
        'nine-ball' => ['cue' => [2.0, 2.0], '1' => [5.5, 1.25], '2' => [6.5, 2.5], '7' => [3.1, 3.4], '9' => [6.0, 3.1]],
        'ten-ball' => ['cue' => [1.2, 3.0], '3' => [4.4, 0.6], '6' => [6.9, 3.2], '10' => [2.4, 1.5]],
        'eight-ball' => ['cue' => [3.0, 1.0], '2' => [5.2, 0.7], '5' => [6.4, 2.2], '8' => [4.1, 2.9], '11' => [1.1, 2.4], '14' => [7.1, 3.5]],
        'straight-pool' => ['cue' => [4.0, 3.2], '3' => [5.6, 1.1], '4' => [5.79, 1.13], '9' => [2.2, 0.8], '12' => [6.8, 3.1]],
    ];

    /** Shots that each line of the list of shots stands for. */
    private const BUNDLE = 100;

    private function __construct() {}

    /**
     * @return list<GameName>
     */
    public static function games(): array
    {
        return array_map(GameName::from(...), array_keys(self::RACKS));
    }

    public static function rack(GameName $game): Rack
    {
        return RackFile::read(JsonText::decode(json_encode([
            'format' => 'zig-lane/rack', 'version' => 1, 'game' => $game->value, 'balls' => self::RACKS[$game->value], 'player' => ['level' => 'advanced'],
        ], \JSON_THROW_ON_ERROR)));
    }

    /**
     * @return array<string, mixed>
     */
    public static function reading(GameName $game): array
    {
        $rack = self::rack($game);
        $reading = TableReading::of($rack, $rack->player);
        $openings = [];
        foreach ($rack->layout->objectBalls() as $ball) {
            foreach ($reading->openings->ofBall($ball) as $o) {
                $openings[] = ['ball' => $ball, 'pocket' => $o->pocket->value, 'free' => $o->free, 'open' => $o->open, 'blockers' => $o->blockers, 'distance' => $o->distance];
            }
        }
        $from = FromHere::now($rack, $rack->layout->ball(0));
        $first = $from[0];
        $zone = (new ZoneFinder($rack))->zone($first->ball, $first->pots[0][0], 0.75);
        $areas = static fn(Region $region): array => ['area' => $region->area(), 'corners' => array_map(\count(...), $region->rings)];

        return [
            'openings' => $openings,
            'troubles' => array_map(static fn($t): array => ['kind' => $t->kind->name, 'balls' => $t->balls, 'sentence' => TroubleWording::sentence($t)], $reading->troubles),
            'keys' => array_map(static fn($k): array => ['ball' => $k->ball, 'pocket' => $k->pocket->value, 'for' => $k->for, 'value' => $k->value, 'sentence' => KeyBallWording::sentence($k), 'side' => $k->side], $reading->keys),
            'summary' => ReadingSummary::of($reading, $rack),
            'chances' => array_map(static fn($f): array => ['ball' => $f->ball, 'pots' => array_map(static fn(array $p): array => [$p[0]->value, $p[1]->chance, $p[1]->aim, $p[1]->speed], $f->pots)], $from),
            'zone' => ['best' => null === $zone->best ? null : [$zone->best->x, $zone->best->y], 'region' => $areas($zone->region), 'whole' => $areas($zone->whole), 'grades' => array_map($areas, $zone->grades)],
        ];
    }

    /**
     * @return array<string, mixed>
     */
    public static function routes(GameName $game): array
    {
        $rack = self::rack($game);
        if (GameName::EightBall === $game) {
            $rack = RackFile::read(JsonText::decode(str_replace('"group": null', '"group": "solids"', RackFile::text($rack))));
        }
        $first = FromHere::now($rack, $rack->layout->ball(0))[0];
        $search = new RouteSearch($rack, new Pot($first->ball, $first->pots[0][0]));
        $routes = [];
        foreach (\array_slice($search->settled(), 0, 6) as $r) {
            $routes[] = [
                'ball' => $r->pot->ball, 'pocket' => $r->pot->pocket->value, 'shot' => self::shot($r->shot), 'offset' => $r->offset, 'words' => RouteWording::family($r->family),
                'stop' => [$r->stop->x, $r->stop->y], 'travel' => $r->travel, 'pot' => $r->chances->pot, 'position' => $r->chances->position, 'value' => $r->chances->value,
                'scratch' => $r->chances->scratch, 'touches' => $r->chances->touches, 'hooked' => $r->chances->hooked, 'astray' => $r->chances->astray, 'tries' => $r->chances->tries, 'why' => RouteWording::why($r),
            ];
        }

        return ['shots' => $search->played(), 'routes' => $routes];
    }

    /**
     * @return array<string, mixed>
     */
    public static function plan(GameName $game): array
    {
        return PlanFile::describe((new PlanSearch(self::rack($game), deadline: new CountedDeadline(1)))->plan());
    }

    /**
     * @return array<string, mixed>
     */
    public static function season(GameName $game): array
    {
        $played = [];
        foreach ((new Season($game, Player::of(Level::Professional), new Planned(SearchBudget::quick()), 3))->play(2) as $rack) {
            $played[] = ['ranOut' => $rack->ranOut, 'predicted' => $rack->predicted, 'shots' => $rack->shots];
        }

        return ['racks' => $played];
    }

    /**
     * 2,000 shots into nine balls: a digest of every hundred, over where and when everything happens.
     *
     * @return array<string, mixed>
     */
    public static function shots(): array
    {
        $random = new Generator(2026);
        $simulator = new Simulator();
        $geometry = $simulator->geometry;
        $digests = [];
        for ($bundle = 0; $bundle < 20; ++$bundle) {
            $digest = hash_init('xxh128');
            for ($n = 0; $n < self::BUNDLE; ++$n) {
                $balls = [];
                while (\count($balls) < 10) {
                    $place = new Point($random->between($geometry->reach, $geometry->length - $geometry->reach), $random->between($geometry->reach, $geometry->width - $geometry->reach));
                    if ($geometry->canRest($place) && [] === array_filter($balls, static fn(Point $p): bool => $p->distanceTo($place) < 2 * $simulator->ball->radius)) {
                        $balls[] = $place;
                    }
                }
                $far = 0.5 * sqrt($random->between(0.0, 1.0));
                $turn = $random->between(0.0, 2 * \M_PI);
                $result = $simulator->play(new Layout($balls), new Shot($random->between(0.0, 2 * \M_PI), $random->between(0.5, 5.0), new Tip($far * cos($turn), $far * sin($turn)), $random->between(0.0, 0.2)));
                foreach ($result->events as $event) {
                    hash_update($digest, $event->type->value . implode(',', $event->balls) . pack('eee', $event->time, $event->at->x, $event->at->y));
                }
                foreach ($result->final->balls as $ball => $place) {
                    hash_update($digest, pack('Pee', $ball, $place->x, $place->y));
                }
            }
            $digests[] = hash_final($digest);
        }

        return ['shots' => 20 * self::BUNDLE, 'digests' => $digests];
    }

    /**
     * @return array<string, float>
     */
    private static function shot(Shot $shot): array
    {
        return ['aim' => $shot->aim, 'speed' => $shot->speed, 'side' => $shot->tip->side, 'height' => $shot->tip->height, 'elevation' => $shot->elevation];
    }
}
