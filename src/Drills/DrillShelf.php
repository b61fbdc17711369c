<?php

declare(strict_types=1);

namespace ZigLane\App\Drills;

use Doctrine\DBAL\Connection;
use Symfony\Component\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use ZigLane\App\Upkeep\Perishable;
use ZigLane\Core\Drills\Drill;
use ZigLane\Core\Drills\Files\DrillFile;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Rack\Files\JsonText;

/**
 * The drills that there are: those that come with the program, and one's own.
 */
final readonly class DrillShelf implements Perishable
{
    /** Own drills at most; deleted ones are kept so many days. */
    private const MOST = 500;
    private const KEPT_DAYS = 30;

    private const JSON = \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_PRESERVE_ZERO_FRACTION;

    public function __construct(
        private Connection $database,
        private ClockInterface $clock,
        #[Autowire('%kernel.project_dir%/drills')]
        private string $folder,
    ) {}

    /**
     * @return array<string, Drill> by their name in addresses, in order of their names
     */
    public function all(): array
    {
        $drills = [];
        foreach (glob($this->folder . '/*.json') ?: [] as $file) {
            $drills[basename($file, '.json')] = DrillFile::read(JsonText::decode((string) file_get_contents($file)));
        }
        foreach ($this->database->fetchAllKeyValue('SELECT slug, document FROM own_drill WHERE deleted_at IS NULL') as $slug => $document) {
            try {
                $drills[(string) $slug] = DrillFile::read(JsonText::decode(\is_string($document) ? $document : ''));
            } catch (InvalidInput) {
                // A damaged one is left out; its own page says so.
                continue;
            }
        }
        uasort($drills, static fn(Drill $a, Drill $b): int => strcasecmp($a->name, $b->name));

        return $drills;
    }

    /**
     * @throws NotFoundHttpException when there is none of that name
     * @throws InvalidInput          when it is damaged
     */
    public function find(string $slug): Drill
    {
        $file = "$this->folder/$slug.json";
        if (is_file($file)) {
            return DrillFile::read(JsonText::decode((string) file_get_contents($file)));
        }
        $document = $this->database->fetchOne('SELECT document FROM own_drill WHERE slug = ? AND deleted_at IS NULL', [$slug]);
        if (!\is_string($document)) {
            throw new NotFoundHttpException('There is no such drill.');
        }

        return DrillFile::read(JsonText::decode($document));
    }

    public function isOwn(string $slug): bool
    {
        return !is_file("$this->folder/$slug.json");
    }

    /**
     * Keeps a drill of one's own.
     *
     * @return string its name in addresses
     *
     * @throws InvalidInput when there are too many
     */
    public function keep(Drill $drill): string
    {
        $many = $this->database->fetchOne('SELECT COUNT(*) FROM own_drill');
        if (is_numeric($many) && $many >= self::MOST) {
            throw new InvalidInput('', \sprintf('There are %d drills already: delete some', self::MOST));
        }
        $plain = strtolower((string) iconv('UTF-8', 'ASCII//TRANSLIT//IGNORE', $drill->name));
        $base = trim(substr((string) preg_replace('/[^a-z0-9]+/', '-', $plain), 0, 50), '-');
        $slug = $base = '' === $base ? 'drill' : $base;
        for ($n = 2; !$this->isFree($slug); ++$n) {
            $slug = "$base-$n";
        }
        $this->database->insert('own_drill', [
            'slug' => $slug,
            'document' => json_encode(DrillFile::write($drill), self::JSON),
            'created_at' => $this->clock->now()->format('Y-m-d H:i:s'),
        ]);

        return $slug;
    }

    /** Deletes a drill of one's own, or puts it back. */
    public function delete(string $slug, bool $deleted): void
    {
        $at = $deleted ? $this->clock->now()->format('Y-m-d H:i:s') : null;
        $this->database->update('own_drill', ['deleted_at' => $at], ['slug' => $slug]);
    }

    public function purge(\DateTimeImmutable $now): int
    {
        return (int) $this->database->executeStatement(
            'DELETE FROM own_drill WHERE deleted_at < ?',
            [$now->modify(\sprintf('-%d days', self::KEPT_DAYS))->format('Y-m-d H:i:s')],
        );
    }

    private function isFree(string $slug): bool
    {
        return $this->isOwn($slug) && false === $this->database->fetchOne('SELECT 1 FROM own_drill WHERE slug = ?', [$slug]);
    }
}
