<?php

declare(strict_types=1);

namespace ZigLane\Core\Drills\Files;

use ZigLane\Core\Drills\Area\Band;
use ZigLane\Core\Drills\Course;
use ZigLane\Core\Drills\DrawnPlaces;
use ZigLane\Core\Drills\Drill;
use ZigLane\Core\Drills\DrillText;
use ZigLane\Core\Drills\Rule;
use ZigLane\Core\Drills\Skill;
use ZigLane\Core\Drills\Station;
use ZigLane\Core\Drills\Step;
use ZigLane\Core\Drills\TestForm;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Rack\Files\EquipmentFields;
use ZigLane\Core\Rack\Files\Fields;
use ZigLane\Core\Rack\Files\ShotSpecFile;

/**
 * Reads and writes drills (docs/drill.schema.json). What a station does not say is as at the station before.
 */
final class DrillFile
{
    public const FORMAT = 'zig-lane/drill';
    private const VERSION = 1;

    /** Bytes. */
    public const LARGEST = 100_000;

    /** Highest number of points of one shot, of a whole test; rules of a station, steps. */
    private const MOST_POINTS = 100;
    private const MOST_SCORE = 10_000;
    private const MOST_RULES = 8;
    private const MOST_STEPS = 9;

    private function __construct() {}

    /**
     * @param mixed $data decoded, objects as \stdClass
     *
     * @throws InvalidInput that names the path of the fault
     */
    public static function read(mixed $data): Drill
    {
        $file = new Fields($data, '');
        if (self::FORMAT !== $file->raw('format')) {
            throw new InvalidInput('format', \sprintf('must be "%s"', self::FORMAT));
        }
        if (self::VERSION !== $file->raw('version')) {
            throw new InvalidInput('version', \sprintf('must be %d', self::VERSION));
        }
        $name = trim($file->text('name', null, DrillText::NAME));
        if ('' === $name) {
            throw new InvalidInput('name', 'must not be empty');
        }
        [$table] = EquipmentFields::table($file->object('table'));
        $drill = new Drill(
            new DrillText($name, trim($file->text('does', '', DrillText::NOTE)), trim($file->text('watch', '', DrillText::NOTE))),
            $file->choice('game', GameName::class, 'straight-pool'),
            $file->choice('skill', Skill::class),
            self::form($file),
            self::stations($file),
            self::steps($file),
            $table,
            self::pars($file),
            $file->unknown(),
        );
        foreach ($drill->stations as $n => $station) {
            try {
                $drill->rack($station, Player::of(Level::League));
            } catch (InvalidInput $e) {
                throw $e->under("stations[$n]");
            }
        }

        return $drill;
    }

    /**
     * @return array<string, mixed>
     */
    public static function write(Drill $drill): array
    {
        $stations = [];
        $before = null;
        foreach ($drill->stations as $station) {
            $now = self::writeStation($station);
            $last = $before ?? [];
            $stations[] = array_filter(
                $now,
                static fn(mixed $value, string $key): bool => !\array_key_exists($key, $last) || $value !== $last[$key],
                \ARRAY_FILTER_USE_BOTH,
            );
            $before = $now;
        }

        return [
            'format' => self::FORMAT,
            'version' => self::VERSION,
            'name' => $drill->name,
            'game' => $drill->game->value,
            'skill' => $drill->skill->value,
            'course' => $drill->course->value,
            'does' => $drill->text->does,
            'watch' => $drill->text->watch,
            'tries' => $drill->tries,
            'pass' => $drill->pass,
            'players' => $drill->form->players,
            'whole' => $drill->form->whole,
            'table' => EquipmentFields::writeTable($drill->table, static fn(): array => []),
            'steps' => array_map(static fn(Step $step): array => ['name' => $step->name, 'areas' => $step->areas], $drill->steps),
            'stations' => $stations,
        ] + ([] === $drill->pars ? [] : ['pars' => $drill->pars]) + $drill->unknown;
    }

    /** @throws InvalidInput */
    private static function form(Fields $file): TestForm
    {
        return new TestForm(
            $file->choice('course', Course::class, Course::Stations->value),
            $file->whole('tries', 10, 1, Drill::MOST_TRIES),
            $file->whole('pass', 0, 0, self::MOST_SCORE),
            $file->whole('players', 1, 1, 2),
            $file->flag('whole', false),
        );
    }

    /**
     * @return array<string, float>
     *
     * @throws InvalidInput
     */
    private static function pars(Fields $file): array
    {
        $pars = [];
        $object = $file->object('pars');
        foreach (Level::cases() as $level) {
            if ($object->has($level->value)) {
                $pars[$level->value] = $object->number($level->value, null, 0.0, self::MOST_SCORE);
            }
        }

        return $pars;
    }

    /**
     * @return non-empty-list<Station>
     *
     * @throws InvalidInput
     */
    private static function stations(Fields $file): array
    {
        $rows = $file->raw('stations');
        if (!\is_array($rows) || !array_is_list($rows) || [] === $rows || \count($rows) > Drill::MOST_STATIONS) {
            throw new InvalidInput('stations', \sprintf('must be a list of 1 to %d stations', Drill::MOST_STATIONS));
        }
        $stations = [];
        $before = null;
        foreach ($rows as $n => $row) {
            $stations[] = $before = self::station(new Fields($row, "stations[$n]"), $before);
        }

        return $stations;
    }

