<?php

declare(strict_types=1);

namespace ZigLane\App\Worker;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\Messenger\Event\WorkerRunningEvent;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Planning\Plan;
use ZigLane\Core\Planning\PlanSearch;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Rack\FreshRack;

/**
 * A new worker for plans that has nothing to do begins a plan that nobody asked for: the first one of a process takes half as long
 * again as the next, because its code is compiled as it goes. One step each time it finds nothing to do, so that a plan that is asked
 * for waits for one step at most.
 */
final class WarmUp
{
    /** From then on everything a plan needs has been run. */
    private const STEPS = 3;

    /** Few, so that a step is short. */
    private const BALLS = 4;

    private int $done = 0;

    /** @var \Generator<int, Plan>|null */
    private ?\Generator $plans = null;

    public function __construct(private readonly Heart $heart) {}

    #[AsEventListener]
    public function onRunning(WorkerRunningEvent $event): void
    {
        $plans = ['plans'] === $event->getWorker()->getMetadata()->getTransportNames();
        if (!$plans || !$event->isWorkerIdle() || $this->done >= self::STEPS) {
            return;
        }
        ++$this->done;
        $this->heart->hold(null);
        try {
            $this->heart->during($this->step(...));
        } catch (Interrupted) {
            $this->done = self::STEPS;
        } finally {
            $this->heart->release();
        }
        if ($this->done >= self::STEPS) {
            $this->plans = null;
        }
    }

    private function step(): void
    {
        if (null !== $this->plans) {
            $this->plans->next();

            return;
        }
        $rack = FreshRack::broken(GameName::NineBall, 1, Player::of(Level::League))->rack->withBallInHand(true);
        $few = \array_slice($rack->layout->objectBalls(), -self::BALLS);
        $layout = new Layout(array_intersect_key($rack->layout->balls, array_flip([BallId::CUE, ...$few])));
        $this->plans = (new PlanSearch($rack->withLayout($layout)))->plans();
        $this->plans->rewind();
    }
}
