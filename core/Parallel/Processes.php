<?php

declare(strict_types=1);

namespace ZigLane\Core\Parallel;

/**
 * Works out independent pieces of one computation at once, each in a copy of this process.
 *
 * What the pieces give depends on neither the number of processes nor on which is done first. A piece whose process dies is worked
 * out again here.
 */
final class Processes
{
    /** At work on pieces already, or a copy: no more processes are made from here. */
    private bool $busy = false;

    /** @param \Closure(): int $most how many may work at once, this one included; asked whenever there are pieces */
    private function __construct(private readonly \Closure $most) {}

    /** Everything in this process. */
    public static function single(): self
    {
        return new self(static fn(): int => 1);
    }

    /** At most so many at once. */
    public static function atMost(int $number): self
    {
        return new self(static fn(): int => $number);
    }

    /**
     * As many as allowed at the moment.
     *
     * @param \Closure(): int $most
     */
    public static function asAllowed(\Closure $most): self
    {
        return new self($most);
    }

    /** Processors of this machine, at least 1. */
    public static function processors(): int
    {
        $listed = @file_get_contents('/proc/cpuinfo');

        return max(1, \is_string($listed) ? (int) preg_match_all('/^processor\s*:/m', $listed) : 1);
    }

    /** Whether more than one may work at the moment. */
    public function several(): bool
    {
        return $this->allowed() > 1;
    }

    private function allowed(): int
    {
        return $this->busy || !\function_exists('pcntl_fork') ? 1 : ($this->most)();
    }

    /**
     * The same work on each of some items, in two shares: the first half of them and the rest.
     *
     * @template I
     * @template T
     *
     * @param list<I>         $items
     * @param \Closure(I): T $work  as for results()
     *
     * @return list<T> in the order of the items
     */
    public function inHalves(array $items, \Closure $work): array
    {
        $halves = array_chunk($items, max(1, intdiv(\count($items) + 1, 2)));

        return array_merge(...$this->results(array_map(
            static fn(array $half): \Closure => static fn(): array => array_map($work, $half),
            $halves,
        )));
    }

    /**
     * The results of all pieces, in their order.
     *
     * @template T
     *
     * @param list<\Closure(): T> $pieces they must not depend on each other, and their results must survive serialize(); what else
     *                                    they change is lost where another process works them out
     *
     * @return list<T>
     */
    public function results(array $pieces): array
    {
        $processes = \count($pieces) < 2 ? 1 : min(\count($pieces), $this->allowed());
        if ($processes < 2) {
            return array_map(static fn(\Closure $piece): mixed => $piece(), $pieces);
        }
        /** @var array<int, Copy> $copies */
        $copies = [];
        $this->busy = true;
        try {
            for ($n = 1; $n < $processes; ++$n) {
                $mine = array_filter($pieces, static fn(int $i): bool => $i % $processes === $n, \ARRAY_FILTER_USE_KEY);
                $copy = Copy::make(static fn(): array => array_map(static fn(\Closure $piece): mixed => $piece(), $mine));
                if (null !== $copy) {
                    $copies[$n] = $copy;
                }
            }
            $results = [];
            foreach ($pieces as $i => $piece) {
                if (!isset($copies[$i % $processes])) {
                    $results[$i] = $piece();
                }
            }
            foreach ($copies as $n => $copy) {
                $results += $copy->result() ?? [];
                unset($copies[$n]);
            }
            foreach ($pieces as $i => $piece) {
                if (!\array_key_exists($i, $results)) {
                    $results[$i] = $piece();
                }
            }
        } finally {
            $this->busy = false;
            foreach ($copies as $copy) {
                $copy->end();
            }
        }
        ksort($results);

        /** @var list<T> */
        return array_values($results);
    }
}
