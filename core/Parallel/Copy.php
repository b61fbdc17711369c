<?php

declare(strict_types=1);

namespace ZigLane\Core\Parallel;

/**
 * A copy of this process at work on something.
 *
 * @internal
 */
final class Copy
{
    /** @param resource $line what it writes its result to */
    private function __construct(private readonly int $pid, private $line) {}

    /**
     * @param \Closure(): array<int, mixed> $work
     *
     * @return self|null null when the machine allows no further process
     */
    public static function make(\Closure $work): ?self
    {
        $pair = stream_socket_pair(\STREAM_PF_UNIX, \STREAM_SOCK_STREAM, 0);
        $pid = false === $pair ? -1 : pcntl_fork();
        if (false === $pair || $pid < 0) {
            return null;
        }
        [$here, $there] = $pair;
        if ($pid > 0) {
            fclose($there);

            return new self($pid, $here);
        }
        fclose($here);
        self::work($work, $there);
    }

    /**
     * In the copy.
     *
     * @param \Closure(): array<int, mixed> $work
     * @param resource                      $line
     */
    private static function work(\Closure $work, $line): never
    {
        pcntl_alarm(0);
        foreach ([\SIGTERM, \SIGINT, \SIGALRM] as $signal) {
            pcntl_signal($signal, \SIG_DFL);
        }
        try {
            $text = serialize($work());
            for ($sent = 0; $sent < \strlen($text); $sent += $went) {
                $went = @fwrite($line, substr($text, $sent, 1 << 20));
                if (false === $went || 0 === $went) {
                    break;
                }
            }
        } catch (\Throwable) {
            // Worked out again where it was asked for, it fails there too, and is seen.
        }
        // Without what would be done at a common end: open connections are shared with the process that was copied.
        posix_kill(posix_getpid(), \SIGKILL);
        exit(1);
    }

    /**
     * Waits for the result.
     *
     * @return array<int, mixed>|null null when it died
     */
    public function result(): ?array
    {
        $text = (string) stream_get_contents($this->line);
        $this->end();
        $result = '' === $text ? false : @unserialize($text);

        /** @var array<int, mixed>|null */
        return \is_array($result) ? $result : null;
    }

    /** Ends it, whatever it is doing. */
    public function end(): void
    {
        if (\is_resource($this->line)) {
            fclose($this->line);
            posix_kill($this->pid, \SIGKILL);
            pcntl_waitpid($this->pid, $status);
        }
    }
}
