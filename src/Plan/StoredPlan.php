<?php

declare(strict_types=1);

namespace ZigLane\App\Plan;

use ZigLane\App\Entity\PlanRecord;
use ZigLane\App\Entity\SharedPlan;
use ZigLane\Core\Files\AdviceFile;
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
 *
 * @phpstan-import-type Shown from AdviceFile
 */
final readonly class StoredPlan
{
    /** Levels of JSON: pins, and plans. */
    private const PINS = 16;
    private const DEPTH = 64;

    /** Null where nothing is stored yet. */
    public ?Plan $plan;

    /**
     * Whether to go or to play safe; null where that was not asked.
     *
     * @var Shown|null
     */
    public ?array $advice;

    /**
     * What to play where the plan breaks off.
     *
     * @var Shown|null
     */
    public ?array $ending;

    /**
     * @param Rack        $rack   that it was asked for
     * @param string|null $result what is stored of the plan
     *
     * @throws InvalidInput when it cannot be read
     */
    public function __construct(public Rack $rack, public PlanConstraints $pins, ?string $result)
    {
        $document = null === $result ? null : self::decode($result, self::DEPTH);
        if (null !== $document && !$document instanceof \stdClass) {
            throw new InvalidInput('plan', 'is no object');
        }
        $this->plan = null === $document ? null : PlanFile::read($document, $rack);
        $said = static fn(mixed $part): ?array => $part instanceof \stdClass ? AdviceFile::read($part) : null;
        $this->advice = $said($document->advice ?? null);
        $this->ending = $said($document->ending ?? null);
    }

    /** @throws InvalidInput when it cannot be read */
    public static function of(PlanRecord $record): self
    {
        $rack = self::rack($record);

        return new self($rack, ConstraintsFile::read(self::decode($record->pins(), self::PINS, true), $rack), $record->result());
    }

    /** @throws InvalidInput when it cannot be read */
    public static function shared(SharedPlan $shared): self
    {
        return new self(self::rack($shared), new PlanConstraints(), $shared->result());
    }

    public static function isReadable(PlanRecord $record): bool
    {
        try {
            return null !== self::of($record)->plan;
        } catch (InvalidInput) {
            return false;
        }
    }

    /** @throws InvalidInput */
    private static function rack(PlanRecord|SharedPlan $record): Rack
    {
        return RackFile::read(JsonText::decode($record->document(), \PHP_INT_MAX));
    }

    /** @throws InvalidInput */
    private static function decode(string $text, int $depth, bool $arrays = false): mixed
    {
        try {
            return json_decode($text, $arrays, max(1, $depth), \JSON_THROW_ON_ERROR);
        } catch (\JsonException $e) {
            throw new InvalidInput('plan', $e->getMessage());
        }
    }
}
