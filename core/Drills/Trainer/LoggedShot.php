<?php

declare(strict_types=1);

namespace ZigLane\Core\Drills\Trainer;

use ZigLane\Core\Drills\Skill;
use ZigLane\Core\Logbook\Attempt;
use ZigLane\Core\Logbook\AttemptFacts;
use ZigLane\Core\Logbook\Spin;
use ZigLane\Core\Shots\ShotKind;

/**
 * What the trainer looks at of a shot in the logbook: what it needed, what was promised of it, and what came of it.
 */
final readonly class LoggedShot
{
    /** A cut is thin from here on, degrees; a pot long from the cue ball to the ghost ball, m; cushions that need judgement of speed. */
    private const THIN = 50.0;
    private const LONG = 1.4;
    private const RAILS = 2;

    /** @var list<Skill> that the pot needs */
    public array $forPot;

    /** @var list<Skill> that the position needs */
    public array $forPosition;

    /**
     * @param float|null $cutDeg     of a plain pot
     * @param float|null $distance   to the ghost ball of a plain pot, m
     * @param int|null   $rails      cushions that the cue ball was to meet
     * @param bool|null  $inPosition null where no zone was asked for
     * @param float|null $pot        promised chance that it drops
     * @param float|null $position   promised chance that it drops and the cue ball stops in the zone
     */
    public function __construct(
        ShotKind $kind,
        Spin $spin,
        ?float $cutDeg,
        ?float $distance,
        ?int $rails,
        public bool $made,
        public ?bool $inPosition,
        public ?float $pot,
        public ?float $position,
    ) {
        $spins = match ($spin) {
            Spin::Draw => [Skill::Draw],
            Spin::DrawSide => [Skill::Draw, Skill::Side],
            Spin::Side, Spin::FollowSide => [Skill::Side],
            default => [],
        };
        $thin = null !== $cutDeg && $cutDeg >= self::THIN;
        $this->forPot = match ($kind) {
            ShotKind::Bank => [Skill::Bank],
            ShotKind::Kick, ShotKind::RailFirst => [Skill::Kick],
            ShotKind::Safety => [Skill::Safety],
            default => [
                ...$thin ? [Skill::ThinCut] : [],
                ...null !== $distance && $distance >= self::LONG && !$thin ? [Skill::LongPot] : [],
                ...$spins,
            ],
        };
        $this->forPosition = [...null !== $rails && $rails >= self::RAILS ? [Skill::Speed] : [], ...$spins];
    }

    /** Of an attempt of the logbook. */
    public static function of(Attempt $attempt): self
    {
        $facts = AttemptFacts::of($attempt);

        return new self(
            $facts->kind,
            $facts->spin,
            $facts->cutDeg,
            $facts->distance,
            $facts->rails,
            $attempt->result->made,
            $facts->inPosition,
            $attempt->forecast?->pot,
            $attempt->forecast?->position,
        );
    }
}
