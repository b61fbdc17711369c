<?php

declare(strict_types=1);

namespace ZigLane\Core\Physics;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\BallSpec;
use ZigLane\Core\Equipment\CueSpec;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Equipment\TableGeometry;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Physics\Internal\Kernel;

/**
 * Plays a shot on a table: value objects in, value objects out; the work is done by Internal\Kernel.
 */
final readonly class Simulator
{
    public TableGeometry $geometry;
    private Kernel $kernel;

    public function __construct(
        public Table $table = new Table(),
        public CueSpec $cue = new CueSpec(),
        public BallSpec $ball = new BallSpec(),
    ) {
        $this->geometry = new TableGeometry($table, $ball->radius);
        $this->kernel = new Kernel($this->geometry, $ball);
    }

    /**
     * @throws InvalidInput when the layout has no cue ball
     */
    public function play(Layout $layout, Shot $shot): ShotResult
    {
        if (!$layout->has(BallId::CUE)) {
            throw new InvalidInput('balls.cue', 'there is no cue ball on the table');
        }
        $state = $this->struck($layout, $shot->stroke());
        $this->kernel->run($state, record: true);

        return $this->result($state, array_keys($layout->balls), $layout->ball(BallId::CUE));
    }

    /**
     * Runs balls until all lie still.
     *
     * @param bool $record    keep the events and the paths
     * @param bool $stopAtHit stop right after the cue ball's first contact with a ball has been resolved
     * @param int  $mostRails give up after so many contacts with rails and jaws
     */
    public function run(BallStates $balls, bool $record = false, bool $stopAtHit = false, int $mostRails = \PHP_INT_MAX): void
    {
        $this->kernel->run($balls, $record, $stopAtHit, $mostRails);
    }

    /** The balls as the tip leaves the cue ball, one slot each in the layout's order; run() takes them from there. */
    public function struck(Layout $layout, AimedStroke $stroke): BallStates
    {
        $state = new BallStates();
        foreach ($layout->balls as $id => $place) {
            $state->add($place->x, $place->y, BallId::CUE === $id ? CueStrike::of($stroke, $this->cue, $this->ball) : null);
        }

        return $state;
    }

    /**
     * @param list<int> $ids ball number by slot
     */
    private function result(BallStates $state, array $ids, Point $cue): ShotResult
    {
        $events = [new Event(0.0, EventType::CueStrike, [BallId::CUE], $cue)];
        $pocketed = $off = [];
        foreach ($state->events as $event) {
            $balls = [$ids[$event->slot]];
            $pocket = null;
            if (EventType::BallBall === $event->type) {
                $balls[] = $ids[$event->other];
            } elseif (EventType::Pocketed === $event->type) {
                $pocket = Pocket::at($event->other);
                $pocketed[$balls[0]] = $pocket;
            } elseif (EventType::LeftTable === $event->type) {
                $off[] = $balls[0];
            } elseif (EventType::BallFacing === $event->type) {
                $pocket = Pocket::at($event->other >> 1);
            }
            $events[] = new Event($event->time, $event->type, $balls, new Point($event->x, $event->y), $pocket);
        }
        $paths = [];
        foreach ($state->paths as $slot => $pieces) {
            $paths[$ids[$slot]] = $pieces;
        }
        ksort($paths);
        $final = [];
        foreach ($ids as $slot => $id) {
            if (!$state->isDown($slot)) {
                $final[$id] = new Point($state->x[$slot], $state->y[$slot]);
            }
        }

        return new ShotResult(
            $events,
            $paths,
            new Layout($final),
            $pocketed,
            $state->firstHit < 0 ? null : $ids[$state->firstHit],
            $state->railAfterHit,
            $state->time,
            $off,
        );
    }
}
