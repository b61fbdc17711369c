<?php

declare(strict_types=1);

namespace ZigLane\App\Plan;

use ZigLane\App\Entity\PlanRecord;
use ZigLane\Core\Files\ConstraintsFile;
use ZigLane\Core\Files\PlanFile;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Planning\Plan;
use ZigLane\Core\Planning\PlanConstraints;
use ZigLane\Core\Rack\Files\JsonText;
use ZigLane\Core\Rack\Files\RackFile;
use ZigLane\Core\Rack\Rack;

/**
 * A plan as it is stored, read.
 */
final readonly class StoredPlan
{
    /** Levels of JSON: pins, and plans. */
    private const PINS = 16;
    private const DEPTH = 64;

    /**
     * @param Rack           $rack     that it was asked for
     * @param Plan|null      $plan     null where nothing is stored yet
     * @param \stdClass|null $document of the plan, as it is stored
     */
    private function __construct(public Rack $rack, public PlanConstraints $pins, public ?Plan $plan, public ?\stdClass $document) {}

    /** @throws InvalidInput when it cannot be read */
    public static function of(PlanRecord $record): self
    {
        try {
            $rack = RackFile::read(JsonText::decode($record->document(), \PHP_INT_MAX));
            $pins = ConstraintsFile::read(json_decode($record->pins(), true, self::PINS, \JSON_THROW_ON_ERROR), $rack);
            $document = null === $record->result() ? null : json_decode($record->result(), false, self::DEPTH, \JSON_THROW_ON_ERROR);
        } catch (\JsonException $e) {
            throw new InvalidInput('plan', $e->getMessage());
        }
        $document = $document instanceof \stdClass ? $document : null;

        return new self($rack, $pins, null === $document ? null : PlanFile::read($document, $rack), $document);
    }

    public static function isReadable(PlanRecord $record): bool
    {
        try {
            return null !== self::of($record)->plan;
        } catch (InvalidInput) {
            return false;
        }
    }
}
