<?php

declare(strict_types=1);

namespace ZigLane\Tools;

use ZigLane\Core\Aiming\AimRefused;
use ZigLane\Core\Files\ConstraintsFile;
use ZigLane\Core\Files\PlanFile;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Rack\Files\JsonText;
use ZigLane\Core\Rack\Files\RackFile;
use ZigLane\Core\Rack\Files\ShotFile;
use ZigLane\Core\Rack\Rack;

/**
 * Files that are nearly right, given to the readers of racks, shots, plan constraints and stored plans.
 *
 * A reader may take a file or refuse it with InvalidInput (AimRefused for a shot that cannot be aimed). What it takes it must be able
 * to write and to read again. Anything else is a fault. The same seed makes the same files.
 */
final class MalformedFiles
{
    public const READERS = ['rack', 'shot', 'constraints', 'plan'];

    private const SLOW = 2.0; // s

    private const RACK = '{"format":"zig-lane/rack","version":1,"name":"Malformed","game":"nine-ball",'
        . '"table":{"size":"9ft","cornerMouthMm":114.3,"sideMouthMm":127.0,"cloth":{"slide":0.2,"roll":0.01,"spinDecay":10.0},"cushion":{"restitution":0.92,"friction":0.25}},'
        . '"cue":{"massKg":0.567,"tipRestitution":0.75,"endMassRatio":30},'
        . '"balls":{"cue":[2.0,2.0],"1":[5.5,1.25],"2":[6.5,2.5],"9":[6.0,3.1]},"ballInHand":false,"group":null,'
        . '"player":{"level":"league","errors":{"aimDeg":0.2,"speedPercent":8}},'
        . '"legs":[{"ball":"1","pocket":"foot-left","pocketOffset":0.25,"speed":{"lengths":2.0},"tip":{"side":-0.25,"height":0.3},"elevationDeg":4},{"aimDeg":12.5,"speed":{"mps":2.1}},{"ball":"9","pocket":"side-left","speed":{"mps":3},"kind":"bank","rails":["right"]},{"ball":"9","pocket":"head-left","speed":{"mps":2},"kind":"combination","first":"1"}]}';

    private const SHOT = '{"ball":"1","pocket":"foot-left","pocketOffset":0.0,"speed":{"lengths":2.0},"tip":{"side":0.1,"height":-0.2},"elevationDeg":2}';

    private const CONSTRAINTS = '{"pockets":{"1":"foot-left","2":"side-right"},"order":["1","2"],"zones":{"2":[[3.6,1.2],[5.6,1.2],[5.6,2.6],[3.6,2.6]]},"keep":1}';

    private const PLAN = '{"runOut":0.41,"cue":[2.0,2.0],"group":null,"shots":[{"ball":"1","pocket":"foot-left","shot":' . self::SHOT
        . ',"pot":0.9,"position":0.8,"runOut":0.41,"zone":[[3.6,1.2],[5.6,1.2],[5.6,2.6]],"heart":[[4,1.5],[5,1.5],[5,2]],"rest":[4.5,1.7],"route":"stop","why":["short"]}],'
        . '"says":["One shot."],"stoppedBecause":null,"break":{"ball":"1","pocket":"foot-left","shot":' . self::SHOT
        . ',"pot":0.8,"spread":6.4,"scratch":0.02,"next":0.9,"balls":{"cue":[2.0,2.0],"1":[5.5,1.25]}}}';

    /** Values that have broken programs before. */
    private const VALUES = [
        null, true, false, 0, -1, 1, 9, 16, 7.5, 1e308, -1e308, 3000.5, 1e-320, 0.1 + 0.2, \PHP_INT_MAX, \PHP_INT_MIN, '', ' ', '0', '1', '1e400', '-1e400', 'NaN', 'INF', '0x1F', '007', "a\u{0}b", "line\nbreak",
        "\u{202E}dlrow", "\u{1F3B1}", '٣', 'null', 'cue', 'foot-left', 'eight-ball', 'straight-pool', 'solids', '<script>', [], [1], [1, 2], [1, 2, 3], [[1, 2]], ['x', 'y'], [null, null], [1e308, 1e308], ['1', '2'],
    ];

    /** Pieces of text put into a file. */
    private const PIECES = [
        '', '{', '}', '[', ']', ',', ',,', ':', '"', '\\', '\\ud800', '\\u0000', "\0", "\xff\xfe", "\xc3", "\u{FEFF}", '1e400', '-1e400', '-0', '01', '.5', '5.', '+1', 'NaN', 'Infinity', 'null', 'true', '/* */', '//', "'", '{"a":1,"a":2}', ' ', "\n", '[[[[', '"1":', '"cue":[2,2],',
    ];

    private Generator $random;

    public function __construct(int $seed)
    {
        $this->random = new Generator($seed);
    }

