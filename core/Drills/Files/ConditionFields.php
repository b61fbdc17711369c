<?php

declare(strict_types=1);

namespace ZigLane\Core\Drills\Files;

use ZigLane\Core\Drills\Condition\Apart;
use ZigLane\Core\Drills\Condition\Condition;
use ZigLane\Core\Drills\Condition\Hidden;
use ZigLane\Core\Drills\Condition\Made;
use ZigLane\Core\Drills\Condition\Moves;
use ZigLane\Core\Drills\Condition\NothingDrops;
use ZigLane\Core\Drills\Condition\StopsIn;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Rack\Files\Fields;

/**
 * Conditions as a drill's file has them: a word, or an object whose first key says which it is.
 */
final class ConditionFields
{
    private function __construct() {}

    /** @throws InvalidInput */
    public static function read(mixed $data, string $path): Condition
    {
        if ('made' === $data) {
            return new Made();
        }
        if ('nothing-drops' === $data) {
            return new NothingDrops();
        }
        if (!$data instanceof \stdClass) {
            throw new InvalidInput($path, 'must be "made", "nothing-drops" or an object');
        }
        $need = new Fields($data, $path);

        return match (true) {
            $need->has('stops') => new StopsIn(
                self::ball($need->raw('stops'), "$path.stops"),
                AreaFields::read($need->raw('in'), "$path.in"),
            ),
            $need->has('hidden') => new Hidden(self::ball($need->raw('hidden'), "$path.hidden"), $need->number('share', 0.0, 0.0, 1.0)),
            $need->has('moves') => new Moves($need->whole('moves', 1, 1, BallId::LAST)),
            $need->has('apart') => self::apart($need, $path),
            default => throw new InvalidInput($path, 'needs one of stops, hidden, apart and moves'),
        };
    }

    /** @return string|array<string, mixed> */
    public static function write(Condition $condition): string|array
    {
        return match (true) {
            $condition instanceof Made => 'made',
            $condition instanceof NothingDrops => 'nothing-drops',
            $condition instanceof StopsIn => ['stops' => BallId::name($condition->ball), 'in' => AreaFields::write($condition->area)],
            $condition instanceof Hidden => ['hidden' => BallId::name($condition->ball), 'share' => $condition->share],
            $condition instanceof Moves => ['moves' => $condition->many],
            $condition instanceof Apart => [
                'apart' => [BallId::name($condition->one), BallId::name($condition->other)],
                'far' => $condition->far,
            ],
            default => throw new \LogicException($condition::class . ' has no form in a file.'),
        };
    }

    /** @throws InvalidInput */
    private static function apart(Fields $need, string $path): Apart
    {
        $balls = $need->raw('apart');
        if (!\is_array($balls) || !array_is_list($balls) || 2 !== \count($balls)) {
            throw new InvalidInput("$path.apart", 'must be two balls');
        }

        return new Apart(
            self::ball($balls[0], "$path.apart[0]"),
            self::ball($balls[1], "$path.apart[1]"),
            $need->number('far', 1.0, 0.2, 8.0, 'diamonds'),
        );
    }

    /** @throws InvalidInput */
    private static function ball(mixed $name, string $path): int
    {
        return (\is_string($name) ? BallId::fromName($name) : null) ?? throw new InvalidInput($path, 'is no ball');
    }
}
