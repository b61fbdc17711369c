<?php

declare(strict_types=1);

namespace ZigLane\Core\Rack\Files;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Equipment\TableGeometry;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\Games\Group;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Rack\HouseRules;
use ZigLane\Core\Rack\Playable;
use ZigLane\Core\Rack\PushOut;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\ShotSpec;
use ZigLane\Core\Rack\Turn;

/**
 * The open rack file, version 1: decoded JSON to values and back. Schema and text in docs/rack-file.schema.json.
 *
 * Positions are in diamonds. Keys that are not known are kept; versions that are not known are refused. Every
 * InvalidInput names the path of the fault.
 */
final class RackFile
{
    public const FORMAT = 'zig-lane/rack';
    public const VERSION = 1;

    /** The ball is in hand behind the head string only. */
    private const KITCHEN = 'kitchen';
    /** Bytes of the compact form. */
    public const LARGEST = 65536;

    /** Bytes of a file as people or other programs write it. */
    public const LARGEST_TEXT = 2 * self::LARGEST;

    private function __construct() {}

    /**
     * @param mixed $data a decoded JSON document, objects as \stdClass
     *
     * @throws InvalidInput
     */
    public static function read(mixed $data): Rack
    {
        $file = new Fields($data, '');
        $format = $file->text('format');
        if (self::FORMAT !== $format) {
            throw new InvalidInput('format', \sprintf('"%s" is not "%s"', mb_strimwidth($format, 0, 40, '…'), self::FORMAT));
        }
        $version = $file->raw('version');
        if (self::VERSION !== $version) {
            throw new InvalidInput(
                'version',
                \sprintf('%s is not known (this program reads version %d)', json_encode($version), self::VERSION),
            );
        }
        $name = trim($file->text('name', 'Untitled rack', Rack::LONGEST_NAME));
        $game = $file->choice('game', GameName::class);
        [$table, $unknown] = EquipmentFields::table($file->object('table'));
        [$cue, $cueUnknown] = EquipmentFields::cue($file->object('cue'));
        $layout = self::layout($file->object('balls'), $table, $game);
        $group = null === $file->raw('group') ? null : $file->choice('group', Group::class);
        $player = $file->object('player');
        $who = PlayerFields::read($player);
        $opponent = null === $file->raw('opponent') ? null : $file->object('opponent');
        $against = null === $opponent ? null : PlayerFields::read($opponent);
        $legs = self::legs($file->raw('legs'));
        [$inHand, $kitchen] = self::inHand($file);
        $fouls = $file->object('fouls');
        $jumps = $file->flag('jumps', false);

        return new Rack(
            '' === $name ? 'Untitled rack' : $name,
            $game,
            $table,
            $layout,
            new Turn(
                $inHand,
                $group,
                $against,
                $file->choice('pushOut', PushOut::class, PushOut::None->value),
                $kitchen,
                $fouls->whole('player', 0, 0, Turn::LAST_WARNING),
                $fouls->whole('opponent', 0, 0, Turn::LAST_WARNING),
            ),
            $who,
            $legs,
            array_filter([
                '' => $file->unknown(),
                'player' => $player->unknown(),
                'opponent' => $opponent?->unknown() ?? [],
                'fouls' => $fouls->unknown(),
                'cue' => $cueUnknown,
            ] + $unknown),
            $cue,
            new HouseRules($jumps, null === $file->raw('called') ? null : $file->flag('called', true)),
        );
    }

    /**
     * @return array{bool, bool} whether the ball is in hand, and only behind the head string
     *
     * @throws InvalidInput
     */
    private static function inHand(Fields $file): array
    {
        $value = $file->raw('ballInHand') ?? false;
        if (!\is_bool($value) && self::KITCHEN !== $value) {
            throw new InvalidInput($file->path('ballInHand'), \sprintf('must be true, false or "%s"', self::KITCHEN));
        }

        return [false !== $value, self::KITCHEN === $value];
    }

    /**
     * @return array<string, mixed> ready for json_encode
     */
    public static function write(Rack $rack): array
    {
        $kept = static fn(string $path): array => $rack->unknown[$path] ?? [];
        $balls = new \stdClass();
        foreach ($rack->layout->balls as $id => $place) {
            [$x, $y] = $rack->table->size->diamondsOf($place);
            $balls->{BallId::name($id)} = [round($x, 9), round($y, 9)];
        }
        $document = [
            'format' => self::FORMAT,
            'version' => self::VERSION,
            'name' => $rack->name,
            'game' => $rack->game->value,
            'table' => EquipmentFields::writeTable($rack->table, $kept),
            'cue' => EquipmentFields::writeCue($rack->cue) + $kept('cue'),
            'balls' => $balls,
            'ballInHand' => $rack->ballInHand && $rack->kitchen ? self::KITCHEN : $rack->ballInHand,
            'group' => $rack->group?->value,
            'player' => PlayerFields::write($rack->player) + $kept('player'),
        ];
        if (PushOut::None !== $rack->pushOut) {
            $document['pushOut'] = $rack->pushOut->value;
        }
        if ($rack->fouls + $rack->othersFouls > 0 || [] !== $kept('fouls')) {
            $document['fouls'] = ['player' => $rack->fouls, 'opponent' => $rack->othersFouls] + $kept('fouls');
        }
        if ($rack->house->jumps) {
            $document['jumps'] = true;
        }
        if (null !== $rack->house->called) {
            $document['called'] = $rack->house->called;
        }
        if (null !== $rack->opponent) {
            $document['opponent'] = PlayerFields::write($rack->opponent) + $kept('opponent');
        }
        if ([] !== $rack->legs) {
            $document['legs'] = array_map(ShotSpecFile::write(...), $rack->legs);
        }

        return $document + $kept('');
    }

