<?php

declare(strict_types=1);

namespace ZigLane\Core\Files;

use ZigLane\Core\Finding;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Line\LegFault;
use ZigLane\Core\ListOf;
use ZigLane\Core\Planning\Finding as Found;
use ZigLane\Core\Routes\Family;
use ZigLane\Core\Routes\RouteSummary;

/**
 * Findings as JSON: "is" names the kind, every other key is a parameter of its constructor.
 */
final class FindingCodec
{
    private const KINDS = [
        'told' => Found\Told::class,
        'kept-shot' => Found\KeptShot::class,
        'wins-by-another' => Found\WinsByAnother::class,
        'not-direct' => Found\NotDirect::class,
        'route' => RouteSummary::class,
        'right-side' => Found\RightSide::class,
        'along-the-line' => Found\AlongTheLine::class,
        'runs-into' => Found\RunsInto::class,
        'bumps-free' => Found\BumpsFree::class,
        'breaks-cluster' => Found\BreaksCluster::class,
        'key-shot' => Found\KeyShot::class,
        'raised-cue' => Found\RaisedCue::class,
        'round-the-table' => Found\RoundTheTable::class,
        'hinge' => Found\Hinge::class,
        'group-taken' => Found\GroupTaken::class,
        'ball-in-the-way' => Found\BallInTheWay::class,
        'cluster-to-open' => Found\ClusterToOpen::class,
        'left-for-the-end' => Found\LeftForTheEnd::class,
        'break-shot-follows' => Found\BreakShotFollows::class,
        'no-break-ball' => Found\NoBreakBall::class,
        'other-shot' => Found\OtherShot::class,
        'better-skill' => Found\BetterSkill::class,
        'cost-of-constraints' => Found\CostOfConstraints::class,
        'spotted-first' => Found\SpottedFirst::class,
        'third-foul' => Found\ThirdFoul::class,
        'kept-leg-breaks' => Found\KeptLegBreaks::class,
        'rack-stands' => Found\RackStands::class,
        'no-cue-ball' => Found\NoCueBall::class,
        'no-shot' => Found\NoShot::class,
        'leg-fault' => LegFault::class,
    ];

    /** Entries of a list, characters of a text, size of a number, objects within objects: more no finding has. */
    private const MOST_ENTRIES = 32;
    private const LONGEST_TEXT = 2000;
    private const LARGEST = 1e6;
    private const DEEPEST = 3;

    private function __construct() {}

    /**
     * @return array<string, mixed> ready for json_encode
     */
    public static function describe(Finding $finding): array
    {
        $kind = array_search($finding::class, self::KINDS, true);
        if (false === $kind) {
            throw new \LogicException('A finding without a name in files: ' . $finding::class);
        }

        return ['is' => $kind] + self::values($finding);
    }

    /**
     * @param mixed $row decoded JSON, objects as \stdClass
     *
     * @throws InvalidInput with the path of the fault
     */
    public static function read(mixed $row, string $path): Finding
    {
        $kind = $row instanceof \stdClass && \is_string($row->is ?? null) ? self::KINDS[$row->is] ?? null : null;
        if (!$row instanceof \stdClass || null === $kind) {
            throw new InvalidInput($path, 'is no finding');
        }
        $finding = self::object($kind, $row, $path, 0);

        return $finding instanceof Finding ? $finding : throw new InvalidInput($path, 'is no finding');
    }

    /**
     * A family of routes, which a shot carries beside its findings.
     *
     * @throws InvalidInput with the path of the fault
     */
    public static function family(mixed $row, string $path): Family
    {
        $family = $row instanceof \stdClass ? self::object(Family::class, $row, $path, 0) : null;

        return $family instanceof Family ? $family : throw new InvalidInput($path, 'is no family of routes');
    }

    /**
     * @return array<string, mixed>
     */
    private static function values(object $object): array
    {
        $values = [];
        foreach (get_object_vars($object) as $name => $value) {
            $values[(string) $name] = self::plain($value);
        }

        return $values;
    }

    private static function plain(mixed $value): mixed
    {
        return match (true) {
            $value instanceof \BackedEnum => $value->value,
            \is_object($value) => self::values($value),
            \is_array($value) => array_map(self::plain(...), $value),
            default => $value,
        };
    }

    /**
     * @param class-string $class
     */
    private static function object(string $class, \stdClass $row, string $path, int $depth): object
    {
        if ($depth > self::DEEPEST) {
            throw new InvalidInput($path, 'goes too deep');
        }
        $values = [];
        foreach ((new \ReflectionClass($class))->getConstructor()?->getParameters() ?? [] as $parameter) {
            $type = $parameter->getType();
            \assert($type instanceof \ReflectionNamedType);
            $name = $parameter->getName();
            $value = $row->{$name} ?? null;
            $list = $parameter->getAttributes(ListOf::class)[0] ?? null;
            $values[] = match (true) {
                null === $value && $type->allowsNull() => null,
                null !== $list => self::list($list->newInstance()->type, $value, "$path.$name", $depth),
                default => self::value($type->getName(), $value, "$path.$name", $depth),
            };
        }

        return new $class(...$values);
    }

    private static function value(string $type, mixed $value, string $path, int $depth): mixed
    {
        if (is_subclass_of($type, \BackedEnum::class)) {
            return (\is_string($value) ? $type::tryFrom($value) : null) ?? throw new InvalidInput($path, 'is none of the words for it');
        }
        if (class_exists($type)) {
            return $value instanceof \stdClass
                ? self::object($type, $value, $path, $depth + 1)
                : throw new InvalidInput($path, 'is no object');
        }
        if ('float' === $type && \is_int($value)) {
            $value = (float) $value;
        }
        $fits = match ($type) {
            'int' => \is_int($value) && abs($value) <= self::LARGEST,
            'float' => \is_float($value) && abs($value) <= self::LARGEST,
            'string' => \is_string($value) && \strlen($value) <= self::LONGEST_TEXT,
            default => \is_bool($value),
        };

        return $fits ? $value : throw new InvalidInput($path, "is no $type");
    }

    /**
     * @return list<mixed>
     */
    private static function list(string $type, mixed $value, string $path, int $depth): array
    {
        if (!\is_array($value) || \count($value) > self::MOST_ENTRIES) {
            throw new InvalidInput($path, 'is no list');
        }
        $list = [];
        foreach (array_values($value) as $n => $entry) {
            $list[] = self::value($type, $entry, "{$path}[$n]", $depth);
        }

        return $list;
    }
}
