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
     * @param \DateTimeImmutable   $at       when, to the second
     * @param Rack                 $rack     before the shot, without legs
     * @param ShotSpec             $meant    what was meant: best said by ball and pocket, so that the aim that is solved for is the one
     *                                       that was meant
     * @param array<string, mixed> $unknown  keys of the file that this version does not know, kept
     * @param Forecast|null        $forecast what the plan promised
     * @param float|null           $said     the player's own estimate of being made and in position, said before the shot, 0–1
     * @param string|null          $key      tells it from every other attempt: 8 to 64 letters, digits and hyphens
     * @param Session|null         $session  that it belongs to
     * @param string|null          $run      key of the playing of one rack that it belongs to, shot after shot
     */
    public function __construct(
        public \DateTimeImmutable $at,
        public Rack $rack,
        public ShotSpec $meant,
        public AttemptResult $result,
        public array $unknown = [],
        public ?Forecast $forecast = null,
        public ?float $said = null,
        public ?string $key = null,
        public ?Session $session = null,
        public ?string $run = null,
    ) {}

    /** The same under a key, in a session. */
    public function entered(string $key, Session $session): self
    {
        return $this->with($this->result, $this->said, $key, $session);
    }

    /** The same with another result, and another estimate. */
    public function corrected(AttemptResult $result, ?float $said): self
    {
        return $this->with($result, $said, $this->key, $this->session);
    }

    /** The same, belonging to none. */
    public function withoutSession(): self
    {
        return $this->with($this->result, $this->said, $this->key, null);
    }

    private function with(AttemptResult $result, ?float $said, ?string $key, ?Session $session): self
    {
        return new self(
            $this->at,
            $this->rack,
            $this->meant,
            $result,
            $this->unknown,
            $this->forecast,
            $said,
            $key,
            $session,
            $this->run,
        );
    }
}
