<?php

declare(strict_types=1);

namespace ZigLane\App\Command;

use Symfony\Component\Cache\PruneableInterface;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Contracts\Cache\CacheInterface;
use ZigLane\App\Logbook\Logbook;
use ZigLane\App\Plan\PlanDesk;
use ZigLane\App\Plan\Turns;
use ZigLane\App\Profile\ProfileStore;
use ZigLane\App\Rack\RackStore;
use ZigLane\App\Share\SharedPlans;
use ZigLane\App\Work\FailedWork;
use ZigLane\App\Work\TaskLedger;

/**
 * Removes what has had its time, so that nothing grows without bound. Run once a minute (ops/upkeep.sh).
 */
#[AsCommand('zig-lane:upkeep', 'Removes what has had its time: deleted racks, profiles and attempts, answers, old plans')]
final class UpkeepCommand extends Command
{
    public function __construct(
        private readonly RackStore $racks,
        private readonly ProfileStore $profiles,
        private readonly PlanDesk $plans,
        private readonly TaskLedger $tasks,
        private readonly FailedWork $failed,
        private readonly Turns $turns,
        private readonly Logbook $logbook,
        private readonly SharedPlans $shared,
        private readonly CacheInterface $cache,
        private readonly ClockInterface $clock,
    ) {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $now = $this->clock->now();
        $this->racks->purge($now);
        $this->profiles->purge($now);
        $this->plans->purge($now);
        $this->tasks->purge();
        $this->failed->purge($now);
        $this->logbook->purge($now);
        $this->shared->purge();
        $this->turns->handOut();
        if ($this->cache instanceof PruneableInterface) {
            $this->cache->prune();
        }

        return Command::SUCCESS;
    }
}
