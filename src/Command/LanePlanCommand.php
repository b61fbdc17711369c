<?php

declare(strict_types=1);

namespace ZigLane\App\Command;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use ZigLane\App\Work\Processors;
use ZigLane\Core\Decision\AdvisedSearch;
use ZigLane\Core\Files\PlanFile;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Parallel\Processes;
use ZigLane\Core\Planning\ClockDeadline;
use ZigLane\Core\Planning\CountedDeadline;
use ZigLane\Core\Planning\Deadline;
use ZigLane\Core\Potting\ErrorSamples;
use ZigLane\Core\Rack\Files\RackFile;

/**
 * Plans the run-out of a rack from a file; needs no database.
 */
#[AsCommand('lane:plan', 'Plans the run-out of a rack and prints it as JSON')]
final class LanePlanCommand extends Command
{
    protected function configure(): void
    {
        $this->addArgument('file', InputArgument::REQUIRED, 'rack file, or - for standard input');
        $this->addOption(
            'budget',
            null,
            InputOption::VALUE_REQUIRED,
            'seconds to think; a first complete line is always made. Until every shot is searched for when not given',
        );
        $this->addOption('settled', null, InputOption::VALUE_NONE, 'until every shot is searched for: so it is, too, without a budget');
        $this->addOption(
            'steps',
            null,
            InputOption::VALUE_REQUIRED,
            'shots of the line to search, instead of seconds: the same plan on any machine',
        );
        $this->addOption(
            'rng',
            null,
            InputOption::VALUE_REQUIRED,
            'seed of the errors that strokes are judged under: another one shows how much of a plan is luck of the draw',
            '1',
        );
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $file = $input->getArgument('file');
        try {
            $errors = new ErrorSamples((int) Say::number($input, 'rng', 0, \PHP_INT_MAX));
            $rack = RackFile::read(JsonFile::read($file, RackFile::LARGEST));
            $began = microtime(true);
            $advised = null;
            $processes = Processes::atMost(Processors::forPlans());
            $search = new AdvisedSearch($rack, deadline: self::deadline($input), errors: $errors, processes: $processes);
            foreach ($search->plans() as $advised) {
                $plan = $advised->plan;
                Say::errors($output)->writeln(
                    \sprintf('%.1f s: run-out %.1f %%, %d shots', microtime(true) - $began, 100 * $plan->runOut, \count($plan->shots)),
                    OutputInterface::OUTPUT_RAW | OutputInterface::VERBOSITY_VERBOSE,
                );
            }
        } catch (InvalidInput $e) {
            return Say::refuse($output, $e);
        }
        Say::json($output, null === $advised ? [] : PlanFile::describe($advised->plan, $advised->advice, $advised->ending));

        return Command::SUCCESS;
    }

    /** @throws InvalidInput */
    private static function deadline(InputInterface $input): ?Deadline
    {
        $budget = null === $input->getOption('budget') ? null : Say::number($input, 'budget', 0.0, 3600.0);
        $steps = null === $input->getOption('steps') ? null : max(1, (int) Say::number($input, 'steps', 1, 1000));

        return match (true) {
            true === $input->getOption('settled') => null,
            null !== $steps => new CountedDeadline($steps),
            null !== $budget => new ClockDeadline($budget),
            default => null,
        };
    }
}
