<?php

declare(strict_types=1);

namespace ZigLane\Core\Logbook;

/**
 * A time at the table that attempts belong to.
 */
final readonly class Session
{
    /** Longest notes, characters; longest name. */
    public const NOTES = 4000;
    public const NAME = 80;

    /**
     * @param string             $key      tells it from every other: 8 to 64 letters, digits and hyphens
     * @param \DateTimeImmutable $at       when it began, to the second
     * @param string             $player   who played
     * @param string             $place    where, or on which table
     * @param string             $opponent of a match
     * @param bool               $madeUp   shot by a simulated player
     */
    public function __construct(
        public string $key,
        public \DateTimeImmutable $at,
        public SessionKind $kind = SessionKind::Practice,
        public string $player = '',
        public string $place = '',
        public string $opponent = '',
        public string $notes = '',
        public bool $madeUp = false,
    ) {}
}
