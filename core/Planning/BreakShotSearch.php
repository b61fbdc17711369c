<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\Stroke;
use ZigLane\Core\Planning\Value\BreakSpread;
use ZigLane\Core\Potting\ErrorSamples;
use ZigLane\Core\Potting\NoPot;
use ZigLane\Core\Potting\PotChance;
use ZigLane\Core\Potting\ShotSampler;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\Racking;
use ZigLane\Core\Reading\Openings;
use ZigLane\Core\Routes\TakeOver;

/**
 * Finds the break shot of straight pool: strokes are played with errors on the whole rack; what counts is the pot, and how many
 * balls it spreads.
 */
final class BreakShotSearch
{
    /** Tips, [side, height] in radii, and cue speeds, m/s, that are tried. */
    private const TIPS = [[0.0, 0.0], [0.0, 0.25], [0.0, -0.25], [0.25, 0.1], [-0.25, 0.1]];
    private const SPEEDS = [2.4, 3.2, 4.0, 4.8];

    /** Fewer balls than this are no spread (our own choice). */
    private const LEAST = 2;

    /** Pockets of the ball that are tried. */
    private const POCKETS = 3;

    private const LOOKED = 5;
    private const TRIES = 32;

    /** Tries after which the table is read for what goes on from there. */
    private const READ = 12;

    /** Pots compared there, and the thinnest hit (cosine of the cut) that counts. */
    private const COMPARED = 4;
    private const THINNEST = 0.35;

    private function __construct() {}

    /**
     * The best from a table with one ball left, or with the rack standing again; null when nothing spreads it, or the ball or the
     * cue ball lies where it stands.
     */
    public static function best(Rack $rack): ?BreakShot
    {
        $simulator = $rack->simulator();
        $ball = self::ball($rack);
        if (null === $ball || Racking::inside($simulator, $rack->layout->ball($ball)) || Racking::inside(
            $simulator,
            $rack->layout->ball(BallId::CUE),
        )) {
            return null;
        }
        $layout = [$ball] === $rack->layout->objectBalls() ? self::racked($rack, $ball) : $rack->layout;
        $stands = $rack->goneOn($layout);
        $best = null;
        $most = 0.0;
        foreach (\array_slice(self::candidates($stands, $ball), 0, self::LOOKED) as $candidate) {
            if ($candidate->spread < self::LEAST) {
                continue;
            }
            $judged = self::evaluated($stands, $candidate);
            $value = $judged->drops * min(1.0, $judged->spread / BreakSpread::GOOD);
            if ($value > $most) {
                $most = $value;
                $best = $judged;
            }
        }
        if (null === $best) {
            return null;
        }
        $stands = $stands->withLegs([TakeOver::spec($stands, $best->pot, Shot::of($best->stroke))]);
        $shot = new BreakShot($stands, $ball, $best->pot->pocket, $best->drops, $best->spread, $best->scratch, 0.0);

        return new BreakShot($stands, $ball, $shot->pocket, $shot->pot, $shot->spread, $shot->scratch, self::onward($shot));
    }

    /**
     * Strokes that pot the ball, those that spread most when nothing goes wrong first.
     *
     * @return list<BreakCandidate>
     */
    private static function candidates(Rack $rack, int $ball): array
    {
        $simulator = $rack->simulator();
        $layout = $rack->layout;
        $found = [];
        foreach (\array_slice(Openings::goingOf($simulator, $layout, $ball), 0, self::POCKETS) as $opening) {
            $pot = new Pot($ball, $opening->pocket);
            $chance = new PotChance($simulator, $layout, $pot, $rack->player);
            $sampler = new ShotSampler($simulator, $layout, $pot);
            foreach (self::TIPS as [$a, $b]) {
                foreach (self::SPEEDS as $speed) {
                    $line = $chance->line($layout->ball(BallId::CUE), new Stroke($speed, $a, $b));
                    $state = $line instanceof NoPot ? null : $sampler->run($line);
                    if (!$line instanceof NoPot && null !== $state && $sampler->pots($state) && !$sampler->scratches($state)) {
                        $found[] = new BreakCandidate($pot, $line, BreakSpread::count($layout, $sampler, $state));
                    }
                }
            }
        }
        usort($found, static fn(BreakCandidate $p, BreakCandidate $q): int => $q->spread <=> $p->spread);

        return $found;
    }

