<?php

declare(strict_types=1);

namespace ZigLane\Core\Logbook;

use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\ShotSpec;

/**
 * One shot that was played: the table before, what was meant, what came of it.
 */
final readonly class Attempt
{
    /**
     * @param \DateTimeImmutable   $at      when, to the second
     * @param Rack                 $rack    before the shot, without legs
     * @param ShotSpec             $meant   what was meant: best said by ball and pocket, so that the aim that is solved for is the one
     *                                      that was meant
     * @param array<string, mixed> $unknown keys of the file that this version does not know, kept
     */
    public function __construct(
        public \DateTimeImmutable $at,
        public Rack $rack,
        public ShotSpec $meant,
        public AttemptResult $result,
        public array $unknown = [],
    ) {}
}
