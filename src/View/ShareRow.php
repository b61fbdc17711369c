<?php

declare(strict_types=1);

namespace ZigLane\App\View;

use ZigLane\App\Logbook\Counted;
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

    public function __construct(public string $label, Counted $counted)
    {
        $this->made = new CountedShare($counted->made, $counted->tries);
        $this->placed = new CountedShare($counted->placed, $counted->zoned);
        // A mean over some of them says nothing about all.
        $this->pot = $counted->pot();
        $this->position = $counted->position();
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
