<?php

declare(strict_types=1);

namespace ZigLane\App\Logbook;

use Doctrine\DBAL\Connection;
use Symfony\Contracts\Cache\CacheInterface;
use Symfony\Contracts\Cache\ItemInterface;
use ZigLane\Core\Logbook\Aspect;

/**
 * What the attempts of the logbook come to, counted by the database, once for each state of the logbook.
 *
 * @phpstan-import-type Row from Logbook
 */
final readonly class LogbookSums
{
    /** What is summed of attempts: Counted's columns. */
    private const SUMS = 'COUNT(*) AS tries, SUM(a.made) AS made, COUNT(a.in_position) AS zoned, SUM(a.made AND a.in_position) AS placed,'
        . ' SUM(a.promised_pot) AS pots, COUNT(a.promised_pot) AS potted,'
        . ' SUM(IF(a.in_position IS NULL, NULL, a.promised_position)) AS positions,'
        . ' COUNT(IF(a.in_position IS NULL, NULL, a.promised_position)) AS positioned';

    private const FROM = ' FROM attempt a WHERE ';

    /** How long sums are remembered that nobody asks for, s. */
    private const REMEMBERED = 3600;

    public function __construct(private Connection $database, private CacheInterface $cache, private LogbookEdition $edition) {}

    /** All of them together. */
    public function sums(LogbookFilter $filter): Counted
    {
        [$where, $values] = $filter->where();

        return Counted::of($this->rows('SELECT ' . self::SUMS . self::FROM . $where, $values)[0]);
    }

    /** What was said beforehand, and whether it was done. */
    public function said(LogbookFilter $filter): Counted
    {
        [$where, $values] = $filter->where();

        return Counted::of($this->rows(
            'SELECT SUM(a.said) AS saids, COUNT(*) AS said, SUM(a.made AND COALESCE(a.in_position, 1)) AS placed' . self::FROM
            . "$where AND a.said IS NOT NULL",
            $values,
        )[0]);
    }

    /**
     * The same, told apart.
     *
     * @return array{array<string|int, Counted>, Counted} by band of a measure, else by value; and all, those of none among them
     */
    public function sumsBy(LogbookFilter $filter, Aspect $aspect): array
    {
        [$where, $values] = $filter->where();
        $column = 'a.' . (Aspect::Speed === $aspect ? 'lengths' : $aspect->value);
        $band = $column;
        if ($aspect->isMeasure()) {
            $band = "CASE WHEN $column IS NULL THEN NULL";
            foreach ($aspect->edges() as $n => $edge) {
                $band .= " WHEN $column < $edge THEN $n";
            }
            $band .= ' ELSE ' . \count($aspect->edges()) . ' END';
        }
        $all = new Counted();
        $bands = [];
        foreach ($this->rows("SELECT $band AS band, " . self::SUMS . self::FROM . "$where GROUP BY band ORDER BY band", $values) as $row) {
            $all = $all->plus(Counted::of($row));
            if (null !== $row['band']) {
                $bands[(string) $row['band']] = Counted::of($row);
            }
        }

        return [$bands, $all];
    }

    /**
     * Day by day.
     *
     * @return list<Row> day, tries and made, the oldest first
     */
    public function sumsByDay(LogbookFilter $filter): array
    {
        [$where, $values] = $filter->where();

        return $this->rows(
            'SELECT DATE(a.played_at) AS day, COUNT(*) AS tries, SUM(a.made) AS made' . self::FROM . "$where GROUP BY day ORDER BY day",
            $values,
        );
    }

    /**
     * By what was promised: ten bands of the chance to pot.
     *
     * @return list<Row> the band, 0–9, tries, made and the mean chance
     */
    public function sumsByPromise(LogbookFilter $filter): array
    {
        [$where, $values] = $filter->where();

        return $this->rows(
            'SELECT LEAST(9, FLOOR(10 * a.promised_pot)) AS band, COUNT(*) AS tries, SUM(a.made) AS made, AVG(a.promised_pot) AS pot'
            . self::FROM . "$where AND a.promised_pot IS NOT NULL GROUP BY band ORDER BY band",
            $values,
        );
    }

    /**
     * How far from where it was to stop the cue ball stopped, the newest first.
     *
     * @return list<Row> overrun and aside, m, made
     */
    public function stops(LogbookFilter $filter, int $most): array
    {
        [$where, $values] = $filter->where();

        return $this->rows(
            'SELECT a.overrun, a.aside, a.made' . self::FROM
            . "$where AND a.overrun IS NOT NULL AND a.kind <> 'safety' ORDER BY a.played_at DESC, a.id DESC LIMIT $most",
            $values,
        );
    }

    /**
     * @param list<scalar> $values
     *
     * @return list<Row>
     */
    private function rows(string $sql, array $values): array
    {
        $key = 'logbook-' . hash('xxh128', serialize([$sql, $values, $this->edition->name()]));

        return $this->cache->get($key, function (ItemInterface $item) use ($sql, $values): array {
            $item->expiresAfter(self::REMEMBERED);

            /** @var list<Row> */
            return $this->database->fetchAllAssociative($sql, $values);
        });
    }
}
