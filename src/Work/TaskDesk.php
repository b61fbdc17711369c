<?php

declare(strict_types=1);

namespace ZigLane\App\Work;

use Doctrine\DBAL\Connection;
use Symfony\Component\DependencyInjection\ParameterBag\ContainerBagInterface;
use Symfony\Component\HttpFoundation\RequestStack;
use Symfony\Component\Messenger\MessageBusInterface;
use ZigLane\App\Http\TooMany;
use ZigLane\App\Http\Visitor;

/**
 * Where pages ask for what takes longer than a page may: the answer if it is known, else what is known so far; asking again a
 * moment later brings more. When nobody asks any longer, the work is left.
 */
final readonly class TaskDesk
{
    /** How long a page waits for a quick answer, s, and how often it looks, µs. */
    private const PATIENCE = 0.2;
    private const PAUSE = 15_000;

    /** Every build of the application works out anew. */
    private string $build;

    public function __construct(
        private TaskLedger $ledger,
        private MessageBusInterface $bus,
        private Connection $database,
        private Visitor $visitor,
        private RequestStack $requests,
        ContainerBagInterface $parameters,
    ) {
        $build = $parameters->get('container.build_id');
        $this->build = \is_string($build) ? $build : '';
    }

    /**
     * @param class-string<Work> $work
     * @param list<mixed>        $question all that the answer depends on
     *
     * @return Answer<mixed>
     *
     * @throws TooMany
     */
    public function ask(string $work, array $question): Answer
    {
        $kind = $work::kind();
        $text = serialize($question);
        $id = hash('sha256', $this->build . $kind . $text);
        $until = microtime(true) + self::PATIENCE;
        do {
            $task = $this->ledger->ask($id);
            if (null === $task) {
                $this->post($id, $kind, $text);
                $task = $this->ledger->ask($id);
            }
            $answer = null === $task ? new Answer(null, false) : $this->read($id, $task);
            if ($answer->settled) {
                return $answer;
            }
            usleep(self::PAUSE);
        } while (microtime(true) < $until);

        return $answer;
    }

    private function post(string $id, string $kind, string $question): void
    {
        $request = $this->requests->getMainRequest();
        $visitor = null === $request ? 'console' : $this->visitor->of($request);
        $this->database->transactional(function () use ($id, $kind, $question, $visitor): void {
            if ($this->ledger->post($id, $kind, $question, $visitor)) {
                $this->bus->dispatch(new WorkOut($id));
            }
        });
    }

    /**
     * @param array{state: string, answer: string|null, problem: string|null} $task
     *
     * @return Answer<mixed>
     */
    private function read(string $id, array $task): Answer
    {
        if (TaskLedger::FAILED === $task['state']) {
            return new Answer(null, true, $task['problem'] ?? 'That could not be worked out.');
        }
        $value = null;
        if (null !== $task['answer']) {
            // The answer is wrapped, so that "false" is told from text that cannot be read.
            $read = @unserialize($task['answer']);
            if (!\is_array($read) || !\array_key_exists(0, $read)) {
                $this->ledger->forget($id);

                return new Answer(null, false);
            }
            $value = $read[0];
        }

        return new Answer($value, TaskLedger::DONE === $task['state']);
    }
}
