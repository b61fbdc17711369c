<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Games\Game;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Potting\PotChance;
use ZigLane\Core\Rack\Racking;

/**
 * Candidates for key ball and break ball.
 *
 * A key ball is one from which a stop shot, or one with a hand's breadth of movement, leaves the last ball: the chance on
 * the last ball is averaged over where the cue ball would stop. A break ball lies beside the rack so that the cue ball,
 * potting it with a fair cut, runs into the rack.
 */
final readonly class KeyBalls
{
    /** The cue ball's stop is taken anywhere this far around the contact, m. */
    private const AROUND = 0.15;

    /** Cuts that a break shot is played with, degrees. */
    public const BREAK_CUTS = [15, 25, 35, 45];

    private const WIDEST_BREAK = 55;

    /** How far into the rack's neighbourhood a break ball lies, m from the cue ball's contact to the rack. */
    private const BREAK_REACH = 0.6;

    public function __construct(private Simulator $simulator, private Layout $layout, private Openings $openings, private Player $player) {}

    /**
     * @return list<KeyBall> the best first
     */
    public function of(Game $game): array
    {
        if ($game->endsWithBreakShot()) {
            return $this->straightPool();
        }
        $last = $game->lastBall($this->layout);
        if (null === $last) {
            return [];
        }
        $own = array_values(array_filter($game->ownBalls($this->layout), static fn(int $b): bool => $b !== $last));
        if ([] === $own) {
            return [];
        }

        return $this->keysFor($last, $game->hasFixedOrder() ? [max($own)] : $own);
    }

    /**
     * @param list<int> $candidates
     *
     * @return list<KeyBall>
     */
    private function keysFor(int $last, array $candidates): array
    {
        // The others are gone by then.
        $then = new Layout([$last => $this->layout->ball($last)]);
        $alone = Openings::of($this->simulator, $then);
        $pots = array_map(
            fn(Opening $o): PotChance => new PotChance($this->simulator, $then, new Pot($last, $o->pocket), $this->player),
            \array_slice($alone->going($last), 0, 3),
        );
        $kind = 1 === \count($candidates) ? KeyBallKind::KeyToLast : KeyBallKind::PerhapsKeyToLast;
        $keys = [];
        foreach ($candidates as $ball) {
            $best = null;
            foreach (\array_slice($this->openings->going($ball), 0, 3) as $opening) {
                $value = $this->afterStop($this->contact($ball, $opening), $pots);
                if (null === $best || $value > $best->value) {
                    $best = new KeyBall($kind, $ball, $opening->pocket, $last, $value);
                }
            }
            if (null !== $best) {
                $keys[] = $best;
            }
        }
        usort($keys, static fn(KeyBall $a, KeyBall $b): int => $b->value <=> $a->value);

        return \array_slice($keys, 0, 3);
    }

    /**
     * @return list<KeyBall>
     */
    private function straightPool(): array
    {
        $breaks = [];
        foreach ($this->openings->balls() as $ball) {
            $best = null;
            foreach ($this->openings->going($ball) as $opening) {
                [$value, $side] = $this->breakBallValue($ball, $opening);
                if ($value > 0.15 && (null === $best || $value > $best->value)) {
                    $best = new KeyBall(KeyBallKind::BreakBall, $ball, $opening->pocket, $ball, $value, side: $side);
                }
            }
            if (null !== $best) {
                $breaks[] = $best;
            }
        }
        usort($breaks, static fn(KeyBall $a, KeyBall $b): int => $b->value <=> $a->value);
        $breaks = \array_slice($breaks, 0, 3);
        if ([] === $breaks) {
            return [];
        }
        // The key ball's stop lies where the break ball is shot from.
        $break = $breaks[0];
        $keys = [];
        $then = new Layout([$break->ball => $this->layout->ball($break->ball)]);
        $pot = new PotChance($this->simulator, $then, new Pot($break->ball, $break->pocket), $this->player);
        foreach ($this->openings->balls() as $ball) {
            foreach ($ball === $break->ball ? [] : \array_slice($this->openings->going($ball), 0, 2) as $opening) {
                $stop = $this->contact($ball, $opening);
                $read = $pot->fromPlace($stop->x, $stop->y);
                $cut = abs(rad2deg($read->cut));
                if (
                    $read->chance > 0.4
                    && $cut > self::BREAK_CUTS[0] - 5
                    && $cut < self::WIDEST_BREAK
                    && $this->onBreakSide($break, $read->cut)
                ) {
                    $keys[] = new KeyBall(KeyBallKind::KeyToBreakBall, $ball, $opening->pocket, $break->ball, $read->chance, $cut);
                }
            }
        }
        usort($keys, static fn(KeyBall $a, KeyBall $b): int => $b->value <=> $a->value);

        return [...$breaks, ...\array_slice($keys, 0, 2)];
    }

    private function onBreakSide(KeyBall $break, float $cut): bool
    {
        return $break->side === ($cut > 0 ? 'left' : 'right');
    }

    /**
     * Share of break cuts, in tangent and rolling directions, that meet the rack; the better side.
     *
     * @return array{float, string}
     */
    private function breakBallValue(int $ball, Opening $opening): array
    {
        $at = $this->layout->ball($ball);
        if (Racking::inside($this->simulator, $at)) {
            return [0.0, 'left'];
        }
        $way = $at->angleTo($this->simulator->geometry->pocket($opening->pocket)->entrance($at));
        $ghost = $at->toward($way, -2 * $this->simulator->ball->radius);
        $best = [0.0, 'left'];
        foreach (['left' => 1.0, 'right' => -1.0] as $side => $sign) {
            $hits = $tries = 0;
            foreach (self::BREAK_CUTS as $cut) {
                // Cut to the right from the left: stun leaves along the tangent, to the left of the ball's way; rolling, less.
                foreach ([M_PI / 2, M_PI / 2 - deg2rad($cut) * 0.55] as $leave) {
                    ++$tries;
                    $hits += Racking::meets($this->simulator, $ghost, $way - $sign * $leave, self::BREAK_REACH) ? 1 : 0;
                }
            }
            $value = $hits / $tries * min(1.0, $opening->free / 0.05);
            if ($value > $best[0]) {
                $best = [$value, $side];
            }
        }

        return $best;
    }

    /** The cue ball's place at the contact. */
    private function contact(int $ball, Opening $opening): Point
    {
        $at = $this->layout->ball($ball);
        $way = $at->angleTo($this->simulator->geometry->pocket($opening->pocket)->entrance($at));

        return $at->toward($way, -2 * $this->simulator->ball->radius);
    }

    /**
     * @param list<PotChance> $pots
     */
    private function afterStop(Point $stop, array $pots): float
    {
        $sum = 0.0;
        foreach ([[0.0, 0.0], [1.0, 0.0], [-1.0, 0.0], [0.0, 1.0], [0.0, -1.0]] as [$x, $y]) {
            $best = 0.0;
            foreach ($pots as $pot) {
                $best = max($best, $pot->fromPlace($stop->x + self::AROUND * $x, $stop->y + self::AROUND * $y)->chance);
            }
            $sum += $best;
        }

        return $sum / 5;
    }
}
