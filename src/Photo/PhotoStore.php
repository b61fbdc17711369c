<?php

declare(strict_types=1);

namespace ZigLane\App\Photo;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\ParameterType;
use Symfony\Component\Clock\ClockInterface;
use ZigLane\App\Upkeep\Perishable;

/**
 * One picture for each rack.
 */
final readonly class PhotoStore implements Perishable
{
    /** A picture that is not to be kept goes after so many days, should nobody finish with it. */
    private const DAYS = 1;

    public function __construct(private Connection $database, private ClockInterface $clock) {}

    /** Puts a picture in the place of the one before. */
    public function put(int $rack, string $jpeg): void
    {
        $this->database->executeStatement(
            'REPLACE INTO table_photo (rack_id, picture, kept, created_at) VALUES (?, ?, 0, ?)',
            [$rack, $jpeg, $this->clock->now()->format('Y-m-d H:i:s')],
            [ParameterType::INTEGER, ParameterType::LARGE_OBJECT, ParameterType::STRING],
        );
    }

    public function picture(int $rack): ?string
    {
        $picture = $this->database->fetchOne('SELECT picture FROM table_photo WHERE rack_id = ?', [$rack]);

        return \is_string($picture) ? $picture : null;
    }

    /** Whether the rack's picture is to be kept; null when it has none. */
    public function kept(int $rack): ?bool
    {
        $kept = $this->database->fetchOne('SELECT kept FROM table_photo WHERE rack_id = ?', [$rack]);

        return false === $kept ? null : (bool) $kept;
    }

    public function keep(int $rack): void
    {
        $this->database->update('table_photo', ['kept' => 1], ['rack_id' => $rack]);
    }

    public function drop(int $rack): void
    {
        $this->database->delete('table_photo', ['rack_id' => $rack]);
    }

    /** Removes what nobody finished with. */
    public function purge(\DateTimeImmutable $now): int
    {
        return (int) $this->database->executeStatement(
            'DELETE FROM table_photo WHERE kept = 0 AND created_at < ?',
            [$now->modify(\sprintf('-%d days', self::DAYS))->format('Y-m-d H:i:s')],
        );
    }
}
