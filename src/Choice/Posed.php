<?php

declare(strict_types=1);

namespace ZigLane\App\Choice;

use ZigLane\Core\Choice\Pair;
use ZigLane\Core\Files\PlanFile;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Planning\Plan;
use ZigLane\Core\Planning\PlannedShot;
use ZigLane\Core\Rack\Files\JsonText;
use ZigLane\Core\Rack\Files\RackFile;
use ZigLane\Core\Rack\Rack;

/**
 * A rack to choose at, and the two ways where it is one of two.
 */
final readonly class Posed
{
    private const JSON = \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_PRESERVE_ZERO_FRACTION;

    /** @param bool $plain whether the rack was taken as it came, not picked for a trap */
    public function __construct(public Rack $rack, public ?Pair $pair, public bool $plain = false) {}

    public static function of(?Pair $pair): ?self
    {
        return null === $pair ? null : new self($pair->rack, $pair);
    }

    /** As it is stored. */
    public function write(): string
    {
        $ways = null === $this->pair ? null : array_map(
            fn(PlannedShot $shot): array => PlanFile::describe(new Plan($this->rack, [$shot], $shot->chances->runOut, null)),
            $this->pair->shots,
        );

        return json_encode(['rack' => RackFile::write($this->rack), 'ways' => $ways, 'plain' => $this->plain], self::JSON);
    }

    /** @throws InvalidInput when it cannot be read */
    public static function read(string $document): self
    {
        $data = JsonText::decode($document, \strlen($document) + 1);
        $data = $data instanceof \stdClass ? $data : new \stdClass();
        $rack = RackFile::read($data->rack ?? null);
        if (!isset($data->ways)) {
            return new self($rack, null, true === ($data->plain ?? null));
        }
        $shots = [];
        foreach (\is_array($data->ways) ? $data->ways : [] as $way) {
            $shots[] = PlanFile::read($way instanceof \stdClass ? $way : new \stdClass(), $rack)->shots[0] ?? null;
        }
        if (!isset($shots[0], $shots[1])) {
            throw new InvalidInput('ways', 'must be two shots');
        }

        return new self($rack, new Pair($rack, [$shots[0], $shots[1]]));
    }
}
