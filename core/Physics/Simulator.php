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
use ZigLane\Core\Physics\Internal\KernelState;

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
        $state = $this->struck($layout, $shot);
        $this->kernel->run($state, record: true);

        return $this->result($state, array_keys($layout->balls), $layout->ball(BallId::CUE));
    }

    /**
     * The balls as the tip leaves the cue ball, one slot each in the layout's order.
     *
     * @internal for those who run the kernel themselves
     */
    public function struck(Layout $layout, Shot $shot): KernelState
    {
        $strike = CueStrike::of($shot, $this->cue, $this->ball);
        $state = new KernelState();
        foreach ($layout->balls as $id => $place) {
            if (BallId::CUE === $id) {
                $state->add($place->x, $place->y, $strike->vx, $strike->vy, $strike->wx, $strike->wy, $strike->wz);
            } else {
                $state->add($place->x, $place->y);
            }
        }

        return $state;
    }

    /** @internal for the aim solver and the measuring commands, which need no record */
    public function kernel(): Kernel
    {
        return $this->kernel;
    }

    /**
     * @param list<int> $ids ball number by slot
     */
    private function result(KernelState $state, array $ids, Point $cue): ShotResult
    {
        $events = [new Event(0.0, EventType::CueStrike, [BallId::CUE], $cue)];
        $pocketed = [];
        foreach ($state->log as [$t, $kind, $slot, $other, $x, $y]) {
            $balls = [$ids[$slot]];
            $pocket = null;
            $type = match ($kind) {
                Kernel::EV_BALLS => EventType::BallBall,
                Kernel::EV_CUSHION => EventType::BallCushion,
                Kernel::EV_DROP => EventType::Pocketed,
                Kernel::EV_MOTION => Kernel::SLIDE === $other ? EventType::SlideToRoll : EventType::Stop,
                default => EventType::BallFacing,
            };
            if (Kernel::EV_BALLS === $kind) {
                $balls[] = $ids[$other];
            } elseif (Kernel::EV_DROP === $kind) {
                $pocket = Pocket::at($other);
                $pocketed[$ids[$slot]] = $pocket;
            } elseif (EventType::BallFacing === $type) {
                $pocket = Pocket::at($other >> 1);
            }
            $events[] = new Event($t, $type, $balls, new Point($x, $y), $pocket);
        }
        $paths = [];
        foreach ($state->pieces as [$slot, $from, $to, $x, $y, $vx, $vy, $ax, $ay, $mode]) {
            $paths[$ids[$slot]][] = new PathPiece($from, $to, new Point($x, $y), $vx, $vy, $ax, $ay, Kernel::ROLL === $mode);
        }
        ksort($paths);
        $final = [];
        foreach ($ids as $slot => $id) {
            if (KernelState::ON_TABLE === $state->pocket[$slot]) {
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
        );
    }
}
