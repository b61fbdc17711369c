<?php

declare(strict_types=1);

namespace ZigLane\App\Command;

use Symfony\Component\Cache\PruneableInterface;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\DependencyInjection\Attribute\AutowireIterator;
use Symfony\Contracts\Cache\CacheInterface;
use ZigLane\App\Plan\Turns;
use ZigLane\App\Upkeep\Perishable;

/**
 * Removes what has had its time, so that nothing grows without bound. Run once a minute (ops/upkeep.sh).
 */
#[AsCommand('zig-lane:upkeep', 'Removes what has had its time: deleted racks, profiles and attempts, answers, old plans')]
final class UpkeepCommand extends Command
{
    /** @param iterable<Perishable> $stores */
    public function __construct(
        #[AutowireIterator(Perishable::class)]
        private readonly iterable $stores,
        private readonly Turns $turns,
        private readonly CacheInterface $cache,
        private readonly ClockInterface $clock,
    ) {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $now = $this->clock->now();
        foreach ($this->stores as $store) {
            $store->purge($now);
        }
        $this->turns->handOut();
        if ($this->cache instanceof PruneableInterface) {
            $this->cache->prune();
        }

        return Command::SUCCESS;
    }
}
