<?php

declare(strict_types=1);

namespace ZigLane\App\Command;

use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use ZigLane\App\Entity\Setting;
use ZigLane\App\Rack\RackStore;
use ZigLane\Core\Rack\Files\JsonText;
use ZigLane\Core\Rack\Files\RackFile;

/**
 * Loads the demo racks, once for ever: what a person did with them, deleting included, stays.
 */
#[AsCommand('zig-lane:demo', 'Loads the demo racks if that was never done')]
final class DemoCommand extends Command
{
    private const LOADED = 'demo-loaded';

    public function __construct(
        private readonly EntityManagerInterface $entities,
        private readonly RackStore $store,
        #[Autowire('%kernel.project_dir%/demo')]
        private readonly string $folder,
    ) {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        if (null !== $this->entities->find(Setting::class, self::LOADED)) {
            return Command::SUCCESS;
        }
        $this->entities->wrapInTransaction(function (): void {
            $files = glob($this->folder . '/*.rack.json') ?: [];
            // The first by name is made last, so that it heads the list.
            foreach (array_reverse($files) as $file) {
                $this->store->create(RackFile::read(JsonText::decode((string) file_get_contents($file))), 'demo rack');
            }
            $this->entities->persist(new Setting(self::LOADED, date('c')));
        });
        $output->writeln('The demo racks are loaded.');

        return Command::SUCCESS;
    }
}
