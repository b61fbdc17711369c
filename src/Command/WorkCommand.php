<?php

declare(strict_types=1);

namespace ZigLane\App\Command;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception as DatabaseException;
use Psr\Log\LoggerInterface;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use ZigLane\App\Plan\PlanQueue;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Rack\JsonText;
use ZigLane\Core\Rack\RackFile;
use ZigLane\Core\RunOut\PinsFile;
use ZigLane\Core\RunOut\PlanFile;
use ZigLane\Core\RunOut\PlanSearch;

/**
 * Plans what is asked for, one after the other. Start as many as there are cores, on this machine or on others that reach the
 * same database. Ends by itself now and then, so that nothing piles up; whoever started it starts it again.
 */
#[AsCommand('zig-lane:work', 'Plans the racks that are asked for, until it is stopped')]
final class WorkCommand extends Command
{
    /** Pause between looks when there is nothing to do, µs. */
    private const PAUSE = 150_000;

    private bool $stopping = false;

    public function __construct(private readonly PlanQueue $queue, private readonly Connection $database, private readonly LoggerInterface $logger)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addOption('plans', null, InputOption::VALUE_REQUIRED, 'end after so many plans', '30');
        $this->addOption('once', null, InputOption::VALUE_NONE, 'end when there is nothing to do');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $name = \sprintf('%s-%d-%s', substr((string) gethostname(), 0, 18), getmypid(), bin2hex(random_bytes(3)));
        if (\function_exists('pcntl_async_signals')) {
            pcntl_async_signals(true);
            pcntl_signal(\SIGTERM, function (): void {
                $this->stopping = true;
            });
        }
        $left = (int) Say::number($input, 'plans', 1, 1_000_000);
        while ($left > 0 && !$this->stopping) {
            try {
                $job = $this->queue->take($name);
                if (null !== $job) {
                    --$left;
                    $this->plan($job, $name);
                    continue;
                }
            } catch (DatabaseException $e) {
                // The database is away: a new connection, once it is back. The plan under way goes to whoever takes it up.
                $this->logger->warning('The worker lost the database.', ['exception' => $e]);
                $this->database->close();
                sleep(1);
                continue;
            }
            if (true === $input->getOption('once')) {
                break;
            }
            usleep(self::PAUSE);
        }

        return Command::SUCCESS;
    }

    /**
     * @param array{id: int, document: string, pins: string, budget: float} $job
     */
    private function plan(array $job, string $name): void
    {
        $began = microtime(true);
        try {
            $rack = RackFile::read(JsonText::decode($job['document'], \PHP_INT_MAX));
            $pins = PinsFile::read(json_decode($job['pins'], true, 16, \JSON_THROW_ON_ERROR), $rack);
            foreach ((new PlanSearch($rack, $pins, $job['budget']))->plans() as $plan) {
                $result = json_encode(PlanFile::describe($plan), \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_PRESERVE_ZERO_FRACTION);
                // A worker that is told to end leaves the plan to the next one: it keeps what it has, but is not done.
                if (!$this->queue->keep($job['id'], $name, $result, microtime(true) - $began) || $this->stopping) {
                    break;
                }
            }
        } catch (InvalidInput $e) {
            $this->queue->end($job['id'], $name, $e->getMessage());

            return;
        } catch (DatabaseException $e) {
            throw $e;
        } catch (\Throwable $e) {
            $this->logger->error('A plan failed.', ['exception' => $e, 'plan' => $job['id']]);
            $this->queue->end($job['id'], $name, 'Planning failed: ' . $e->getMessage());

            return;
        }
        if (!$this->stopping) {
            $this->queue->end($job['id'], $name);
        }
    }
}
