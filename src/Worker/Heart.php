<?php

declare(strict_types=1);

namespace ZigLane\App\Worker;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\DriverManager;
use Doctrine\DBAL\Exception as DatabaseException;
use Symfony\Component\Console\ConsoleEvents;
use Symfony\Component\Console\Event\ConsoleSignalEvent;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\Messenger\Event\WorkerRunningEvent;
use Symfony\Component\Messenger\Event\WorkerStartedEvent;

/**
 * Beats once a second while a worker works, however long a step of the work is (the beat is an alarm signal). Each beat
 * - renews the worker's hold on its message, so that the message goes to another worker only when this one is dead or hangs,
 * - touches a file by which the keeper sees that the worker does not hang (ops/keeper.sh),
 * - asks whether the work is still wanted, and interrupts it when it is not.
 */
final class Heart
{
    private ?Connection $line = null;
    private ?string $message = null;
    private bool $ending = false;
    private bool $mayInterrupt = false;
    private ?Reason $due = null;
    private float $until = \INF;

    /** @var (\Closure(Connection): bool)|null whether the work is still wanted */
    private ?\Closure $wanted = null;

    public function __construct(private readonly Connection $database) {}

    /** What a worker signs one piece of work with: machine, process, and a number of its own. */
    public static function signature(): string
    {
        return \sprintf('%s-%d-%s', substr((string) gethostname(), 0, 18), getmypid(), bin2hex(random_bytes(3)));
    }

    /**
     * Beats until release(), and holds a message of the transport meanwhile.
     *
     * @param string|null $message null for work that none asked for
     */
    public function hold(?string $message): void
    {
        $this->message = $message;
        if (\function_exists('pcntl_alarm')) {
            pcntl_async_signals(true);
            pcntl_signal(\SIGALRM, $this->beat(...));
            pcntl_alarm(1);
        }
    }

    public function release(): void
    {
        $this->message = null;
        $this->wanted = null;
        if (\function_exists('pcntl_alarm')) {
            pcntl_alarm(0);
        }
    }

    /**
     * What the work from now on depends on.
     *
     * @param \Closure(Connection): bool $wanted asked on a connection of its own at every beat
     * @param float                      $limit  s
     */
    public function watch(\Closure $wanted, float $limit): void
    {
        $this->wanted = $wanted;
        $this->until = microtime(true) + $limit;
        $this->due = $this->ending ? Reason::Ending : null;
    }

    /**
     * Does a piece of work that may be left anywhere in its middle.
     *
     * @template T
     *
     * @param callable(): T $work
     *
     * @return T
     *
     * @throws Interrupted
     */
    public function during(callable $work): mixed
    {
        $this->mayInterrupt = true;
        try {
            if (null !== $this->due) {
                throw new Interrupted($this->due);
            }

            return $work();
        } finally {
            $this->mayInterrupt = false;
        }
    }

    public function isEnding(): bool
    {
        return $this->ending;
    }

    #[AsEventListener(ConsoleEvents::SIGNAL)]
    public function onSignal(ConsoleSignalEvent $event): void
    {
        if (\in_array($event->getHandlingSignal(), [\SIGTERM, \SIGINT], true)) {
            $this->ending = true;
            $this->interrupt(Reason::Ending);
        }
    }

    #[AsEventListener]
    public function onStart(WorkerStartedEvent $event): void
    {
        $this->touch();
    }

    #[AsEventListener]
    public function onRunning(WorkerRunningEvent $event): void
    {
        $this->touch();
    }

    private function beat(): void
    {
        pcntl_alarm(1);
        $this->touch();
        $wanted = true;
        try {
            // The work itself may be in the middle of a transaction: the beat has a connection of its own.
            $this->line ??= DriverManager::getConnection($this->database->getParams());
            if (null !== $this->message) {
                $this->line->executeStatement(
                    'UPDATE message SET delivered_at = ? WHERE id = ?',
                    [(new \DateTimeImmutable('UTC'))->format('Y-m-d H:i:s'), $this->message],
                );
            }
            $wanted = null === $this->wanted || ($this->wanted)($this->line);
        } catch (DatabaseException) {
            $this->line = null;
        }
        if (!$wanted) {
            $this->interrupt(Reason::Unwanted);
        } elseif (null !== $this->wanted && microtime(true) > $this->until) {
            $this->interrupt(Reason::TimeOver);
        }
    }

    private function interrupt(Reason $reason): void
    {
        $this->due ??= $reason;
        if ($this->mayInterrupt) {
            $this->mayInterrupt = false;

            throw new Interrupted($this->due);
        }
    }

    private function touch(): void
    {
        $run = $_SERVER['ZIG_LANE_RUN'] ?? null;
        if (\is_string($run) && is_dir("$run/beats")) {
            @touch("$run/beats/" . getmypid());
        }
    }
}
