<?php

declare(strict_types=1);

namespace ZigLane\App\View;

use ZigLane\App\Entity\PlanRecord;
use ZigLane\App\Plan\PlanDesk;
use ZigLane\App\Rack\OpenRack;
use ZigLane\Core\Files\ConstraintsFile;
use ZigLane\Core\Files\PlanFile;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Planning\BreakShot;
use ZigLane\Core\Planning\PlanConstraints;
use ZigLane\Core\Rack\Files\JsonText;
use ZigLane\Core\Rack\Files\RackFile;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Wording\PlanWording;
use ZigLane\Core\Wording\ShotWording;

/**
 * A plan as the page shows it.
 */
final readonly class PlanView
{
    /** The rack with the plan's shots as its legs; null before there is any. */
    public ?Rack $line;

    /**
     * @var list<array{number: int, ball: int, pocket: string, pot: float, position: float, runOut: float, sofar: float,
     *            route: string, why: list<string>, rough: bool, hinge: bool, zone: string, heart: string}>
     */
    public array $shots;

    /** @var list<string> */
    public array $says;
    public ?float $runOut;
    public ?string $stopped;
    public ?int $hinge;

    /** Of straight pool, once the plan is settled. */
    public ?BreakShot $break;

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
        $rack = $plan = $damage = null;
        $pins = new PlanConstraints();
        try {
            if (null !== $record) {
                $rack = RackFile::read(JsonText::decode($record->document(), \PHP_INT_MAX));
                $pins = ConstraintsFile::read(json_decode($record->pins(), true, 16, \JSON_THROW_ON_ERROR), $rack);
                $document = null === $record->result() ? null : json_decode($record->result(), false, 64, \JSON_THROW_ON_ERROR);
                $plan = $document instanceof \stdClass ? PlanFile::read($document, $rack) : null;
            }
        } catch (InvalidInput|\JsonException) {
            $damage = 'What is stored of this plan cannot be read. Plan the rack again.';
        }
        $this->damage = $damage;
        $this->rack = $rack ?? (null === $record ? null : $open->rack);
        $this->pins = $pins;
        $this->stale = null !== $record && (null !== $damage || $this->changed($record));
        $this->line = $plan?->line();
        $this->runOut = $plan?->runOut;
        $this->stopped = null === $plan ? null : PlanWording::stopped($plan);
        $this->says = null === $plan ? [] : PlanWording::says($plan);
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
                'rough' => !$shot->settled,
                'hinge' => $n + 1 === $plan->hinge,
                'zone' => ZoneDrawing::path($shot->zone),
                'heart' => ZoneDrawing::path($shot->heart),
            ];
        }
        $this->shots = $shots;
    }

    public function id(): int
    {
        return $this->record?->id() ?? 0;
    }

    public function busy(): bool
    {
        return true === $this->record?->isUnderWay();
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
