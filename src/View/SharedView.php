<?php

declare(strict_types=1);

namespace ZigLane\App\View;

use ZigLane\App\Entity\SharedPlan;
use ZigLane\App\Plan\StoredPlan;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Line\LegOutcome;
use ZigLane\Core\Line\LinePlayer;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Planning\Plan;
use ZigLane\Core\Planning\PlannedShot;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Wording\PlanWording;
use ZigLane\Core\Wording\ShotWording;

/**
 * A shared plan as its page shows it: all of it, or one shot.
 */
final readonly class SharedView
{
    public TableDrawing $table;

    /** @var list<LegDrawing> */
    public array $legs;

    /** @var list<string> */
    public array $says;

    /** Where the balls lie when the shot that is shown begins. */
    public Layout $before;

    /** @var array<string, mixed>|null the shot's motion */
    public ?array $motion;
    public ?float $lengths;
    public string $zone;

    /**
     * @param int $number of the shot that is shown, from 1; 0 for all of it
     */
    private function __construct(public Rack $rack, public Plan $plan, public int $number)
    {
        $this->table = new TableDrawing($rack->table);
        $player = LinePlayer::for($rack);
        $outcomes = $player->play($plan->line());
        $this->legs = array_map(static fn(LegOutcome $leg): LegDrawing => new LegDrawing($leg, $rack->table->size), $outcomes);
        $leg = $outcomes[$number - 1] ?? null;
        $this->before = $leg->before ?? $plan->rack->layout;
        $this->motion = null === $leg?->result || null === $leg->before ? null : Motion::of($leg->before, $leg->result);
        $this->lengths = null === $leg?->shot ? null : $player->lengths()->ofSpeed($leg->shot->speed);
        $shot = $plan->shots[$number - 1] ?? null;
        $this->zone = null === $shot ? '' : ZoneDrawing::path($shot->zone);
        $this->says = null === $shot ? PlanWording::says($plan) : [ShotWording::route($shot), ...ShotWording::why($shot)];
    }

    /** The view of what is stored; null when it cannot be read. */
    public static function of(SharedPlan $shared, int $number): ?self
    {
        try {
            $stored = StoredPlan::shared($shared);
        } catch (InvalidInput) {
            return null;
        }
        $plan = $stored->plan;

        return null === $plan ? null : new self($stored->rack, $plan, max(0, min($number, \count($plan->shots))));
    }

    public function shot(): ?PlannedShot
    {
        return $this->plan->shots[$this->number - 1] ?? null;
    }

    /** The chance to get through the shots up to one, 0–1. */
    public function through(int $number): float
    {
        return $this->plan->through($number);
    }
}
