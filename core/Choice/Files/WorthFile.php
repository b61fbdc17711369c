<?php

declare(strict_types=1);

namespace ZigLane\Core\Choice\Files;

use ZigLane\Core\Choice\ChoicePart;
use ZigLane\Core\Choice\ChoiceWorth;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Potting\NoPot;
use ZigLane\Core\Rack\Files\Fields;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Routes\RouteChances;

/**
 * What a choice is worth, as JSON: chances 0–1, places in diamonds.
 */
final class WorthFile
{
    /** Tries at most; a distance on a table, m. */
    private const MOST_TRIES = 1_000_000;
    private const FARTHEST = 10.0;

    private function __construct() {}

    /**
     * @return array<string, mixed> ready for json_encode
     */
    public static function write(ChoiceWorth $worth, Rack $rack): array
    {
        return [
            'plan' => $worth->plan,
            'with' => $worth->with,
            'shot' => null === $worth->shot ? null : get_object_vars($worth->shot),
            'there' => null === $worth->there ? null : get_object_vars($worth->there),
            'stop' => null === $worth->stop ? null : $rack->table->size->diamondsOf($worth->stop),
            'nearest' => $worth->nearest,
            'onward' => $worth->onward,
            'better' => $worth->better,
            'offset' => $worth->offset,
            'why' => $worth->why?->value,
        ];
    }

    /**
     * @param mixed $data decoded, objects as \stdClass
     *
     * @throws InvalidInput that names the path of the fault
     */
    public static function read(mixed $data, Rack $rack): ChoiceWorth
    {
        $fields = new Fields($data, 'worth');
        $share = static fn(Fields $of, string $key): float => $of->number($key, null, 0.0, 1.0);
        $parts = $fields->object('with');
        $with = [];
        foreach (ChoicePart::cases() as $part) {
            if (null !== $parts->raw($part->value)) {
                $with[$part->value] = $share($parts, $part->value);
            }
        }
        $stop = $fields->raw('stop');
        if (null !== $stop && (!\is_array($stop) || !isset($stop[0], $stop[1]))) {
            throw new InvalidInput('worth.stop', 'must be two numbers');
        }

        return new ChoiceWorth(
            $share($fields, 'plan'),
            $with,
            null === $fields->raw('shot') ? null : self::shot($fields->object('shot')),
            null === $stop ? null : $rack->table->size->pointAt(
                Fields::finite($stop[0], 'worth.stop[0]', 0.0, 8.0),
                Fields::finite($stop[1], 'worth.stop[1]', 0.0, 4.0),
            ),
            null === $fields->raw('nearest') ? null : $fields->number('nearest', null, 0.0, self::FARTHEST, 'm'),
            $share($fields, 'onward'),
            null === $fields->raw('better') ? null : $share($fields, 'better'),
            null === $fields->raw('there') ? null : self::shot($fields->object('there')),
            $fields->number('offset', 0.0, -1.0, 1.0),
            null === $fields->raw('why') ? null : $fields->choice('why', NoPot::class),
        );
    }

    /** @throws InvalidInput */
    private static function shot(Fields $shot): RouteChances
    {
        $share = static fn(string $key): float => $shot->number($key, null, 0.0, 1.0);

        return new RouteChances(
            $share('pot'),
            $share('position'),
            $share('value'),
            $share('scratch'),
            $share('touches'),
            $share('hooked'),
            $share('astray'),
            $shot->whole('tries', 0, 0, self::MOST_TRIES),
        );
    }
}
