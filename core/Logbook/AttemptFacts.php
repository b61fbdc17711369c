<?php

declare(strict_types=1);

namespace ZigLane\Core\Logbook;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\TableGeometry;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Physics\TableLengths;
use ZigLane\Core\Settings\Defaults;
use ZigLane\Core\Shots\ShotKind;

/**
 * What attempts are counted and searched by. Null where it has no meaning or is not known.
 */
final readonly class AttemptFacts
{
    /**
     * @param float|null $cutDeg     of a plain pot with the cue ball and the ball where they lay, degrees, 0 straight
     * @param float|null $distance   from the cue ball to the ghost ball of a plain pot, m
     * @param float|null $lengths    speed, table lengths
     * @param int|null   $rails      cushions that the cue ball was to meet
     * @param bool|null  $inPosition the cue ball stopped in the zone
     * @param float|null $long       how much farther along its way than meant the cue ball stopped, m; negative when shorter
     * @param float|null $wide       how far it stopped to the right of its way, m; negative to the left
     */
    private function __construct(
        public ShotKind $kind,
        public Spin $spin,
        public ?float $cutDeg,
        public ?float $distance,
        public ?float $lengths,
        public ?int $rails,
        public bool $scratched,
        public ?bool $inPosition,
        public ?float $long,
        public ?float $wide,
    ) {}

    /** The facts of an attempt, from where the balls lay and what was promised; nothing is played. */
    public static function of(Attempt $attempt): self
    {
        [$meant, $cue, $forecast] = [$attempt->meant, $attempt->result->cue, $attempt->forecast];
        [$turn, $distance] = self::line($attempt) ?? [null, null];
        $long = $wide = null;
        if (null !== $cue && null !== $forecast?->rest) {
            [$dx, $dy] = [$cue->x - $forecast->rest->x, $cue->y - $forecast->rest->y];
            $way = deg2rad($forecast->headingDeg ?? NAN);
            if (!is_nan($way)) {
                // y runs to the right of x as the table is numbered, so that the right hand is a quarter turn on.
                [$long, $wide] = [$dx * cos($way) + $dy * sin($way), $dy * cos($way) - $dx * sin($way)];
            }
        }

        return new self(
            $meant->intent->kind,
            Spin::of($meant->tip),
            null === $turn ? null : rad2deg(abs($turn)),
            $distance,
            $meant->speed->lengths ?? self::lengths($attempt),
            $forecast?->rails,
            null === $cue,
            null === $forecast || [] === $forecast->zone ? null : null !== $cue && $forecast->region()->contains($cue->x, $cue->y),
            $long,
            $wide,
        );
    }

    private static function lengths(Attempt $attempt): ?float
    {
        try {
            return (new TableLengths($attempt->rack->simulator()))->ofSpeed((float) $attempt->meant->speed->mps);
        } catch (InvalidInput) {
            return null;
        }
    }

    /**
     * The line of a plain pot, from where the balls lay; null for another shot.
     *
     * @return array{float, float}|null how far the ball's way turns off the cue ball's, rad, −π to π, below 0 to the left; and m from the
     *                                  cue ball to the ghost ball
     */
    public static function line(Attempt $attempt): ?array
    {
        [$meant, $layout] = [$attempt->meant, $attempt->rack->layout];
        if (null === $meant->ball || null === $meant->pocket || !$meant->intent->isPlain() || !$layout->has(BallId::CUE)) {
            return null;
        }
        $ball = $layout->ball($meant->ball);
        $way = $ball->angleTo((new TableGeometry($attempt->rack->table))->pocket($meant->pocket)->mouthMiddle());
        $ghost = $ball->toward($way, -2 * Defaults::BALL_RADIUS);
        $cue = $layout->ball(BallId::CUE);
        $turn = $way - $cue->angleTo($ghost);

        return [atan2(sin($turn), cos($turn)), $cue->distanceTo($ghost)];
    }
}
