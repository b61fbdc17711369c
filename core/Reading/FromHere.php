<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Potting\NoPot;
use ZigLane\Core\Potting\PotChance;
use ZigLane\Core\Potting\PotEstimate;
use ZigLane\Core\Rack\Kitchen;
use ZigLane\Core\Rack\Rack;

/**
 * What the cue ball could pot from one place: every ball that may be shot now and, with a fixed order, the one after it.
 */
final readonly class FromHere
{
    /** Cuts beyond this are not asked for, rad. */
    private const WIDEST = 1.4;

    /** Pockets told of for each ball. */
    private const SHOWN = 2;

    /** So many of the likeliest are held to plays. */
    private const CHECKED = 2;

    /**
     * @param int                     $ball
     * @param bool                    $later whether the balls before it are taken as gone
     * @param list<array{Pocket, PotEstimate}> $pots  the likeliest first; empty when there is none
     * @param NoPot|null              $why   when there is none
     * @param PotChance|null          $likeliest what the likeliest was read with
     */
    private function __construct(
        public int $ball,
        public bool $later,
        public array $pots,
        public ?NoPot $why,
        private ?PotChance $likeliest = null,
    ) {}

    /** Chance of the likeliest pot, 0–1; 0 where there is none. */
    public function chance(): float
    {
        return [] === $this->pots ? 0.0 : $this->pots[0][1]->chance;
    }

    /**
     * As shown to a person: the likeliest with chances that have been held to plays.
     *
     * @return list<self> those that may be shot now, the likeliest first, then the one after
     */
    public static function of(Rack $rack, Point $place): array
    {
        $game = $rack->rules();
        $targets = $game->legalTargets($rack->layout);
        $now = self::told($place, self::now($rack, $place));
        if (!$game->hasFixedOrder() || [] === $targets) {
            return $now;
        }

        return [...$now, ...array_map(
            static fn(int $ball): self => self::ball($rack, $ball, $place, true)->checked($place),
            WhenDue::after($game, $rack->layout, $targets[0]),
        )];
    }

    /**
     * @return list<self> those that may be shot now, the likeliest first
     */
    public static function now(Rack $rack, Point $place): array
    {
        $now = array_map(
            static fn(int $ball): self => self::ball($rack, $ball, $place, false),
            Kitchen::targets($rack),
        );
        usort($now, static fn(self $a, self $b): int => $b->chance() <=> $a->chance());

        return $now;
    }

    /**
     * The likeliest with chances that have been held to plays.
     *
     * @param list<self> $now the likeliest first
     *
     * @return list<self> the likeliest first
     */
    private static function told(Point $place, array $now): array
    {
        foreach ($now as $n => $from) {
            $now[$n] = $n < self::CHECKED ? $from->checked($place) : $from;
        }
        usort($now, static fn(self $a, self $b): int => $b->chance() <=> $a->chance());

        return $now;
    }

    /** The same with the chance of its likeliest pot held to plays. */
    private function checked(Point $place): self
    {
        if ([] === $this->pots || null === $this->likeliest) {
            return $this;
        }
        $pots = $this->pots;
        $pots[0][1] = $this->likeliest->checked($place, $pots[0][1]);
        usort($pots, static fn(array $a, array $b): int => $b[1]->chance <=> $a[1]->chance);

        return new self($this->ball, $this->later, $pots, $this->why);
    }

    private static function ball(Rack $rack, int $ball, Point $place, bool $later): self
    {
        $simulator = $rack->simulator();
        $layout = $later ? WhenDue::layout($rack->rules(), $rack->layout, $ball) : $rack->layout;
        $pots = [];
        $why = null;
        foreach (Pocket::cases() as $pocket) {
            $pot = new PotChance($simulator, $layout, new Pot($ball, $pocket), $rack->player);
            if (!$pot->free($place->x, $place->y)) {
                return new self($ball, $later, [], NoPot::NoRoom);
            }
            if (abs($pot->cutFrom($place->x, $place->y)) > self::WIDEST) {
                continue;
            }
            $read = $pot->fromPlace($place->x, $place->y);
            if (null !== $read->why) {
                $why = $read->why;
            } elseif ($read->chance >= 0.005) {
                $pots[] = [$pocket, $read, $pot];
            }
        }
        usort($pots, static fn(array $a, array $b): int => $b[1]->chance <=> $a[1]->chance);

        return new self(
            $ball,
            $later,
            array_map(static fn(array $p): array => [$p[0], $p[1]], \array_slice($pots, 0, self::SHOWN)),
            [] === $pots ? $why ?? NoPot::TooThinForAll : null,
            $pots[0][2] ?? null,
        );
    }
}
