<?php

declare(strict_types=1);

namespace ZigLane\App\View;

use ZigLane\App\Reading\Look;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Equipment\TableGeometry;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Reading\KeyBall;
use ZigLane\Core\Reading\Opening;
use ZigLane\Core\Reading\TableReading;
use ZigLane\Core\Reading\Trouble\Trouble;
use ZigLane\Core\Reading\Trouble\TroubleKind;
use ZigLane\Core\Wording\KeyBallWording;
use ZigLane\Core\Wording\ReadingSummary;
use ZigLane\Core\Wording\TroubleWording;

/**
 * A reading as the page shows it: marks in mm, and words.
 *
 * @phpstan-type Way array{pocket: Pocket, state: string, words: string, tick: string, lane: string,
 *                          end: array{x: string, y: string}, degrees: float, share: float}
 */
final readonly class ReadingView
{
    /** Ticks around a ball that point to its pockets: where they begin and how long the fullest is, m. */
    private const TICK_FROM = 0.038;
    private const TICK_LONG = 0.075;

    /** @var list<string> */
    public array $summary;

    /** @var array<int, list<Way>> by ball, in the order of the pockets */
    public array $ways;

    /** @var array<int, string> what to say of a ball */
    public array $words;

    /** @var array<int, string> a short mark at a ball: "key", "break" */
    public array $marks;

    /** @var list<array{kind: string, path: string}> between balls that trouble each other */
    public array $ties;

    /** @var array<int, int> how bad a ball's worst trouble is */
    public array $weights;

    public ?int $problem;

    /** Ball and pocket looked at, when they are on the table. */
    public ?int $ball;
    public ?Pocket $pocket;

    public function __construct(public Rack $rack, public TableReading $reading, public Look $look)
    {
        $geometry = new TableGeometry($rack->table);
        $this->summary = ReadingSummary::of($reading, $rack);
        $this->problem = $reading->problem();
        $ways = $words = $weights = $marks = [];
        foreach ($reading->openings->balls() as $ball) {
            foreach ($reading->openings->ofBall($ball) as $opening) {
                $ways[$ball][] = self::way($opening, $rack->layout->ball($ball), $geometry);
            }
            $words[$ball] = self::wordsOf($reading, $ball);
        }
        foreach ($reading->troubles as $trouble) {
            $of = $trouble->balls[0];
            $weights[$of] = max($weights[$of] ?? 0, $trouble->weight);
        }
        foreach ($reading->keys as $key) {
            $marks[$key->ball] ??= $key->break ? 'break' : 'key';
        }
        $this->ways = $ways;
        $this->words = $words;
        $this->weights = $weights;
        $this->marks = $marks;
        $this->ties = array_merge(...array_map(fn(Trouble $t): array => self::tiesOf($t, $rack), $reading->troubles), ...[[]]);
        $this->ball = null !== $look->ball && BallId::CUE !== $look->ball && $rack->layout->has($look->ball) ? $look->ball : null;
        $this->pocket = null === $this->ball ? null : ($look->pocket ?? ($reading->openings->going($this->ball)[0] ?? null)?->pocket);
    }

    public function sentence(Trouble|KeyBall $found): string
    {
        return $found instanceof Trouble ? TroubleWording::sentence($found) : KeyBallWording::sentence($found);
    }

    /** @return list<Trouble> that a ball is in first */
    public function troublesOf(int $ball): array
    {
        return array_values(array_filter($this->reading->troubles, static fn(Trouble $t): bool => $t->balls[0] === $ball));
    }

    /** The pocket that a ball goes in most openly; "" for none. */
    public function widest(int $ball): string
    {
        return ($this->reading->openings->going($ball)[0] ?? null)?->pocket->value ?? '';
    }

    public function isOwn(int $ball): bool
    {
        return \in_array($ball, $this->reading->own, true);
    }

    /** @return list<KeyBall> */
    public function keys(): array
    {
        return $this->reading->keys;
    }

    /**
     * @return Way
     */
    private static function way(Opening $o, Point $from, TableGeometry $geometry): array
    {
        $end = $geometry->pocket($o->pocket)->mouthMiddle();
        $way = $from->angleTo($end);
        $state = match (true) {
            $o->narrowed() => 'narrow',
            $o->goes() => 'open',
            $o->blocked() => 'blocked',
            default => 'closed',
        };
        $by = [] === $o->blockers ? '' : ' the ' . implode(' and the ', \array_slice($o->blockers, 0, 2));

        return [
            'pocket' => $o->pocket,
            'state' => $state,
            'words' => $o->pocket->spoken() . ' ' . match ($state) {
                'open' => \sprintf('%.1f°', rad2deg($o->free)),
                'narrow' => \sprintf('%.1f°, %.0f %% free beside%s', rad2deg($o->free), 100 * $o->share(), $by),
                'blocked' => "blocked by$by",
                default => 'closed by the angle',
            },
            'tick' => 'M' . Svg::point($from->toward($way, self::TICK_FROM)) . 'L' . Svg::point(
                $from->toward($way, self::TICK_FROM + self::TICK_LONG * (0.35 + 0.65 * $o->share())),
            ),
            'lane' => 'M' . Svg::point($from->toward($way, 0.03)) . 'L' . Svg::point($end),
            'end' => ['x' => Svg::mm($end->x), 'y' => Svg::mm($end->y)],
            'degrees' => rad2deg($o->free),
            'share' => $o->share(),
        ];
    }

    private static function wordsOf(TableReading $reading, int $ball): string
    {
        $going = $reading->openings->going($ball);
        if ([] === $going) {
            $blocked = array_filter($reading->openings->ofBall($ball), static fn(Opening $o): bool => $o->blocked());

            return 'goes nowhere' . ([] === $blocked ? '' : ': ' . implode(', ', array_map(
                static fn(Opening $o): string => \sprintf(
                    '%s behind the %s',
                    $o->pocket->spoken(),
                    implode(' and ', \array_slice($o->blockers, 0, 2)),
                ),
                \array_slice(array_values($blocked), 0, 2),
            )));
        }

        return implode(', ', array_map(
            static fn(Opening $o): string => $o->pocket->spoken() . ($o->narrowed() ? \sprintf(' (%.0f %%)', 100 * $o->share()) : ''),
            \array_slice($going, 0, 3),
        )) . (\count($going) > 3 ? ' …' : '');
    }

    /**
     * @return list<array{kind: string, path: string}>
     */
    private static function tiesOf(Trouble $t, Rack $rack): array
    {
        if (!\in_array($t->kind, [TroubleKind::Cluster, TroubleKind::Stuck, TroubleKind::Blocks, TroubleKind::SameLane], true)) {
            return [];
        }
        $first = $rack->layout->ball($t->balls[0]);

        return array_map(static fn(int $b): array => [
            'kind' => str_replace(' ', '-', $t->kind->value),
            'path' => 'M' . Svg::point($first) . 'L' . Svg::point($rack->layout->ball($b)),
        ], array_values(array_filter(\array_slice($t->balls, 1), $rack->layout->has(...))));
    }
}
