<?php

declare(strict_types=1);

namespace ZigLane\Core\Experiments\Matches;

use ZigLane\Core\Decision\EndKind;
use ZigLane\Core\Decision\StrokeEnds;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Player\ErrorSample;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Potting\ErrorSamples;
use ZigLane\Core\Rack\FreshRack;
use ZigLane\Core\Rack\Playable;
use ZigLane\Core\Rack\Rack;

/**
 * Two players contest racks as a break leaves them, every stroke with its player's error in it: each rack twice, so that both begin it
 * once, and under the same errors: where both decide alike, each of them wins it once (common random numbers; A. M. Law and W. D. Kelton,
 * "Simulation Modeling and Analysis", 1982).
 *
 * Beside who won it is told how lucky each stroke was: what its end is worth, less what the ends of such a stroke are worth on average.
 * On the whole that comes to nothing, so that a result less its luck is as true and varies less (M. Zinkevich and others, "Optimal
 * unbiased estimators for evaluating agent performance", 2006).
 */
final readonly class Matches
{
    /** Shots after which a rack is given up. */
    private const MOST = 60;

    /** Steps in which a place is looked for where a cue ball that fell can be put down, m. */
    private const STEP = 0.08;

    /** Errors under which it is judged what a stroke is worth on average. */
    private const JUDGED = 48;

    /** @param array{Contestant, Contestant} $players */
    public function __construct(
        private GameName $game,
        private array $players,
        private int $seed,
        private Effort $effort = Effort::Full,
    ) {}

    /**
     * @param int $racks so many in all
     * @param int $from  of which so many, an even number, were played before
     *
     * @return \Generator<int, MatchRack> two for each break: the first player begins, then the second
     */
    public function play(int $racks, int $from = 0): \Generator
    {
        $players = array_map(static fn(Contestant $one): Player => $one->player, $this->players);
        for ($n = $from; $n < $racks; $n += 2) {
            $seed = $this->seed * 100_003 + intdiv($n, 2);
            // Both begin once: the break is the same where they are of one level.
            $analyses = null;
            foreach ($n + 1 < $racks ? [0, 1] : [0] as $first) {
                $rack = FreshRack::broken($this->game, $seed, $players[$first])->rack;
                $shares = null !== $analyses && $players[0]->playsLike($players[1]);
                $analyses = $shares ? $analyses : TableAnalysis::ofBoth($rack, $players, $this->effort);

                yield $this->rack($rack, $first, $analyses, 7_919 * $seed + 1);
            }
        }
    }

    /** @param array{TableAnalysis, TableAnalysis} $analyses of the players */
    private function rack(Rack $rack, int $turn, array $analyses, int $seed): MatchRack
    {
        $simulator = $rack->simulator();
        // Errors to judge by are drawn apart from those that are played with.
        $random = new Generator($seed);
        $others = new Generator($seed + 1);
        $groups = [null, null];
        $predictions = [];
        $luck = 0.0;
        for ($shots = 1; $shots <= self::MOST; ++$shots) {
            $rack = $rack->withGroup($groups[$turn]);
            $shot = $this->players[$turn]->decide($rack, $analyses[$turn]);
            if (null === $shot) {
                return new MatchRack(null, $shots, $predictions, $luck);
            }
            if (null !== $shot->win) {
                $predictions[] = new Prediction($turn, $shot->win, $shot->kind, $luck);
            }
            $sample = ErrorSample::drawn($random);
            $end = (new StrokeEnds($shot->rack))->end($shot->stroke, $shot->call, $sample);
            $adviser = $analyses[$turn]->adviser($shot->rack);
            $more = $adviser->worth($end) - $adviser->expected($shot->stroke, $shot->call, ErrorSamples::random(self::JUDGED, $others));
            $luck += 0 === $turn ? $more : -$more;
            if (EndKind::Won === $end->kind || EndKind::Lost === $end->kind) {
                return new MatchRack(EndKind::Won === $end->kind ? $turn : 1 - $turn, $shots, $predictions, $luck);
            }
            if (null !== $end->taken) {
                $groups[$turn] = $end->taken;
                $groups[1 - $turn] = $end->taken->other();
            }
            $inHand = EndKind::Foul === $end->kind;
            $rack = $rack->withLayout(self::withCueBall($simulator, $end->table))->withBallInHand($inHand);
            $turn = EndKind::Made === $end->kind ? $turn : 1 - $turn;
        }

        return new MatchRack(null, self::MOST, $predictions, $luck);
    }

    /** A cue ball that fell is put down somewhere: the player to come has it in hand. */
    private static function withCueBall(Simulator $simulator, Layout $layout): Layout
    {
        if ($layout->has(BallId::CUE)) {
            return $layout;
        }
        for ($x = self::STEP; $x < $simulator->geometry->length; $x += self::STEP) {
            for ($y = self::STEP; $y < $simulator->geometry->width; $y += self::STEP) {
                $place = new Point($x, $y);
                if (Playable::hasRoom($simulator, $layout, $place)) {
                    return new Layout([BallId::CUE => $place] + $layout->balls);
                }
            }
        }

        throw new \LogicException('There is no room for the cue ball.');
    }
}
