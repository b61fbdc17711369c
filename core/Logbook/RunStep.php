<?php

declare(strict_types=1);

namespace ZigLane\Core\Logbook;

/**
 * One shot of a rack that was played, and what it did to the chance to run out.
 */
final readonly class RunStep
{
    /**
     * @param float|null $before chance to run out before it, as planned from there, 0–1; null where it was not planned
     * @param float|null $after  the same before the next shot; 0 when the turn is over, 1 when the rack is
     */
    private function __construct(
        public Attempt $attempt,
        public AttemptFacts $facts,
        public ?float $before,
        public ?float $after,
        public RunTurn $turn,
    ) {}

    /**
     * A rack shot after shot.
     *
     * @param list<Attempt> $attempts in order
     *
     * @return list<self>
     */
    public static function of(array $attempts): array
    {
        $steps = [];
        foreach ($attempts as $n => $attempt) {
            $facts = AttemptFacts::of($attempt);
            $next = $attempts[$n + 1] ?? null;
            $turn = self::turn($attempt, $facts);
            $after = match (true) {
                $attempt->rack->rules()->isOver($attempt->result->after($attempt->rack->layout)) && $attempt->result->made => 1.0,
                RunTurn::Missed === $turn, RunTurn::Scratched === $turn => 0.0,
                default => $next?->forecast?->runOut,
            };
            $steps[] = new self($attempt, $facts, $attempt->forecast?->runOut, $after, $turn);
        }

        return $steps;
    }

    /** What it added to the chance to run out, −1 … 1; null where that is not known. */
    public function change(): ?float
    {
        return null === $this->before || null === $this->after ? null : $this->after - $this->before;
    }

    private static function turn(Attempt $attempt, AttemptFacts $facts): RunTurn
    {
        $others = array_diff(array_keys($attempt->result->moved), [$attempt->meant->ball]);

        return match (true) {
            $facts->scratched => RunTurn::Scratched,
            !$attempt->result->made => RunTurn::Missed,
            [] !== $others => RunTurn::BallMoved,
            false === $facts->inPosition => RunTurn::OutOfPosition,
            default => RunTurn::AsPlanned,
        };
    }
}