    /**
     * The file as text, made to be read by people too: one key a line, in "balls" and "legs" one ball and one shot a line. Hardly
     * longer than the compact form, so that what was taken is taken again.
     */
    public static function text(Rack $rack): string
    {
        $json = static fn(mixed $value): string => json_encode(
            $value,
            \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES | \JSON_PRESERVE_ZERO_FRACTION,
        );
        $lines = [];
        foreach (self::write($rack) as $key => $value) {
            $text = $json($value);
            if ('balls' === $key && $value instanceof \stdClass) {
                $balls = [];
                foreach (get_object_vars($value) as $ball => $place) {
                    $balls[] = '    ' . $json((string) $ball) . ': ' . $json($place);
                }
                $text = "{\n" . implode(",\n", $balls) . "\n  }";
            } elseif ('legs' === $key && \is_array($value)) {
                $text = "[\n    " . implode(",\n    ", array_map($json, $value)) . "\n  ]";
            }
            $lines[] = '  ' . $json((string) $key) . ': ' . $text;
        }

        return "{\n" . implode(",\n", $lines) . "\n}\n";
    }

    /**
     * @throws InvalidInput
     */
    private static function layout(Fields $balls, Table $table, GameName $game): Layout
    {
        $rack = $game->rules()->rack();
        $geometry = new TableGeometry($table);
        $places = [];
        foreach ($balls->keys() as $name) {
            $id = BallId::fromName($name);
            if (null === $id) {
                throw new InvalidInput($balls->path($name), 'there is no such ball (use cue, 1 … 15)');
            }
            if (BallId::CUE !== $id && !\in_array($id, $rack, true)) {
                throw new InvalidInput($balls->path($name), \sprintf('is not a ball of %s', $game->value));
            }
            $places[$id] = self::place($balls->raw($name), $balls->path($name), $geometry);
        }
        if (!isset($places[BallId::CUE])) {
            throw new InvalidInput('balls.cue', 'is missing: every rack needs a cue ball');
        }
        $layout = new Layout($places);
        Playable::assert($layout, $table);

        return $layout;
    }

    /**
     * @throws InvalidInput
     */
    private static function place(mixed $value, string $path, TableGeometry $g): Point
    {
        if (!\is_array($value) || !array_is_list($value) || 2 !== \count($value)) {
            throw new InvalidInput($path, 'must be two numbers: diamonds along and across');
        }
        $xy = [];
        foreach ([8, 4] as $axis => $most) {
            $number = $value[$axis];
            if (!\is_int($number) && !\is_float($number)) {
                throw new InvalidInput($path . "[$axis]", 'must be a number');
            }
            if (!is_finite((float) $number)) {
                throw new InvalidInput($path . "[$axis]", 'must be a finite number');
            }
            $xy[] = (float) $number;
        }
        $place = self::settle($g->table->size->pointAt($xy[0], $xy[1]), $g);
        if (!$g->canRest($place)) {
            // A ball may hang in a pocket's jaws, beyond the nose line; anywhere else out there it is off the table.
            foreach ([8, 4] as $axis => $most) {
                if ($xy[$axis] < 0 || $xy[$axis] > $most) {
                    throw new InvalidInput($path . "[$axis]", \sprintf('%s is outside the table (0–%d)', Fields::show($xy[$axis]), $most));
                }
            }
        }

        return $place;
    }

    /**
     * Numbers in a file are rounded: a ball up to a tenth of a millimetre inside a rail is frozen to it.
     */
    private static function settle(Point $p, TableGeometry $g): Point
    {
        if ($g->canRest($p)) {
            return $p;
        }
        $near = static fn(float $v, float $least, float $most): float => $v < $least && $v > $least - 1e-4
            ? $least
            : ($v > $most && $v < $most + 1e-4 ? $most : $v);

        return new Point($near($p->x, $g->reach, $g->length - $g->reach), $near($p->y, $g->reach, $g->width - $g->reach));
    }

    /**
     * @return list<ShotSpec>
     *
     * @throws InvalidInput
     */
    private static function legs(mixed $value): array
    {
        if (null === $value) {
            return [];
        }
        if (!\is_array($value) || !array_is_list($value)) {
            throw new InvalidInput('legs', 'must be a list of shots');
        }
        if (\count($value) > Rack::MOST_LEGS) {
            throw new InvalidInput('legs', \sprintf('has %d shots (limit %d)', \count($value), Rack::MOST_LEGS));
        }
        $legs = [];
        foreach ($value as $index => $item) {
            $legs[] = ShotSpecFile::read($item, "legs.$index");
        }

        return $legs;
    }
}
