<?php

declare(strict_types=1);

namespace ZigLane\Core\Decision;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\Rail;
use ZigLane\Core\Line\LegOutcome;
use ZigLane\Core\Line\LegState;
use ZigLane\Core\Line\LinePlayer;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\Speed;
use ZigLane\Core\Physics\TableLengths;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\ShotSpec;
use ZigLane\Core\Routes\Family;
use ZigLane\Core\Routes\TakeOver;
use ZigLane\Core\Shots\Intent;
use ZigLane\Core\Shots\ShotKind;
use ZigLane\Core\Shots\ShotSolver;

/**
 * A stroke that was searched for as a leg of a line: by its ball, pocket and way where that comes to the same stroke, else by its
 * direction.
 *
 * @internal
 */
final readonly class TriedLeg
{
    /** A leg that is aimed by its way must point as the stroke did to within this, rad. */
    private const AS_SEARCHED = 0.0008;

    /** Farther from the middle of the directions in which it is made no leg is aimed, as a part of half of them. */
    private const EDGE = 0.95;

    /** Places of the part of the directions in which it is made. */
    private const OFFSET = 2;

    /**
     * @param LegOutcome $leg   played
     * @param bool       $plain whether the ball goes straight in, be it off the pocket's jaw, where the leg is stated by its direction
     */
    private function __construct(public Pot $pot, public LegOutcome $leg, private bool $plain) {}

    /** Null where the stroke, played without an error, pots nothing that counts. */
    public static function of(Rack $rack, Tried $tried): ?self
    {
        $player = LinePlayer::for($rack);
        $bare = $player->leg(1, $tried->spec(), $rack->layout, $rack->rules());
        $pot = $tried->call ?? $bare->pot();
        if (null === $pot || null === $bare->result || LegState::Holds !== $bare->state) {
            return null;
        }
        if (($bare->result->pocketed[$pot->ball] ?? null) !== $pot->pocket) {
            return null;
        }
        $way = ShotWay::of($rack, $bare->result, $pot->ball);
        $ways = self::ways($way, $bare->result->firstHit, $pot->ball);
        $intent = 1 === \count($ways) ? self::intent($way, $bare->result->firstHit) : null;
        $spec = match (true) {
            [] === $ways => TakeOver::spec($rack, $pot, Shot::of($tried->stroke)),
            null !== $intent => self::byItsWay($rack, $tried, $pot, $intent),
            default => null,
        };
        $leg = null === $spec ? null : $player->leg(1, $spec, $rack->layout, $rack->rules());
        $same = null !== $leg && LegState::Holds === $leg->state
            && abs(($leg->shot->aim ?? INF) - $tried->stroke->aim) < self::AS_SEARCHED;

        return new self($pot, $same ? $leg : $bare, [] === $ways);
    }

    /** What kind of shot it is that is no plain pot by one thing alone; null where no leg can state it. */
    private static function intent(ShotWay $way, ?int $first): ?Intent
    {
        return match (true) {
            [] !== $way->banked => self::offRails(ShotKind::Bank, $way->banked),
            [] !== $way->before => self::offRails(ShotKind::Kick, $way->before),
            null !== $way->kissed => new Intent(ShotKind::Kiss, other: $way->kissed),
            null !== $way->over => new Intent(ShotKind::Jump, other: $way->over),
            null !== $way->round => new Intent(ShotKind::Swerve, other: $way->round),
            $way->carom => new Intent(ShotKind::Carom, other: $first),
            $first === ($way->links[0] ?? null) && \count($way->links) <= 2
                => new Intent(ShotKind::Combination, other: $first, then: $way->links[1] ?? null),
            default => null,
        };
    }

    /**
     * By what it is no plain pot.
     *
     * @return array<int, true>
     */
    private static function ways(ShotWay $way, ?int $first, int $ball): array
    {
        return array_filter([
            [] !== $way->before,
            [] !== $way->banked,
            null !== $way->kissed,
            $first !== $ball,
            null !== ($way->over ?? $way->round),
        ]);
    }

    /** @param list<Rail> $rails */
    private static function offRails(ShotKind $kind, array $rails): ?Intent
    {
        return \count($rails) <= $kind->mostRails() ? new Intent($kind, $rails) : null;
    }

    /** What the cue ball does after a plain pot; null for any other kind. */
    public function family(Rack $rack): ?Family
    {
        $stroke = $this->plain ? $this->leg->shot?->stroke() : null;

        return null === $stroke ? null : Family::played($rack->simulator(), $rack->layout, $stroke, $this->pot);
    }

    /** Null where the shot, solved for, is another one. */
    private static function byItsWay(Rack $rack, Tried $tried, Pot $pot, Intent $intent): ?ShotSpec
    {
        $lengths = new TableLengths($rack->simulator());
        $settable = TakeOver::settable($rack->simulator(), $tried->stroke->stroke);
        $stroke = $settable->raised($tried->stroke->stroke->elevation);
        $solved = (new ShotSolver($rack->simulator()))->find($rack->layout, $pot, $intent, $stroke);
        if (null === $solved || $solved->width() <= 0.0) {
            return null;
        }
        // At the very edge it might not be made again.
        $part = max(-self::EDGE, min(self::EDGE, (2 * $tried->stroke->aim - $solved->low - $solved->high) / $solved->width()));

        return new ShotSpec(
            null,
            $pot->ball,
            $pot->pocket,
            round($part, self::OFFSET),
            Speed::tableLengths(round($lengths->ofSpeed($stroke->speed), TakeOver::LENGTHS)),
            new Tip($stroke->side, $stroke->height),
            $tried->spec()->elevationDeg,
            $intent,
        );
    }
}
