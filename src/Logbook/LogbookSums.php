<?php

declare(strict_types=1);

namespace ZigLane\App\Logbook;

use Doctrine\DBAL\Connection;
use ZigLane\Core\Logbook\Aspect;

/**
 * What the attempts of the logbook come to, counted by the database.
 *
 * @phpstan-import-type Row from Logbook
 */
final readonly class LogbookSums
{
    /** What is summed of attempts. */
    private const SUMS = 'COUNT(*) AS tries, COALESCE(SUM(a.made), 0) AS made, COUNT(a.in_position) AS zoned,'
        . ' COALESCE(SUM(a.made AND a.in_position), 0) AS placed, AVG(a.promised_pot) AS pot,'
        . ' AVG(IF(a.in_position IS NULL, NULL, a.promised_position)) AS position, COUNT(a.promised_pot) AS promised,'
        . ' COUNT(a.said) AS saids, AVG(a.said) AS said,'
        . ' COALESCE(SUM(IF(a.said IS NULL, NULL, IF(a.in_position IS NULL, a.made, a.made AND a.in_position))), 0) AS said_done';

    private const FROM = ' FROM attempt a JOIN play_session s ON s.id = a.session_id WHERE ';

    public function __construct(private Connection $database) {}

    /** @return Row tries, made, zoned (a zone was asked for), placed (made in it), promised chances and what was said, summed */
    public function sums(LogbookFilter $filter): array
    {
        [$where, $values] = $filter->where();

        return $this->rows('SELECT ' . self::SUMS . self::FROM . $where, $values)[0];
    }

    /**
     * The same, told apart.
     *
     * @return array<string|int, Row> by band of a measure, else by value
     */
    public function sumsBy(LogbookFilter $filter, Aspect $aspect): array
    {
        [$where, $values] = $filter->where();
        $column = 'a.' . (Aspect::Speed === $aspect ? 'lengths' : $aspect->value);
        $band = $column;
        if ($aspect->isMeasure()) {
            $band = 'CASE';
            foreach ($aspect->edges() as $n => $edge) {
                $band .= " WHEN $column < $edge THEN $n";
            }
            $band .= ' ELSE ' . \count($aspect->edges()) . ' END';
        }
        $rows = $this->rows(
            "SELECT $band AS band, " . self::SUMS . self::FROM . "$where AND $column IS NOT NULL GROUP BY band ORDER BY band",
            $values,
        );

        return array_column($rows, null, 'band');
    }

    /**
     * Day by day.
     *
     * @return list<Row> with the day, the oldest first
     */
    public function sumsByDay(LogbookFilter $filter): array
    {
        [$where, $values] = $filter->where();

        return $this->rows('SELECT DATE(a.played_at) AS day, ' . self::SUMS . self::FROM . "$where GROUP BY day ORDER BY day", $values);
    }

    /**
     * By what was promised: ten bands of the chance to pot.
     *
     * @return list<Row> with the band, 0–9
     */
    public function sumsByPromise(LogbookFilter $filter): array
    {
        [$where, $values] = $filter->where();

        return $this->rows(
            'SELECT LEAST(9, FLOOR(10 * a.promised_pot)) AS band, ' . self::SUMS . self::FROM
            . "$where AND a.promised_pot IS NOT NULL GROUP BY band ORDER BY band",
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
        /** @var list<Row> */
        return $this->database->fetchAllAssociative($sql, $values);
    }
}
