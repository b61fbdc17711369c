<?php

declare(strict_types=1);

namespace ZigLane\App\Command;

use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use ZigLane\App\Drills\Rounds;
use ZigLane\App\Entity\Setting;
use ZigLane\App\Logbook\Entries;
use ZigLane\App\Logbook\Entry;
use ZigLane\App\Rack\RackStore;
use ZigLane\Core\Drills\Files\RoundFile;
use ZigLane\Core\Drills\Round;
use ZigLane\Core\Logbook\AttemptFile;
use ZigLane\Core\Rack\Files\Fields;
use ZigLane\Core\Rack\Files\JsonText;
use ZigLane\Core\Rack\Files\RackFile;

/**
 * Loads the demo racks, the demo logbook and its drill tests, once for ever: what a person did with them, deleting included, stays.
 */
#[AsCommand('zig-lane:demo', 'Loads the demo racks, logbook and drill tests if that was never done')]
final class DemoCommand extends Command
{
    private const LOADED = 'demo-loaded';
    private const LOGBOOK = 'demo-logbook-loaded';
    private const ROUNDS = 'demo-rounds-loaded';

    public function __construct(
        private readonly EntityManagerInterface $entities,
        private readonly RackStore $store,
        private readonly Entries $logbook,
        private readonly Rounds $rounds,
        #[Autowire('%kernel.project_dir%/demo')]
        private readonly string $folder,
    ) {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        if (null === $this->entities->find(Setting::class, self::LOADED)) {
            $this->racks();
            $output->writeln('The demo racks are loaded.');
        }
        if (null === $this->entities->find(Setting::class, self::LOGBOOK)) {
            $this->logbook();
            $output->writeln('The demo logbook is loaded.');
        }
        if (null === $this->entities->find(Setting::class, self::ROUNDS)) {
            $this->rounds();
            $output->writeln('The demo drill tests are loaded.');
        }

        return Command::SUCCESS;
    }

    private function racks(): void
    {
        $this->entities->wrapInTransaction(function (): void {
            $files = glob($this->folder . '/*.rack.json') ?: [];
            // The first by name is made last, so that it heads the list.
            foreach (array_reverse($files) as $file) {
                $this->store->create(RackFile::read(JsonText::decode((string) file_get_contents($file))), 'demo rack');
            }
            $this->entities->persist(new Setting(self::LOADED, date('c')));
        });
    }

    /** What the same player scored at three drills (tools/demo-rounds.php). */
    private function rounds(): void
    {
        $rounds = JsonText::decode((string) file_get_contents($this->folder . '/rounds.json'));
        $this->entities->wrapInTransaction(function () use ($rounds): void {
            $this->rounds->keep(array_map(
                static fn(mixed $round, int $n): Round => RoundFile::read(new Fields($round, "[$n]")),
                \is_array($rounds) ? array_values($rounds) : [],
                array_keys(\is_array($rounds) ? array_values($rounds) : []),
            ));
            $this->entities->persist(new Setting(self::ROUNDS, date('c')));
        });
    }

    /** Three months of an invented player (tools/demo-logbook.php). */
    private function logbook(): void
    {
        $entries = [];
        foreach (AttemptFile::read((string) file_get_contents($this->folder . '/logbook.jsonl')) as $attempt) {
            $entries[] = new Entry((string) $attempt->key, 1, $attempt);
        }
        $this->entities->wrapInTransaction(function () use ($entries): void {
            $this->logbook->keep($entries);
            $this->entities->persist(new Setting(self::LOGBOOK, date('c')));
        });
    }
}
