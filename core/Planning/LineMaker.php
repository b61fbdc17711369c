<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Geometry\Region;
use ZigLane\Core\Line\LegOutcome;
use ZigLane\Core\Line\LegState;
use ZigLane\Core\Line\LinePlayer;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\LeastElevation;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\Speed;
use ZigLane\Core\Planning\Finding\RaisedCue;
use ZigLane\Core\Planning\Finding\WinsByAnother;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\ShotSpec;
use ZigLane\Core\Routes\Route;
use ZigLane\Core\Routes\RouteSummary;
use ZigLane\Core\Routes\TakeOver;

/**
 * Makes the shots of a plan out of what a planner chooses, one from where the other leaves the balls.
 */
final readonly class LineMaker
{
    /** Digits behind the point of a bare direction (degrees), its speed (m/s) and elevation (degrees): as many as are stored. */
    private const AIM = 5;
    private const SPEED = 4;
    private const ELEVATION = 2;

    /** A leg that is aimed by its pocket points as it was searched to within this, rad. */
    private const AS_SEARCHED = 0.0008;

    /** So much is said of a shot, and of a cue that is raised from so many degrees on. */
    private const SAID = 3;
    private const LEVEL = 2.0;

    /**
     * Where the shot, played exactly, leads on to less than this share of what it leads on to on average when it is made, the line is drawn
     * by a stroke close by that does better (our own choice): how a cluster opens turns on little.
     */
    private const TYPICAL = 0.4;

    private LinePlayer $player;

    public function __construct(Rack $rack)
    {
        $this->player = LinePlayer::for($rack);
    }

    /** A line from a choice to the end, each shot chosen by one planner. */
    public function toTheEnd(Planner $planner, Rack $rack, ?ChosenShot $choice): ShotLine
    {
        $shots = [];
        while (null !== $choice) {
            $step = $this->step($planner, $planner, $rack, $choice);
            if (null === $step) {
                break;
            }
            $shots[] = $step->shot;
            $rack = $step->after;
            $choice = $step->next;
        }

        return new ShotLine($shots, $rack);
    }

    /**
     * One shot of the line: the first way to play it that leaves a table to go on from; null when none holds.
     *
     * @param Planner           $planner that made the choice
     * @param Planner           $then    that says what comes next
     * @param SearchBudget|null $budget  of that; its own when null
     */
    public function step(Planner $planner, Planner $then, Rack $rack, ChosenShot $choice, ?SearchBudget $budget = null): ?LineStep
    {
        $first = null;
        foreach ($choice->ways() as $way) {
            $leg = $this->leg($rack, $way->route);
            $left = self::left($leg);
            if (null === $left) {
                continue;
            }
            $shot = self::stated($planner, $rack, $way, $leg, $left->ball(BallId::CUE));
            $after = $rack->goneOn($left);
            if ($rack->rules()->isOver($after->layout)) {
                // What ends the rack must be the ball that was shot: another one that happens to fall is luck.
                if ($rack->rules()->isOver($rack->layout->without($shot->pot->ball))) {
                    return new LineStep($shot, $after, null);
                }
                $last = $rack->rules()->lastBall($rack->layout);
                $first ??= new LineStep(null === $last ? $shot : $shot->sayingFirst(new WinsByAnother($last), self::SAID), $after, null);
                continue;
            }
            $next = $then->next($after, $budget);
            if (null !== $next) {
                $step = new LineStep($shot, $after, $next);

                return self::isTypical($way, $next) ? $step : $this->beside($planner, $then, $rack, $way, $budget) ?? $step;
            }
            $first ??= new LineStep($shot, $after, null);
        }

        return $first;
    }

    private static function isTypical(ChosenShot $way, ChosenShot $next): bool
    {
        $chances = $way->route->chances;

        return $chances->pot <= 0.0 || $next->runOut() >= self::TYPICAL * $chances->value / $chances->pot;
    }

    /** A step by a stroke close by that leads on, played exactly, as such strokes do on average; null where there is none. */
    private function beside(Planner $planner, Planner $then, Rack $rack, ChosenShot $choice, ?SearchBudget $budget): ?LineStep
    {
        $best = null;
        $most = 0.0;
        foreach (StrokesBeside::of($planner, $rack, $choice) as $way) {
            $leg = $this->leg($rack, $way->route);
            $left = self::left($leg);
            if (null === $left || $rack->rules()->isOver($left)) {
                continue;
            }
            $look = $planner->next($rack->goneOn($left), SearchBudget::roughLook());
            if (null !== $look && $look->runOut() > $most && self::isTypical($way, $look)) {
                $best = [$way, $leg, $left];
                $most = $look->runOut();
            }
        }
        if (null === $best) {
            return null;
        }
        [$way, $leg, $left] = $best;
        $after = $rack->goneOn($left);
        $next = $then->next($after, $budget);
        $shot = self::stated($planner, $rack, $way, $leg, $left->ball(BallId::CUE));

        return null !== $next && self::isTypical($way, $next) ? new LineStep($shot, $after, $next) : null;
    }

    /** One way as a shot of its own; null where it does not hold as a player can set it. */
    public function shot(Planner $planner, Rack $rack, ChosenShot $choice): ?PlannedShot
    {
        $leg = $this->leg($rack, $choice->route);
        $left = self::left($leg);

        return null === $left ? null : self::stated($planner, $rack, $choice, $leg, $left->ball(BallId::CUE));
    }

    /** The balls after a leg, the cue ball among them; null where, rounded to what a player can set, it no longer holds. */
    private static function left(LegOutcome $leg): ?Layout
    {
        $left = LegState::Holds === $leg->state ? $leg->after() : null;

        return null !== $left && $left->has(BallId::CUE) ? $left : null;
    }

    /**
     * @param LegOutcome $leg  that it is played as
     * @param Point      $rest where that leaves the cue ball
     */
    private static function stated(Planner $planner, Rack $rack, ChosenShot $choice, LegOutcome $leg, Point $rest): PlannedShot
    {
        // A planner that refines has searched; one that does not has looked.
        $settled = $planner->budget->refined > 0;
        $route = $choice->route;
        $stateValues = $choice->stateValues;
        $left = $choice->left();
        $last = [] === $stateValues->values($left);
        $leaves = max($route->chances->value / max(1e-9, $route->chances->pot), $stateValues->valueAt($left, $rest->x, $rest->y));
        $leads = min($planner->leads($rack, $route->pot), $leaves);
        $findings = array_filter([
            $settled ? RouteSummary::of($route, $last ? 0.0 : ShotPurpose::ON_PURPOSE) : null,
            null === $leg->shot ? null : self::raised($rack, $leg->shot),
            ...ShotPurpose::of($rack, $choice),
        ]);

        return new PlannedShot(
            $route->pot,
            $leg->spec,
            $rack->layout,
            ShotChances::of($route->chances, $last),
            $last ? new Region([]) : $stateValues->region($left, RunOutEvaluator::POSITION * $leads),
            $last ? new Region([]) : $stateValues->region($left, RunOutEvaluator::HEART * $leads),
            $rest,
            $route->family,
            \array_slice(array_values($findings), 0, self::SAID),
            $settled,
        );
    }

    /** What stands behind the cue ball, where the cue is raised for it. */
    private static function raised(Rack $rack, Shot $shot): ?RaisedCue
    {
        if (rad2deg($shot->elevation) < self::LEVEL) {
            return null;
        }
        $alone = new Layout([BallId::CUE => $rack->layout->ball(BallId::CUE)]);
        $simulator = $rack->simulator();
        $rail = LeastElevation::of($alone, $shot->aim, $shot->tip, $simulator->geometry, $simulator->ball);

        return new RaisedCue(rad2deg($shot->elevation), $rail >= $shot->elevation - 1e-9);
    }

    /** The route played as a leg states it; with its bare direction where that would point elsewhere. */
    private function leg(Rack $rack, Route $route): LegOutcome
    {
        $leg = $this->player->leg(1, TakeOver::spec($rack, $route->pot, $route->shot), $rack->layout, $rack->rules());

        return LegState::Holds === $leg->state && abs(($leg->shot->aim ?? INF) - $route->shot->aim) < self::AS_SEARCHED
            ? $leg
            : $this->player->leg(1, self::bare($route), $rack->layout, $rack->rules());
    }

    private static function bare(Route $route): ShotSpec
    {
        return new ShotSpec(
            round(rad2deg($route->shot->aim), self::AIM),
            null,
            null,
            0.0,
            Speed::metresPerSecond(round($route->shot->speed, self::SPEED)),
            $route->shot->tip,
            round(rad2deg($route->shot->elevation), self::ELEVATION),
        );
    }
}
