<?php

declare(strict_types=1);

namespace ZigLane\App\Share;

use Doctrine\DBAL\Connection;
use Symfony\Component\Clock\ClockInterface;
use ZigLane\App\Upkeep\Perishable;
use ZigLane\Core\Drills\Drill;
use ZigLane\Core\Drills\Files\DrillFile;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Rack\Files\JsonText;

/**
 * Drills that others can read by a link.
 */
final readonly class SharedDrills implements Perishable
{
    /** Links of one drill at most. */
    private const MOST = 20;

    private const JSON = \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_PRESERVE_ZERO_FRACTION;

    public function __construct(private Connection $database, private ClockInterface $clock) {}

    /** @throws InvalidInput when too much is shared */
    public function share(string $slug, Drill $drill, int $days): void
    {
        if (\count($this->of($slug)) >= self::MOST) {
            throw new InvalidInput('', \sprintf('This drill has %d links already: take one back first.', self::MOST));
        }
        $days = \in_array($days, SharedPlans::DAYS, true) ? $days : SharedPlans::DAYS[0];
        $now = $this->clock->now();
        $this->database->insert('shared_drill', [
            'slug' => $slug,
            'token' => bin2hex(random_bytes(16)),
            'document' => json_encode(DrillFile::write($drill), self::JSON),
            'created_at' => $now->format('Y-m-d H:i:s'),
            'until_at' => $now->modify("+$days days")->format('Y-m-d H:i:s'),
        ]);
    }

    /**
     * @return list<array{id: int, token: string, made: string, until: string}> those that can be read, the newest first
     */
    public function of(string $slug): array
    {
        $rows = $this->database->fetchAllAssociative(
            'SELECT id, token, created_at, until_at FROM shared_drill WHERE slug = ? AND until_at > ? ORDER BY id DESC',
            [$slug, $this->now()],
        );

        return array_map(static fn(array $row): array => [
            'id' => is_numeric($row['id']) ? (int) $row['id'] : 0,
            'token' => \is_string($row['token']) ? $row['token'] : '',
            'made' => \is_string($row['created_at']) ? $row['created_at'] : '',
            'until' => \is_string($row['until_at']) ? $row['until_at'] : '',
        ], $rows);
    }

    /**
     * By its token.
     *
     * @return array{Drill, string}|null the drill, and until when it can be read; null when there is none, it was taken back, its time is
     *                                   over, or it cannot be read
     */
    public function find(string $token): ?array
    {
        $row = $this->database->fetchAssociative(
            'SELECT document, until_at FROM shared_drill WHERE token = ? AND until_at > ?',
            [$token, $this->now()],
        );
        try {
            return false === $row || !\is_string($row['document']) || !\is_string($row['until_at'])
                ? null
                : [DrillFile::read(JsonText::decode($row['document'], DrillFile::LARGEST)), $row['until_at']];
        } catch (InvalidInput) {
            return null;
        }
    }

    /** Takes a link back. */
    public function takeBack(string $slug, int $id): void
    {
        $this->database->delete('shared_drill', ['slug' => $slug, 'id' => $id]);
    }

    public function purge(\DateTimeImmutable $now): int
    {
        return (int) $this->database->executeStatement('DELETE FROM shared_drill WHERE until_at <= ?', [$now->format('Y-m-d H:i:s')]);
    }

    private function now(): string
    {
        return $this->clock->now()->format('Y-m-d H:i:s');
    }
}
