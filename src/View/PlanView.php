<?php

declare(strict_types=1);

namespace ZigLane\App\View;

use ZigLane\App\Entity\PlanRecord;
use ZigLane\App\Plan\PlanDesk;
use ZigLane\App\Plan\StoredPlan;
use ZigLane\App\Rack\OpenRack;
use ZigLane\Core\Decision\OptionKind;
use ZigLane\Core\Files\AdviceFile;
use ZigLane\Core\Files\ConstraintsFile;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Planning\BreakShot;
use ZigLane\Core\Planning\PlanConstraints;
use ZigLane\Core\Planning\Survival;
use ZigLane\Core\Rack\Files\JsonText;
use ZigLane\Core\Rack\Files\RackFile;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Wording\AdviceWording;
use ZigLane\Core\Wording\Mentioned;
use ZigLane\Core\Wording\PlanWording;
use ZigLane\Core\Wording\ShotWording;

/**
 * A plan as the page shows it.
 *
 * @phpstan-import-type Shown from AdviceFile
 */
final readonly class PlanView
{
    private const LOST_TO = [
        'missed' => 'a miss from a good place',
        'position' => 'a miss from out of position',
        'scratch' => 'a scratch',
        'hooked' => 'no shot left',
    ];

    /** A shot that loses less than this share of all runs is not named. */
    private const WORTH_NAMING = 0.02;

    /** The rack with the plan's shots as its legs; null before there is any. */
    public ?Rack $line;

    /**
     * @var list<array{number: int, ball: int, pocket: string, pot: float, position: float, runOut: float, sofar: float,
     *            route: string, why: list<string>, whyBalls: list<list<int>>, rough: bool, hinge: bool, zone: string, heart: string}>
     */
    public array $shots;

    /** @var list<string> */
    public array $says;

    /** @var list<list<int>> balls that each of them is about */
    public array $saysBalls;
    public ?float $runOut;
    public ?string $stopped;
    public ?int $hinge;

    /**
     * How runs go on, by shot; [] for a rough plan.
     *
     * @var list<array{number: int, alive: float, lost: array<string, float>}>
     */
    public array $survival;

    /** Of straight pool, once the plan is settled. */
    public ?BreakShot $break;

    /**
     * Whether to go or to play safe; null where that is not asked.
     *
     * @var Shown|null
     */
    public ?array $advice;

    /**
     * What to play where the plan breaks off, in sentences.
     *
     * @var list<string>
     */
    public array $ending;

    /**
     * What stands at the end of the line of shots; null where the line goes on to a break shot, or there is none.
     *
     * @var array{title: string, text: string, short: bool}|null
     */
    public ?array $end;

    /** Whether the rack has changed since. */
    public bool $stale;
    public PlanConstraints $pins;

    /** Rack that it was planned for. */
    public ?Rack $rack;

    /** Why what is stored of it cannot be shown. */
    public ?string $damage;

    /**
     * @param list<PlanRecord> $all   plans of the rack, the newest first
     * @param int              $ahead plans that come before it
     */
    public function __construct(public OpenRack $open, public ?PlanRecord $record, public array $all, public int $ahead = 0)
    {
        $rack = $plan = $damage = $advice = $ending = null;
        $pins = new PlanConstraints();
        try {
            if (null !== $record) {
                $stored = StoredPlan::of($record);
                [$rack, $pins, $plan] = [$stored->rack, $stored->pins, $stored->plan];
                [$advice, $ending] = [$stored->advice, $stored->ending];
            }
        } catch (InvalidInput) {
            $damage = 'What is stored of this plan cannot be read. Plan the rack again.';
        }
        $this->damage = $damage;
        $this->advice = null === $plan ? null : $advice;
        $this->ending = null === $plan || null === $ending ? [] : [$ending['headline'], ...$ending['says']];
        $this->rack = $rack ?? (null === $record ? null : $open->rack);
        $this->pins = $pins;
        $this->stale = null !== $record && (null !== $damage || $this->changed($record));
        $this->line = $plan?->line();
        $this->runOut = $plan?->runOut;
        $this->stopped = null === $plan ? null : PlanWording::stopped($plan);
        $this->says = null === $plan ? [] : PlanWording::says($plan);
        $this->saysBalls = array_map(Mentioned::balls(...), $plan->says ?? []);
        $this->hinge = $plan?->hinge;
        $this->break = $plan?->break;
        $shots = [];
        foreach ($plan->shots ?? [] as $n => $shot) {
            \assert(null !== $plan);
            $shots[] = [
                'number' => $n + 1,
                'ball' => $shot->pot->ball,
                'pocket' => $shot->pot->pocket->spoken(),
                'pot' => $shot->chances->pot,
                'position' => $shot->chances->position,
                'runOut' => $shot->chances->runOut,
                'sofar' => $plan->through($n + 1),
                'route' => ShotWording::route($shot),
                'why' => ShotWording::why($shot),
                'whyBalls' => array_map(Mentioned::balls(...), $shot->findings),
                'rough' => !$shot->settled,
                'hinge' => $n + 1 === $plan->hinge,
                'zone' => ZoneDrawing::path($shot->zone),
                'heart' => ZoneDrawing::path($shot->heart),
            ];
        }
        $this->shots = $shots;
        $hasNoEnd = null === $plan || null !== $plan->break;
        $this->end = $hasNoEnd ? null : $this->end([] === $shots ? $this->advice : $ending);
        $this->survival = self::survivalOf($plan?->survival);
    }

    /**
     * @param array{choice: OptionKind, win: float}|null $instead what to do where the shots end early
     *
     * @return array{title: string, text: string, short: bool}
     */
    private function end(?array $instead): array
    {
        return match (true) {
            null === $this->stopped => [
                'title' => 'Run out',
                'text' => \sprintf('%.0f %% from the start', 100 * (float) $this->runOut),
                'short' => false,
            ],
            null === $instead => ['title' => 'Ends here', 'text' => $this->stopped, 'short' => true],
            default => [
                'title' => AdviceWording::decision($instead['choice']),
                'text' => \sprintf('%.0f %% to win the rack', 100 * $instead['win']),
                'short' => false,
            ],
        };
    }

    /** The rack with the stroke of one option as its only leg; null where there is none. */
    public function optionAlone(string $option): ?Rack
    {
        $shot = $this->advice['shots'][$option] ?? null;

        return null === $shot || null === $this->line ? null : $this->line->withLegs([$shot]);
    }

    /**
     * @return list<array{number: int, alive: float, lost: array<string, float>}>
     */
    private static function survivalOf(?Survival $survival): array
    {
        return null === $survival ? [] : array_map(
            static fn(int $n): array => ['number' => $n + 1, 'alive' => $survival->alive[$n], 'lost' => $survival->losses[$n]->byCause()],
            array_keys($survival->alive),
        );
    }

    /**
     * What ends runs, in runs of a hundred, the most first; what ends less than one in two hundred is not told.
     *
     * @return list<array{cause: string, word: string, runs: string}>
     */
    public function lostTo(): array
    {
        $sums = [];
        foreach ($this->survival as $shot) {
            foreach ($shot['lost'] as $cause => $share) {
                $sums[$cause] = ($sums[$cause] ?? 0.0) + $share;
            }
        }
        arsort($sums);
        $told = [];
        foreach (array_filter($sums, static fn(float $sum): bool => $sum >= 0.005) as $cause => $sum) {
            $told[] = ['cause' => $cause, 'word' => self::LOST_TO[$cause], 'runs' => (string) round(100 * $sum)];
        }

        return $told;
    }

    /**
     * The shot at which most runs end, and what ends most of them there; null where hardly any end.
     *
     * @return array{number: int, to: string}|null
     */
    public function worst(): ?array
    {
        $worst = null;
        $most = self::WORTH_NAMING;
        foreach ($this->survival as $shot) {
            $sum = array_sum($shot['lost']);
            if ($sum > $most) {
                $most = $sum;
                arsort($shot['lost']);
                $worst = ['number' => $shot['number'], 'to' => self::LOST_TO[(string) array_key_first($shot['lost'])]];
            }
        }

        return $worst;
    }

    public function id(): int
    {
        return $this->record?->id() ?? 0;
    }

    public function busy(): bool
    {
        return true === $this->record?->isUnderWay();
    }

    /**
     * The plan before this one, when it was for somebody else or on other equipment: who and where, and its chance.
     *
     * @return array{who: string, runOut: float}|null
     */
    public function earlier(): ?array
    {
        foreach ($this->all as $n => $record) {
            $next = $this->all[$n + 1] ?? null;
            if ($record !== $this->record || null === $next || null === $next->result() || null === $this->rack) {
                continue;
            }
            try {
                $rack = RackFile::read(JsonText::decode($next->document(), \PHP_INT_MAX));
                $result = json_decode($next->result(), false, 64, \JSON_THROW_ON_ERROR);
            } catch (InvalidInput|\JsonException) {
                return null;
            }
            $who = self::circumstances($rack);
            $runOut = $result instanceof \stdClass ? $result->runOut ?? null : null;

            return self::circumstances($this->rack) === $who || !is_numeric($runOut) ? null : ['who' => $who, 'runOut' => (float) $runOut];
        }

        return null;
    }

    private static function circumstances(Rack $rack): string
    {
        return \sprintf(
            '%s, %s%s',
            $rack->player->name ?? "{$rack->player->level->spoken()} player",
            $rack->table->name ?? $rack->table->size->value,
            null === $rack->cue->name ? '' : ", {$rack->cue->name}",
        );
    }

    /** Shots that have been searched for. */
    public function searched(): int
    {
        return \count(array_filter($this->shots, static fn(array $shot): bool => !$shot['rough']));
    }

    /**
     * Pinned zones as the form writes them, by ball.
     *
     * @return array<int, string>
     */
    public function zones(): array
    {
        $size = $this->open->rack->table->size;

        return array_map(
            static fn($region): string => implode(
                '  ',
                array_map(static fn(Point $p): string => vsprintf('%.2f,%.2f', $size->diamondsOf($p)), $region->rings[0] ?? []),
            ),
            $this->pins->zones,
        );
    }

    private function changed(PlanRecord $record): bool
    {
        try {
            $pins = ConstraintsFile::read(json_decode($record->pins(), true, 16, \JSON_THROW_ON_ERROR), $this->open->rack);
        } catch (InvalidInput|\JsonException) {
            return true;
        }

        return PlanDesk::key($this->open, $pins) !== $record->sameAs();
    }
}