    /** @throws InvalidInput */
    private static function station(Fields $station, ?Station $before): Station
    {
        $balls = [];
        $object = $station->object('balls');
        foreach ($object->keys() as $name) {
            $ball = BallId::fromName($name) ?? throw new InvalidInput($object->path($name), 'is no ball');
            $balls[$ball] = AreaFields::pair($object->raw($name), $object->path($name));
        }
        $rules = $station->has('rules') ? self::rules($station) : $before?->rules;
        if (null === $rules) {
            throw new InvalidInput($station->path('rules'), 'is missing');
        }
        $shot = null === $station->raw('shot') ? null : ShotSpecFile::read($station->raw('shot'), $station->path('shot'));

        return new Station(
            [] === $balls ? $before->balls ?? [] : $balls,
            $station->has('shot') ? $shot : $before?->shot,
            $rules,
            trim($station->text('name', '', DrillText::NAME)),
            self::drawn($station) ?? $before?->drawn,
        );
    }

    /** @throws InvalidInput */
    private static function drawn(Fields $station): ?DrawnPlaces
    {
        if (null === $station->raw('drawn')) {
            return null;
        }
        $drawn = $station->object('drawn');
        $within = [];
        $balls = $drawn->object('within');
        foreach ($balls->keys() as $name) {
            $ball = BallId::fromName($name) ?? throw new InvalidInput($balls->path($name), 'is no ball');
            $area = AreaFields::read($balls->raw($name), $balls->path($name));
            $within[$ball] = $area instanceof Band ? $area : throw new InvalidInput($balls->path($name), 'must be a band');
        }
        if ([] === $within) {
            throw new InvalidInput($drawn->path('within'), 'names no ball');
        }
        $cut = $drawn->raw('cutDeg');

        return new DrawnPlaces($within, null === $cut ? [0.0, 60.0] : AreaFields::ordered($cut, $drawn->path('cutDeg'), 90.0));
    }

    /**
     * @return non-empty-list<Rule>
     *
     * @throws InvalidInput
     */
    private static function rules(Fields $station): array
    {
        $rows = $station->raw('rules');
        $path = $station->path('rules');
        if (!\is_array($rows) || !array_is_list($rows) || [] === $rows || \count($rows) > self::MOST_RULES) {
            throw new InvalidInput($path, \sprintf('must be a list of 1 to %d rules', self::MOST_RULES));
        }
        $rules = [];
        foreach ($rows as $n => $row) {
            $rule = new Fields($row, "{$path}[$n]");
            $needs = $rule->raw('needs');
            if (!\is_array($needs) || !array_is_list($needs) || [] === $needs) {
                throw new InvalidInput($rule->path('needs'), 'must be a list of conditions');
            }
            $conditions = [];
            foreach ($needs as $k => $need) {
                $conditions[] = ConditionFields::read($need, $rule->path('needs') . "[$k]");
            }
            $says = trim($rule->text('says', '', DrillText::NAME));
            $rules[] = new Rule($rule->whole('points', 1, 1, self::MOST_POINTS), $says, $conditions);
        }

        return $rules;
    }

    /**
     * @return non-empty-list<Step>
     *
     * @throws InvalidInput
     */
    private static function steps(Fields $file): array
    {
        $rows = $file->raw('steps') ?? [];
        if (!\is_array($rows) || !array_is_list($rows) || \count($rows) > self::MOST_STEPS) {
            throw new InvalidInput('steps', \sprintf('must be a list of up to %d steps', self::MOST_STEPS));
        }
        $steps = [];
        foreach ($rows as $n => $row) {
            $step = new Fields($row, "steps[$n]");
            $steps[] = new Step(trim($step->text('name', null, DrillText::NAME)), $step->number('areas', 1.0, 0.1, 10.0));
        }

        return [] === $steps ? [new Step('as it is', 1.0)] : $steps;
    }

    /** @return array<string, mixed> */
    private static function writeStation(Station $station): array
    {
        return [
            'name' => $station->name,
            'balls' => self::byName($station->balls),
            'shot' => null === $station->shot ? null : ShotSpecFile::write($station->shot),
            'drawn' => null === $station->drawn ? null : [
                'within' => self::byName(array_map(AreaFields::write(...), $station->drawn->within)),
                'cutDeg' => $station->drawn->cutDeg,
            ],
            'rules' => array_map(static fn(Rule $rule): array => [
                'points' => $rule->points,
                'says' => $rule->says,
                'needs' => array_map(ConditionFields::write(...), $rule->needs),
            ], $station->rules),
        ];
    }

    /**
     * @template T
     *
     * @param array<int, T> $balls
     *
     * @return array<string, T>
     */
    private static function byName(array $balls): array
    {
        return array_combine(array_map(BallId::name(...), array_keys($balls)), array_values($balls));
    }
}