    /**
     * @param int $files for each reader
     *
     * @return array{taken: array<string, int>, refused: array<string, int>, slowest: float, faults: list<string>} slowest in s
     */
    public function run(int $files): array
    {
        $taken = $refused = array_fill_keys(self::READERS, 0);
        $slowest = 0.0;
        $faults = [];
        $rack = RackFile::read(json_decode(self::RACK));
        set_error_handler(static fn(int $level, string $words): never => throw new \ErrorException($words, 0, $level));
        try {
            foreach (self::READERS as $reader) {
                for ($n = 0; $n < $files; ++$n) {
                    $text = $this->file($reader);
                    $began = microtime(true);
                    try {
                        $this->read($reader, $text, $rack);
                        ++$taken[$reader];
                    } catch (InvalidInput|AimRefused $e) {
                        ++$refused[$reader];
                        if ('' === trim($e->getMessage())) {
                            $faults[] = "$reader: refused without a word: $text";
                        }
                    } catch (\Throwable $e) {
                        $faults[] = \sprintf('%s: %s: %s (%s line %d): %s', $reader, $e::class, $e->getMessage(), basename($e->getFile()), $e->getLine(), $text);
                    }
                    $took = microtime(true) - $began;
                    $slowest = max($slowest, $took);
                    if ($took > self::SLOW) {
                        $faults[] = \sprintf('%s: took %.1f s: %s', $reader, $took, $text);
                    }
                }
            }
        } finally {
            restore_error_handler();
        }

        return ['taken' => $taken, 'refused' => $refused, 'slowest' => $slowest, 'faults' => $faults];
    }

    private function file(string $reader): string
    {
        $good = match ($reader) {
            'rack' => self::RACK,
            'shot' => '{"rack":' . self::RACK . ',"shot":' . self::SHOT . '}',
            'constraints' => self::CONSTRAINTS,
            default => self::PLAN,
        };
        $document = json_decode($good);
        for ($times = $this->random->integer(0, 3); $times > 0; --$times) {
            $document = $this->bent($document);
        }
        $text = json_encode($document, \JSON_PRESERVE_ZERO_FRACTION | \JSON_INVALID_UTF8_SUBSTITUTE | \JSON_THROW_ON_ERROR);
        // Half of them are broken as text too.
        for ($times = 0 === $this->random->integer(0, 1) ? $this->random->integer(1, 3) : 0; $times > 0; --$times) {
            $at = $this->random->integer(0, \strlen($text));
            $text = substr($text, 0, $at) . $this->one(self::PIECES) . substr($text, $at + $this->random->integer(0, 6));
        }

        return 0 === $this->random->integer(0, 19) ? substr($text, 0, $this->random->integer(0, \strlen($text))) : $text;
    }

    /** The document with one of its nodes changed, taken out, repeated or put elsewhere. */
    private function bent(mixed $node, int $depth = 0): mixed
    {
        $keyed = $node instanceof \stdClass;
        $inner = $keyed ? get_object_vars($node) : $node;
        if (!\is_array($inner) || [] === $inner || (0 < $depth && 0 === $this->random->integer(0, 4))) {
            return \is_float($node) || \is_int($node)
                ? $this->one([$node * -1, $node * 1e-3, $node + 1e-9, (string) $node, ...self::VALUES])
                : $this->one(self::VALUES);
        }
        $keys = array_keys($inner);
        $key = $this->one($keys);
        switch ($this->random->integer(0, 9)) {
            case 0:
                unset($inner[$key]);
                break;
            case 1:
                $inner[$this->one(['foo', '0', '', '16', 'cue', 'aimDeg', 'mps', 'lengths', "\u{1F3B1}"])] = $this->one(self::VALUES);
                break;
            case 2:
                $inner[$key] = $inner[$this->one($keys)];
                break;
            default:
                $inner[$key] = $this->bent($inner[$key], $depth + 1);
        }

        return $keyed ? (object) $inner : $inner;
    }

    /**
     * @template T
     *
     * @param non-empty-list<T> $of
     *
     * @return T
     */
    private function one(array $of): mixed
    {
        return $of[$this->random->integer(0, \count($of) - 1)];
    }

    private function read(string $reader, string $text, Rack $rack): void
    {
        $data = JsonText::decode($text, ShotFile::LARGEST);
        switch ($reader) {
            case 'rack':
                $read = RackFile::read($data);
                $this->same($read->layout->balls, RackFile::read(JsonText::decode(RackFile::text($read)))->layout->balls);
                break;
            case 'shot':
                json_encode(ShotFile::answer($data), \JSON_THROW_ON_ERROR);
                break;
            case 'constraints':
                $constraints = ConstraintsFile::read(json_decode($text, true, 64), $rack);
                ConstraintsFile::read(json_decode(json_encode(ConstraintsFile::write($constraints, $rack), \JSON_THROW_ON_ERROR), true), $rack);
                break;
            default:
                if (!$data instanceof \stdClass) {
                    throw new InvalidInput('', 'a plan is an object');
                }
                $plan = PlanFile::read($data, $rack);
                $again = json_decode(json_encode(PlanFile::describe($plan), \JSON_THROW_ON_ERROR));
                PlanFile::read($again instanceof \stdClass ? $again : throw new \LogicException('a plan was not written as an object'), $rack);
        }
    }

    /**
     * @param array<int, \ZigLane\Core\Geometry\Point> $a
     * @param array<int, \ZigLane\Core\Geometry\Point> $b
     */
    private function same(array $a, array $b): void
    {
        if (array_keys($a) !== array_keys($b)) {
            throw new \LogicException('not the same balls are read again');
        }
        foreach ($a as $ball => $place) {
            if ($place->distanceTo($b[$ball]) > 1e-8) {
                throw new \LogicException("ball $ball is read again at another place");
            }
        }
    }
}
