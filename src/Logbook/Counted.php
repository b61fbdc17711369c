<?php

declare(strict_types=1);

namespace ZigLane\App\Logbook;

/**
 * What a number of attempts come to.
 */
final readonly class Counted
{
    /**
     * @param int   $zoned       for which a zone was asked for
     * @param int   $placed      made, and in that zone
     * @param float $pots        chances to pot that were promised, summed, and how many
     * @param float $positions   chances of position where a zone was asked for, summed, and how many
     * @param float $saids       what was said beforehand, summed, how many, and how many were done
     */
    public function __construct(
        public int $tries = 0,
        public int $made = 0,
        public int $zoned = 0,
        public int $placed = 0,
        public float $pots = 0.0,
        public int $potted = 0,
        public float $positions = 0.0,
        public int $positioned = 0,
        public float $saids = 0.0,
        public int $said = 0,
    ) {}

    /** @param array<string, string|int|float|null> $row whose columns are called as here */
    public static function of(array $row): self
    {
        return new self(
            (int) ($row['tries'] ?? 0),
            (int) ($row['made'] ?? 0),
            (int) ($row['zoned'] ?? 0),
            (int) ($row['placed'] ?? 0),
            (float) ($row['pots'] ?? 0),
            (int) ($row['potted'] ?? 0),
            (float) ($row['positions'] ?? 0),
            (int) ($row['positioned'] ?? 0),
            (float) ($row['saids'] ?? 0),
            (int) ($row['said'] ?? 0),
        );
    }

    /** Both together. */
    public function plus(self $other): self
    {
        return new self(
            $this->tries + $other->tries,
            $this->made + $other->made,
            $this->zoned + $other->zoned,
            $this->placed + $other->placed,
            $this->pots + $other->pots,
            $this->potted + $other->potted,
            $this->positions + $other->positions,
            $this->positioned + $other->positioned,
            $this->saids + $other->saids,
            $this->said + $other->said,
        );
    }

    /** Mean chance to pot that was promised, where that was said of all; null else. */
    public function pot(): ?float
    {
        return $this->potted === $this->tries && $this->tries > 0 ? $this->pots / $this->tries : null;
    }

    /** Mean chance of position that was promised, where that was said of all that had a zone; null else. */
    public function position(): ?float
    {
        return $this->positioned === $this->zoned && $this->zoned > 0 ? $this->positions / $this->zoned : null;
    }
}
