<?php

declare(strict_types=1);

namespace ZigLane\App\Command;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use ZigLane\App\SignIn\Passphrase;
use ZigLane\Core\InvalidInput;

/**
 * Sets the passphrase for the local network: the first line of standard input, or one that is made and printed.
 */
#[AsCommand('zig-lane:passphrase', 'Sets the passphrase anew: from standard input, or with --make one that is printed')]
final class PassphraseCommand extends Command
{
    public function __construct(private readonly Passphrase $passphrase)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addOption('make', null, InputOption::VALUE_NONE, 'make one and print it');
        $this->addOption('if-none', null, InputOption::VALUE_NONE, 'only when there is none yet');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        if (true === $input->getOption('if-none') && $this->passphrase->isSet()) {
            return Command::SUCCESS;
        }
        $make = true === $input->getOption('make');
        $words = $make ? Passphrase::made() : trim((string) fgets(\STDIN));
        try {
            $this->passphrase->set($words);
        } catch (InvalidInput $e) {
            $output->writeln(ucfirst($e->getMessage()) . '.');

            return Command::INVALID;
        }
        $output->writeln($make ? "The passphrase is $words" : 'The passphrase is set.');
        $output->writeln('Every device must sign in with it. bin/zig-lane passphrase sets another.');

        return Command::SUCCESS;
    }
}
