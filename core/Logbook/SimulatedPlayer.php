<?php

declare(strict_types=1);

namespace ZigLane\Core\Logbook;

use ZigLane\Core\Aiming\AimRefused;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\EventType;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\ShotResult;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Player\ErrorSample;
use ZigLane\Core\Player\Execution;
use ZigLane\Core\Player\ExecutionError;
use ZigLane\Core\Potting\Judgement;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\ShotSpec;
use ZigLane\Core\Rack\StatedShot;

/**
 * Shoots a shot as a rack's player would, error by error, and notes what one at the table would note: a stand-in for a player and a table.
 */
final readonly class SimulatedPlayer
{
    /** A ball that moved by less lies as it did, m. */
    private const STILL = 0.003;

    private Simulator $simulator;
    private ExecutionError $errors;
    private StatedShot $stated;

    /**
     * @throws AimRefused   when the shot cannot be aimed
     * @throws InvalidInput when it cannot be played
     */
    public function __construct(private Rack $rack, private ShotSpec $meant)
    {
        $this->simulator = $rack->simulator();
        $this->stated = StatedShot::play($this->simulator, $meant, $rack->layout);
        $this->errors = (new Judgement($this->simulator, $rack->layout))->errors($rack->player, $this->stated->shot->stroke());
    }

    /** What the shot does when nothing goes wrong. */
    public function meant(): ShotResult
    {
        return $this->stated->result;
    }

    /** The attempt in which nothing goes wrong. */
    public function perfect(): Attempt
    {
        return new Attempt(new \DateTimeImmutable('@0'), $this->rack->withLegs([]), $this->meant, $this->noted($this->stated->result));
    }

    /** One attempt. */
    public function shoot(Generator $random, \DateTimeImmutable $at): Attempt
    {
        $sample = ErrorSample::drawn($random);
        $result = $this->simulator->play($this->rack->layout, Execution::shot($this->errors, $sample, $this->stated->shot));

        return new Attempt($at, $this->rack->withLegs([]), $this->meant, $this->noted($result));
    }

    private function noted(ShotResult $result): AttemptResult
    {
        $before = $this->rack->layout;
        $game = $this->rack->rules();
        $pot = null === $this->meant->ball || null === $this->meant->pocket ? null : new Pot($this->meant->ball, $this->meant->pocket);
        // What names no pot is made by being legal.
        $missed = null !== $pot && ($result->pocketed[$pot->ball] ?? null) !== $pot->pocket;

        return new AttemptResult(
            !$missed && $game->judge($before, $result)->legal(),
            $result->final->balls[BallId::CUE] ?? null,
            self::moved($before, $result),
            $missed ? $this->miss($pot, $result) : null,
        );
    }

    /**
     * @return array<int, Point|null>
     */
    private static function moved(Layout $before, ShotResult $result): array
    {
        $moved = [];
        foreach ($before->objectBalls() as $ball) {
            $place = $result->final->balls[$ball] ?? null;
            if (null === $place || $place->distanceTo($before->ball($ball)) > self::STILL) {
                $moved[$ball] = $place;
            }
        }

        return $moved;
    }

    private function miss(Pot $pot, ShotResult $result): ?Miss
    {
        // What it meets after a rail did not keep it from its pocket.
        $met = $result->eventsOf($pot->ball, EventType::BallBall, EventType::BallCushion, EventType::BallFacing)[1] ?? null;
        $jaws = $result->eventsOf($pot->ball, EventType::BallFacing);
        [$aside, $meant] = [$result->aside($this->rack->layout), $this->stated->result->aside($this->rack->layout)];

        return match (true) {
            EventType::BallBall === $met?->type && !$met->concerns(BallId::CUE) && $this->meant->intent->isPlain() => Miss::Kissed,
            [] !== $jaws && $jaws[0]->pocket === $pot->pocket => Miss::Rattled,
            null === $aside || null === $meant => null,
            default => abs($aside) < abs($meant) ? Miss::Thick : Miss::Thin,
        };
    }
}
