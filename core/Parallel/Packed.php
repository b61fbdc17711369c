<?php

declare(strict_types=1);

namespace ZigLane\Core\Parallel;

/**
 * Lists of numbers as bytes, for another process of the same machine: a tenth of the time of serialize(). Read in the order in which
 * they were written.
 */
final class Packed
{
    private int $at = 0;

    public function __construct(private string $bytes = '') {}

    /** @param array<int, int> $numbers of 32 bits */
    public function addIntegers(array $numbers): void
    {
        $this->bytes .= pack('l', \count($numbers)) . pack('l*', ...$numbers);
    }

    /** @param array<int, float> $numbers */
    public function addFloats(array $numbers): void
    {
        $this->bytes .= pack('l', \count($numbers)) . pack('d*', ...$numbers);
    }

    /**
     * @return list<int>
     */
    public function integers(): array
    {
        $count = $this->length();

        /** @var list<int> */
        return $this->read("l$count", 4 * $count);
    }

    /**
     * @return list<float>
     */
    public function floats(): array
    {
        $count = $this->length();

        /** @var list<float> */
        return $this->read("d$count", 8 * $count);
    }

    /** Everything that was added. */
    public function bytes(): string
    {
        return $this->bytes;
    }

    private function length(): int
    {
        $length = $this->read('l', 4)[0] ?? null;

        return \is_int($length) ? $length : throw new \LogicException('Nothing more was packed.');
    }

    /**
     * @return list<mixed>
     */
    private function read(string $format, int $bytes): array
    {
        $values = 0 === $bytes ? [] : unpack($format, $this->bytes, $this->at);
        $this->at += $bytes;

        return false === $values ? throw new \LogicException('Not what was packed.') : array_values($values);
    }
}
