<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Finding;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Geometry\Region;
use ZigLane\Core\Line\LinePlayer;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Planning\Finding\RoundTheTable;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\ShotSpec;
use ZigLane\Core\Routes\Family;

/**
 * One shot of a plan.
 */
final readonly class PlannedShot
{
    /**
     * @param Layout        $before   the balls when its turn comes, when nothing goes wrong until then
     * @param Region        $zone     good places for the rest; empty after the last shot
     * @param Region        $heart    the best part of that
     * @param Point         $rest     where the cue ball stops when nothing goes wrong
     * @param Family|null   $family   of the route; null for the player's own stroke
     * @param list<Finding> $findings what the route is and what the shot turns on
     * @param bool          $settled  whether its stroke has been searched for, else it is a first one
     */
    public function __construct(
        public Pot $pot,
        public ShotSpec $spec,
        public Layout $before,
        public ShotChances $chances,
        public Region $zone,
        public Region $heart,
        public Point $rest,
        public ?Family $family,
        public array $findings,
        public bool $settled,
    ) {}

    /** A rack (player, group) as the shot finds it. */
    public function rackBefore(Rack $rack): Rack
    {
        return $rack->withLayout($this->before)->withBallInHand(false);
    }

    /**
     * The stroke as it is played; null when it cannot be.
     *
     * @param Rack $rack as the shot finds it
     */
    public function played(Rack $rack): ?Shot
    {
        return LinePlayer::for($rack)->leg(1, $this->spec, $rack->layout, $rack->rules())->shot;
    }

    /** The same, saying something first, and so much at the most. */
    public function sayingFirst(Finding $finding, int $most): self
    {
        return $this->with(\array_slice([$finding, ...$this->findings], 0, $most), $this->chances, $this->settled);
    }

    /**
     * The same without a kind of finding.
     *
     * @param class-string<Finding> $kind
     */
    public function notSaying(string $kind): self
    {
        $others = array_values(array_filter($this->findings, static fn(Finding $finding): bool => !$finding instanceof $kind));

        return $this->with($others, $this->chances, $this->settled);
    }

    /** The same, judged as closely as a shot that was searched for; other ways are told beside it as they were. */
    public function judged(ShotChances $chances): self
    {
        $times = $this->chances->runOut > 0.0 ? $chances->runOut / $this->chances->runOut : 1.0;
        $findings = array_map(
            static fn(Finding $finding): Finding => $finding instanceof RoundTheTable ? $finding->times($times) : $finding,
            $this->findings,
        );

        return $this->with($findings, $chances, true);
    }

    /**
     * @param list<Finding> $findings
     */
    private function with(array $findings, ShotChances $chances, bool $settled): self
    {
        return new self(
            $this->pot,
            $this->spec,
            $this->before,
            $chances,
            $this->zone,
            $this->heart,
            $this->rest,
            $this->family,
            $findings,
            $settled,
        );
    }
}
