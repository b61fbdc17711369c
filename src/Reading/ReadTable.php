<?php

declare(strict_types=1);

namespace ZigLane\App\Reading;

use ZigLane\App\Work\Work;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Reading\TableReading;

/**
 * Reads a table. The last reading of a rack helps with the next, as long as the same worker makes it.
 */
final class ReadTable implements Work
{
    /** Racks whose last reading is remembered. */
    private const REMEMBERED = 12;

    /** @var array<string, TableReading> by rack and equipment, the latest last */
    private array $last = [];

    public static function kind(): string
    {
        return 'reading';
    }

    /**
     * @param list<mixed> $question Rack, and the number of the stored rack
     *
     * @return list<TableReading>
     */
    public function answers(array $question): array
    {
        [$rack, $id] = $question;
        \assert($rack instanceof Rack && \is_int($id));

        return [$this->read($rack, $id)];
    }

    /** @param int $id of the stored rack */
    public function read(Rack $rack, int $id): TableReading
    {
        $key = hash('xxh128', serialize([$id, $rack->table, $rack->cue, $rack->player, $rack->game, $rack->group]));
        $reading = TableReading::of($rack, $rack->player, $this->last[$key] ?? null);
        unset($this->last[$key]);
        $this->last[$key] = $reading;
        $this->last = \array_slice($this->last, -self::REMEMBERED);

        return $reading;
    }
}
