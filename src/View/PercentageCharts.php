<?php

declare(strict_types=1);

namespace ZigLane\App\View;

use ZigLane\Core\Logbook\CountedShare;

/**
 * The logbook's charts in their own units: makes over time, shot against promised, where the cue ball stopped.
 *
 * @phpstan-type Mark array{x: float, y: float, low: float, high: float, words: string}
 */
final readonly class PercentageCharts
{
    /** Width and height of a chart, and of the square ones. */
    public const WIDTH = 560;
    public const HEIGHT = 200;
    public const SQUARE = 220;

    /** Points over time at most: more days are put together. */
    private const POINTS = 24;

    /** A chart of stops shows at least so far to each side, m, and so large a share of them. */
    private const REACH = 0.2;
    private const SHOWN = 0.95;

    /** Fewer stops have no mean worth telling. */
    private const FEW = 8;

    /** @var list<Mark> x from 0 to WIDTH, y from HEIGHT (0 %) to 0 (100 %) */
    public array $time;
    public string $first;
    public string $last;

    /** @var list<Mark> both from 0 to SQUARE */
    public array $promised;

    /** @var list<array{x: float, y: float, made: bool}> from −SQUARE / 2 to SQUARE / 2, up long, right to the right */
    public array $stops;

    /** What half of the chart of stops is, in the person's unit. */
    public string $reach;

    /** Mean and spread in words; '' for few. */
    public string $stopWords;

    /** @var array{x: float, y: float}|null */
    public ?array $mean;

    /**
     * @param list<array<string, string|int|float|null>> $days     with day, made and tries
     * @param list<array<string, string|int|float|null>> $promises with made, tries and pot
     * @param list<array<string, string|int|float|null>> $stops    with overrun, aside and made
     */
    public function __construct(array $days, array $promises, array $stops, Units $units)
    {
        $this->first = (string) ($days[0]['day'] ?? '');
        $this->last = (string) ($days[\count($days) - 1]['day'] ?? '');
        $this->time = self::overTime($days);
        $promised = [];
        foreach ($promises as $row) {
            $share = new CountedShare((int) $row['made'], (int) $row['tries']);
            $said = (float) $row['pot'];
            $promised[] = self::mark($said * self::SQUARE, $share, self::SQUARE, \sprintf('promised %.0f %%', 100 * $said));
        }
        $this->promised = $promised;
        $long = array_map(static fn(array $r): float => (float) $r['overrun'], $stops);
        $wide = array_map(static fn(array $r): float => (float) $r['aside'], $stops);
        $far = array_map(static fn(float $l, float $w): float => max(abs($l), abs($w)), $long, $wide);
        sort($far);
        $reach = max(self::REACH, ceil(10 * ($far[(int) (self::SHOWN * (\count($far) - 1))] ?? 0.0)) / 10);
        $scale = self::SQUARE / 2 / $reach;
        $this->reach = $units->length($reach);
        $marks = array_map(
            static fn(array $row, float $l, float $w): array => [
                'x' => round($w * $scale, 1),
                'y' => round(-$l * $scale, 1),
                'made' => (bool) $row['made'],
            ],
            $stops,
            $long,
            $wide,
        );
        // A few lie farther off than the chart reaches.
        $half = self::SQUARE / 2;
        $this->stops = array_values(array_filter($marks, static fn(array $m): bool => max(abs($m['x']), abs($m['y'])) <= $half));
        $many = \count($stops);
        if ($many < self::FEW) {
            $this->mean = null;
            $this->stopWords = '';

            return;
        }
        [$l, $w] = [array_sum($long) / $many, array_sum($wide) / $many];
        $this->mean = ['x' => round($w * $scale, 1), 'y' => round(-$l * $scale, 1)];
        $this->stopWords = \sprintf(
            'On average %s %s and %s to the %s; half of them within %s.',
            $units->length(abs($l)),
            $l > 0.0 ? 'long' : 'short',
            $units->length(abs($w)),
            $w > 0.0 ? 'right' : 'left',
            $units->length(self::median(array_map(hypot(...), $long, $wide))),
        );
    }

    /**
     * @param list<array<string, string|int|float|null>> $days
     *
     * @return list<Mark>
     */
    private static function overTime(array $days): array
    {
        $at = max(1, (int) ceil(\count($days) / self::POINTS));
        $groups = array_chunk($days, $at);
        $marks = [];
        foreach ($groups as $n => $group) {
            $share = new CountedShare((int) array_sum(array_column($group, 'made')), (int) array_sum(array_column($group, 'tries')));
            $from = (string) $group[0]['day'];
            $to = (string) $group[\count($group) - 1]['day'];
            $marks[] = self::mark(($n + 0.5) * self::WIDTH / \count($groups), $share, self::HEIGHT, $from === $to ? $from : "$from to $to");
        }

        return $marks;
    }

    /** @return Mark */
    private static function mark(float $x, CountedShare $share, int $height, string $what): array
    {
        return [
            'x' => round($x, 1),
            'y' => round($height * (1 - $share->share), 1),
            'low' => round($height * (1 - $share->low), 1),
            'high' => round($height * (1 - $share->high), 1),
            'words' => \sprintf('%s: %d of %d made', $what, $share->of, $share->all),
        ];
    }

    /** @param list<float> $values at least one */
    private static function median(array $values): float
    {
        sort($values);

        return $values[intdiv(\count($values), 2)];
    }
}
