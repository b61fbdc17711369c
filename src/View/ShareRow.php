<?php

declare(strict_types=1);

namespace ZigLane\App\View;

use ZigLane\Core\Logbook\CountedShare;
use ZigLane\Core\Wording\LogbookWording;

/**
 * How often attempts of one sort were made, and made with position, beside what was promised.
 */
final readonly class ShareRow
{
    public CountedShare $made;
    public CountedShare $placed;

    /** Mean chances that were promised to the same attempts, 0–1. */
    public ?float $pot;
    public ?float $position;

    /**
     * @param array<string, string|int|float|null> $sums as Logbook reads them
     */
    public function __construct(public string $label, array $sums)
    {
        $number = static fn(string $key): int => (int) ($sums[$key] ?? 0);
        $share = static fn(string $key): ?float => isset($sums[$key]) ? (float) $sums[$key] : null;
        $this->made = new CountedShare($number('made'), $number('tries'));
        $this->placed = new CountedShare($number('placed'), $number('zoned'));
        // A mean over few of them says nothing about all.
        $this->pot = $number('promised') === $number('tries') ? $share('pot') : null;
        $this->position = $share('position');
    }

    public function madeWords(): string
    {
        return LogbookWording::share($this->made);
    }

    public function placedWords(): string
    {
        return LogbookWording::share($this->placed);
    }

    /** How the makes compare with what was promised. */
    public function against(): string
    {
        return LogbookWording::against($this->made, $this->pot);
    }

    public function placedAgainst(): string
    {
        return LogbookWording::against($this->placed, $this->position);
    }
}