    /** Whether the rack stands on a table of straight pool, with the break ball beside it. */
    public static function stands(Rack $rack): bool
    {
        return \count($rack->layout->objectBalls()) > 1 && null !== self::ball($rack);
    }

    /** The break ball: the only one, or the only one outside a rack of fourteen. */
    private static function ball(Rack $rack): ?int
    {
        $balls = $rack->layout->objectBalls();
        if (!$rack->rules()->endsWithBreakShot() || !$rack->layout->has(BallId::CUE)) {
            return null;
        }
        if (1 === \count($balls)) {
            return $balls[0];
        }
        $outside = \count($balls) === \count($rack->rules()->rack())
            ? array_values(
                array_filter($balls, static fn(int $ball): bool => !Racking::placed($rack->simulator(), $rack->layout->ball($ball))),
            )
            : [];

        return 1 === \count($outside) ? $outside[0] : null;
    }

    /** The break ball where it lies, and the other fourteen racked without the ball at the apex. */
    private static function racked(Rack $rack, int $ball): Layout
    {
        $places = BreakSpread::racked($rack->simulator(), $rack->rules(), $ball, $rack->layout->ball($ball));

        return new Layout([BallId::CUE => $rack->layout->ball(BallId::CUE)] + $places);
    }

    private static function evaluated(Rack $rack, BreakCandidate $candidate): BreakCandidate
    {
        $racked = $rack->layout;
        $chance = new PotChance($rack->simulator(), $racked, $candidate->pot, $rack->player);
        $sampler = new ShotSampler($rack->simulator(), $racked, $candidate->pot);
        $error = $chance->errors($racked->ball(BallId::CUE), $candidate->stroke);
        $pot = $spread = $scratch = 0;
        foreach ((new ErrorSamples())->first(self::TRIES) as $sample) {
            $state = $sampler->under($error, $sample, $candidate->stroke);
            if (null === $state) {
                continue;
            }
            if ($sampler->scratches($state)) {
                ++$scratch;
            } elseif ($sampler->pots($state)) {
                ++$pot;
                $spread += BreakSpread::count($racked, $sampler, $state);
            }
        }

        return new BreakCandidate(
            $candidate->pot,
            $candidate->stroke,
            $spread / max(1, $pot),
            $pot / self::TRIES,
            $scratch / self::TRIES,
        );
    }

    /** The best pot's chance after tries that drop the ball, on average. */
    private static function onward(BreakShot $shot): float
    {
        $sum = 0.0;
        $racks = array_filter(iterator_to_array($shot->tries(1, self::READ)));
        foreach ($racks as $layout) {
            $sum += self::easiest($shot->rack->withLayout($layout));
        }

        return $sum / max(1, \count($racks));
    }

    /** The chance of the likeliest pot, of those that look easiest: short ways and full hits. */
    private static function easiest(Rack $rack): float
    {
        $simulator = $rack->simulator();
        $cue = $rack->layout->ball(BallId::CUE);
        $easy = [];
        foreach ($rack->layout->objectBalls() as $ball) {
            $at = $rack->layout->ball($ball);
            foreach ($simulator->geometry->pockets as $shape) {
                $mouth = $shape->mouthMiddle();
                $full = cos($cue->angleTo($at) - $at->angleTo($mouth));
                if ($full > self::THINNEST) {
                    $easy[] = [$full / ($cue->distanceTo($at) * $at->distanceTo($mouth)), $ball, $shape->pocket];
                }
            }
        }
        usort($easy, static fn(array $p, array $q): int => $q[0] <=> $p[0]);
        $best = 0.0;
        $going = 0;
        foreach ($easy as [, $ball, $pocket]) {
            $pot = new PotChance($simulator, $rack->layout, new Pot($ball, $pocket), $rack->player);
            $chance = $pot->fromPlace($cue->x, $cue->y)->chance;
            $best = max($best, $chance);
            $going += $chance > 0.0 ? 1 : 0;
            if ($going >= self::COMPARED) {
                break;
            }
        }

        return $best;
    }
}
