<?php

declare(strict_types=1);

namespace ZigLane\Core\Routes;

use ZigLane\Core\Physics\AimedStroke;

/**
 * A stroke that pots the ball and may leave the cue ball well.
 *
 * @internal
 */
final readonly class Candidate
{
    /** Closer than these to a better one it is no other way: logarithm of the speeds, tip (radii), part of what drops. */
    private const SAME_SPEED = 0.09;
    private const SAME_TIP = 0.13;
    private const SAME_PART = 0.3;

    /**
     * @param float  $offset part of what drops that the ball is sent to, −1 … 1
     * @param float  $value  as far as it has been judged, 0–1
     * @param string $idea   what candidates have in common that do the same: cushions, height and side of the tip, part of the pocket
     */
    public function __construct(
        public AimedStroke $aimed,
        public float $offset,
        public float $value = 0.0,
        public string $idea = '',
    ) {}

    /** The same with its value judged anew. */
    public function valued(float $value): self
    {
        return new self($this->aimed, $this->offset, $value, $this->idea);
    }

    /** Tells strokes apart. */
    public function key(): string
    {
        $stroke = $this->aimed->stroke;

        return implode(' ', [$stroke->speed, $stroke->side, $stroke->height, $this->offset, $this->aimed->aim, $stroke->elevation]);
    }

    /**
     * @param list<self> $candidates
     *
     * @return list<self> the best first
     */
    public static function ranked(array $candidates): array
    {
        usort($candidates, static fn(self $p, self $q): int => $q->value <=> $p->value);

        return $candidates;
    }

    /**
     * Without those that lie beside a better one.
     *
     * @param list<self> $ranked the best first
     *
     * @return list<self>
     */
    public static function apart(array $ranked): array
    {
        $kept = [];
        foreach ($ranked as $one) {
            foreach ($kept as $other) {
                if ($one->liesBeside($other)) {
                    continue 2;
                }
            }
            $kept[] = $one;
        }

        return $kept;
    }

    private function liesBeside(self $other): bool
    {
        $one = $this->aimed->stroke;
        $two = $other->aimed->stroke;

        return abs(log($one->speed / $two->speed)) < self::SAME_SPEED
            && hypot($one->side - $two->side, $one->height - $two->height) < self::SAME_TIP
            && abs($this->offset - $other->offset) < self::SAME_PART;
    }
}
