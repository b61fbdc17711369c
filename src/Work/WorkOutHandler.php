<?php

declare(strict_types=1);

namespace ZigLane\App\Work;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception as DatabaseException;
use Psr\Log\LoggerInterface;
use Symfony\Component\DependencyInjection\Attribute\TaggedLocator;
use Symfony\Component\DependencyInjection\ServiceLocator;
use Symfony\Component\Messenger\Attribute\AsMessageHandler;
use Symfony\Component\Messenger\Exception\UnrecoverableMessageHandlingException;
use Symfony\Component\Messenger\MessageBusInterface;
use ZigLane\App\Worker\Heart;
use ZigLane\App\Worker\Interrupted;
use ZigLane\App\Worker\Reason;
use ZigLane\Core\InvalidInput;

/**
 * Works out a task's answers, as long as somebody waits for them.
 */
#[AsMessageHandler]
final readonly class WorkOutHandler
{
    /** No task takes this long unless something is wrong, s. */
    private const LIMIT = 180.0;

    /**
     * @param ServiceLocator<Work> $works by kind
     */
    public function __construct(
        #[TaggedLocator(Work::class, defaultIndexMethod: 'kind')]
        private ServiceLocator $works,
        private TaskLedger $ledger,
        private Heart $heart,
        private Connection $database,
        private MessageBusInterface $bus,
        private LoggerInterface $logger,
    ) {}

    public function __invoke(WorkOut $message): void
    {
        $id = $message->task;
        $worker = Heart::signature();
        $task = $this->ledger->begin($id, $worker);
        if (null === $task) {
            return;
        }
        $this->heart->watch(static fn(Connection $line): bool => TaskLedger::isWanted($line, $id, $worker), self::LIMIT);
        try {
            $this->work($id, $worker, $task['kind'], $task['question']);
        } catch (Interrupted $e) {
            $this->interrupted($id, $worker, $e);
        } catch (InvalidInput $e) {
            $this->ledger->fail($id, $worker, $e->getMessage());
        } catch (\Throwable $e) {
            if ($e instanceof DatabaseException) {
                throw $e;
            }
            $this->logger->error('A task failed.', ['kind' => $task['kind'], 'task' => $id, 'exception' => $e]);
            $this->ledger->fail($id, $worker, 'That could not be worked out; the log says why.');

            throw new UnrecoverableMessageHandlingException("{$task['kind']}: {$e->getMessage()}", 0, $e);
        }
    }

    /**
     * @throws InvalidInput
     * @throws Interrupted
     */
    private function work(string $id, string $worker, string $kind, string $question): void
    {
        $asked = unserialize($question);
        if (!\is_array($asked) || !array_is_list($asked)) {
            throw new \UnexpectedValueException('The question cannot be read.');
        }
        $answers = $this->heart->during(function () use ($kind, $asked): \Iterator {
            $answers = $this->works->get($kind)->answers($asked);
            $answers = $answers instanceof \Iterator ? $answers : new \ArrayIterator(
                \is_array($answers) ? $answers : iterator_to_array($answers, false),
            );
            $answers->rewind();

            return $answers;
        });
        while ($answers->valid()) {
            $this->ledger->keep($id, $worker, serialize([$answers->current()]));
            $this->heart->during(static fn() => $answers->next());
        }
        $this->ledger->end($id, $worker);
    }

    private function interrupted(string $id, string $worker, Interrupted $e): void
    {
        if (Reason::Ending === $e->reason) {
            $this->database->transactional(function () use ($id, $worker): void {
                if ($this->ledger->handBack($id, $worker)) {
                    $this->bus->dispatch(new WorkOut($id));
                }
            });
        } elseif (Reason::TimeOver === $e->reason) {
            $this->ledger->fail($id, $worker, \sprintf('This took more than %.0f s and was ended.', self::LIMIT));
        } else {
            $this->ledger->leave($id, $worker);
        }
    }
}
