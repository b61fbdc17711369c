<?php

declare(strict_types=1);

namespace ZigLane\App\Command;

use Doctrine\Migrations\DependencyFactory;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/**
 * Says how the database and this program stand to each other, before the one is used by the other.
 */
#[AsCommand('zig-lane:schema', 'Says whether the database is empty, current or behind; fails when it is from a newer version')]
final class SchemaCommand extends Command
{
    public function __construct(
        #[Autowire(service: 'doctrine.migrations.dependency_factory')]
        private readonly DependencyFactory $migrations,
    ) {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $this->migrations->getMetadataStorage()->ensureInitialized();
        $calculator = $this->migrations->getMigrationStatusCalculator();
        $newer = $calculator->getExecutedUnavailableMigrations();
        if (\count($newer) > 0) {
            $names = array_map(static fn($m): string => preg_replace('/^.*\\\\/', '', (string) $m->getVersion()) ?? '', $newer->getItems());
            $output->writeln([
                'The database was changed by a newer version of Zig Lane (' . implode(', ', $names) . '), which this one does not know.',
                'Nothing was started and nothing was changed. Either install that version again, or go back to a copy from before:',
                '    bin/zig-lane restore var/live/backups/before-change-….sql.gz',
            ]);

            return Command::FAILURE;
        }
        $waiting = \count($calculator->getNewMigrations());
        $done = \count($this->migrations->getMetadataStorage()->getExecutedMigrations());
        $output->writeln(match (true) {
            0 === $waiting => 'current',
            0 === $done => 'empty',
            default => 'behind',
        });

        return Command::SUCCESS;
    }
}
