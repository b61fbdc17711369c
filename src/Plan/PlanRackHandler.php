<?php

declare(strict_types=1);

namespace ZigLane\App\Plan;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception as DatabaseException;
use Psr\Log\LoggerInterface;
use Symfony\Component\Messenger\Attribute\AsMessageHandler;
use Symfony\Component\Messenger\Exception\RecoverableMessageHandlingException;
use Symfony\Component\Messenger\Exception\UnrecoverableMessageHandlingException;
use Symfony\Component\Messenger\MessageBusInterface;
use ZigLane\App\Work\Processors;
use ZigLane\App\Worker\Heart;
use ZigLane\App\Worker\Interrupted;
use ZigLane\App\Worker\Reason;
use ZigLane\Core\Decision\AdvisedSearch;
use ZigLane\Core\Files\ConstraintsFile;
use ZigLane\Core\Files\PlanFile;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Parallel\Processes;
use ZigLane\Core\Rack\Files\JsonText;
use ZigLane\Core\Rack\Files\RackFile;

/**
 * Plans a rack that was asked for, and keeps every better line as it comes.
 */
#[AsMessageHandler]
final readonly class PlanRackHandler
{
    /** No plan takes this long unless something is wrong, s. */
    private const LIMIT = 900.0;

    /** How long it waits for a database that went away, s. */
    private const PATIENCE = 60;

    public function __construct(
        private PlanLedger $ledger,
        private Turns $turns,
        private Heart $heart,
        private Connection $database,
        private MessageBusInterface $bus,
        private LoggerInterface $logger,
    ) {}

    public function __invoke(PlanRack $message): void
    {
        $worker = Heart::signature();
        try {
            $this->plan($message->plan, $worker);
        } catch (DatabaseException $e) {
            $this->comeBack($message->plan, $worker, $e);
        }
    }

    private function plan(int $id, string $worker): void
    {
        try {
            $job = $this->ledger->begin($id, $worker);
        } catch (GivenUp $e) {
            $this->fail($id, $worker, $e->getMessage(), $e);
        }
        if (null === $job) {
            $this->turns->handOut();

            return;
        }
        $this->heart->watch(static fn(Connection $line): bool => PlanLedger::isWanted($line, $id, $worker), self::LIMIT);
        try {
            $this->search($id, $worker, $job);
        } catch (Interrupted $e) {
            if (Reason::Ending === $e->reason) {
                // Another worker goes on with it; nothing went wrong.
                $this->database->transactional(function () use ($id, $worker): void {
                    if ($this->ledger->handBack($id, $worker)) {
                        $this->bus->dispatch(new PlanRack($id));
                    }
                });

                return;
            }
            if (Reason::TimeOver === $e->reason) {
                $this->fail($id, $worker, \sprintf('Planning took more than %.0f s and was ended.', self::LIMIT), $e);
            }
        } catch (InvalidInput $e) {
            $this->ledger->end($id, $worker, $e->getMessage());
            $this->turns->handOut();

            return;
        } catch (\Throwable $e) {
            if ($e instanceof DatabaseException) {
                throw $e;
            }
            $this->fail($id, $worker, 'Planning failed: ' . $e->getMessage(), $e);
        }
        $this->ledger->end($id, $worker);
        $this->turns->handOut();
    }

    /**
     * @param array{crashes: int, document: string, pins: string} $job
     *
     * @throws InvalidInput
     * @throws Interrupted
     */
    private function search(int $id, string $worker, array $job): void
    {
        $began = microtime(true);
        $rack = RackFile::read(JsonText::decode($job['document'], \PHP_INT_MAX));
        $pins = ConstraintsFile::read(json_decode($job['pins'], true, 16, \JSON_THROW_ON_ERROR), $rack);
        $plans = (new AdvisedSearch($rack, $pins, processes: Processes::asAllowed($this->share(...))))->plans();
        $this->heart->during(static fn() => $plans->rewind());
        while ($plans->valid()) {
            $advised = $plans->current();
            $result = json_encode(
                PlanFile::describe($advised->plan, $advised->advice, $advised->ending),
                \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_PRESERVE_ZERO_FRACTION,
            );
            if (!$this->ledger->keep($id, $worker, $result, microtime(true) - $began)) {
                return;
            }
            $this->heart->during(static fn() => $plans->next());
        }
    }

    /** Processors for one plan: all of them while it is the only one, else its share. */
    private function share(): int
    {
        return max(1, intdiv(Processors::forPlans(), max(1, $this->ledger->running())));
    }

    /** Says why on the plan, and leaves the message with those that failed, where a person sees it. */
    private function fail(int $id, string $worker, string $problem, \Throwable $cause): never
    {
        $this->logger->error('A plan failed.', ['plan' => $id, 'exception' => $cause]);
        $this->ledger->end($id, $worker, $problem);
        $this->turns->handOut();

        throw new UnrecoverableMessageHandlingException($problem, 0, $cause);
    }

    /** The database went away in the middle: once it is back the plan is handed back, and this worker begins anew. */
    private function comeBack(int $id, string $worker, DatabaseException $lost): never
    {
        $this->logger->warning('The worker lost the database.', ['plan' => $id, 'cause' => $lost->getMessage()]);
        for ($waited = 0; $waited < self::PATIENCE && !$this->heart->isEnding(); ++$waited) {
            $this->database->close();
            try {
                $this->ledger->handBack($id, $worker);
                break;
            } catch (DatabaseException) {
                sleep(1);
            }
        }

        throw new RecoverableMessageHandlingException('The database went away.', 0, $lost);
    }
}
