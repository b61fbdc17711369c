<?php

declare(strict_types=1);

namespace ZigLane\Core\Photo;

use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Equipment\TableGeometry;
use ZigLane\Core\Geometry\Point;

/**
 * One of the twelve places where a cushion's nose ends at a pocket: what can be pointed at exactly in a picture of a table.
 */
final readonly class NoseTip
{
    /**
     * @param bool $second at a corner pocket the tip on the short rail, at a side pocket the one nearer the foot
     */
    private function __construct(public Pocket $pocket, public bool $second) {}

    /**
     * In the order in which they are asked for: one at each corner going round, the other at each corner, the side pockets.
     *
     * @return non-empty-list<self>
     */
    public static function all(): array
    {
        $round = [Pocket::HeadLeft, Pocket::FootLeft, Pocket::FootRight, Pocket::HeadRight];
        $tips = [];
        foreach ([false, true] as $second) {
            foreach ($round as $pocket) {
                $tips[] = new self($pocket, $second);
            }
        }
        foreach ([Pocket::SideLeft, Pocket::SideRight] as $pocket) {
            $tips[] = new self($pocket, false);
            $tips[] = new self($pocket, true);
        }

        return $tips;
    }

    /** The tip of that name(), or null when none is called so. */
    public static function named(string $name): ?self
    {
        foreach (self::all() as $tip) {
            if ($tip->name() === $name) {
                return $tip;
            }
        }

        return null;
    }

    /** "head-left-long", "side-right-foot". */
    public function name(): string
    {
        return $this->pocket->value . '-' . match (true) {
            $this->pocket->isSide() => $this->second ? 'foot' : 'head',
            default => $this->second ? 'short' : 'long',
        };
    }

    /** Where it is on a table, m; at the height of the nose. */
    public function place(TableGeometry $geometry): Point
    {
        $shape = $geometry->pocket($this->pocket);

        return $this->second ? $shape->tipB : $shape->tipA;
    }

    /** The tip that a person means who takes the next corner for this one: long and short rails are changed over. */
    public function quarterOn(): self
    {
        return match ($this->pocket) {
            Pocket::HeadLeft => new self(Pocket::FootLeft, !$this->second),
            Pocket::FootLeft => new self(Pocket::FootRight, !$this->second),
            Pocket::FootRight => new self(Pocket::HeadRight, !$this->second),
            Pocket::HeadRight => new self(Pocket::HeadLeft, !$this->second),
            default => $this,
        };
    }
}
