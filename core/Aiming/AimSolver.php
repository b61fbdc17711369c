<?php

declare(strict_types=1);

namespace ZigLane\Core\Aiming;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Geometry\Angle;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\AimedStroke;
use ZigLane\Core\Physics\CueStrike;
use ZigLane\Core\Physics\EventType;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\ShotResult;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\Stroke;

/**
 * Finds the direction of the cue that sends a ball to a part of a pocket, with throw, squirt and swerve included.
 *
 * The direction is a root of "by how much does the object ball pass the target", and each value of that comes from the
 * simulator: it runs the cue ball to the contact, and the object ball's way on from there is a parabola and a line.
 * Secant steps, started from the ghost ball of plain geometry. The shot is then played on the whole table, and is
 * refused with the reason if something else happens than was asked for.
 */
final readonly class AimSolver
{
    /** Object ball within this of the target where it enters the mouth, m. */
    private const TOLERANCE = 1e-6;
    private const MOST_STEPS = 25;

    /** See SecantAim. */
    private const LEAST_COS = 0.02;
    private const LONGEST_STEP = 0.25;

    /** Thinner than this (rad) nobody can be sure to hit the ball at all. */
    private const THINNEST = 1.5184; // 87°

    private FirstContact $contact;
    private SecantAim $secant;

    public function __construct(private Simulator $simulator)
    {
        $this->contact = new FirstContact($simulator);
        $this->secant = new SecantAim($simulator, self::TOLERANCE, self::MOST_STEPS, self::LEAST_COS, self::LONGEST_STEP);
    }

    /**
     * @throws AimRefused when there is no direct shot, with the reason
     */
    public function solve(Layout $layout, AimRequest $request): AimSolution
    {
        $name = BallId::spoken($request->ball);
        if (!$layout->has(BallId::CUE)) {
            throw new AimRefused(RefusalReason::NotOnTable, 'The cue ball is not on the table.');
        }
        if (!$layout->has($request->ball)) {
            throw new AimRefused(RefusalReason::NotOnTable, "The $name is not on the table.");
        }
        $from = $layout->ball(BallId::CUE);
        $ball = $layout->ball($request->ball);
        $geometry = $this->simulator->geometry;
        $pocket = $geometry->pocket($request->pocket);
        [$low, $high] = PocketWindow::openMouth($pocket, $ball, $geometry->reach);
        $target = $low < $high ? ($low + $high) / 2 : $ball->angleTo($pocket->entrance($ball));
        $this->refuseThin($from, $ball, $target, $name, $pocket->pocket->spoken());

        // Once toward the middle, to learn how fast the ball leaves; then toward the part of the mouth asked for.
        $distance = max($ball->distanceTo($pocket->entrance($ball)), 0.05);
        [$aim, $departure] = $this->search($from, $ball, new Target($target, $distance), $request, null);
        $window = PocketWindow::of($this->simulator, $pocket, $ball, $departure->pace);
        $target = $window->direction($request->offset);
        [$aim, $departure] = $this->search($from, $ball, new Target($target, $distance), $request, $aim);

        $shot = new Shot($aim, $request->speed, $request->tip, $request->elevation);
        $result = $this->simulator->play($layout, $shot);
        $this->refuseOtherwise($result, $request);

        $ghost = new Point($departure->cueX, $departure->cueY);
        $contact = $ghost->angleTo($ball);
        $squirt = CueStrike::squirt($request->tip->side, $this->simulator->cue);
        $way = $from->angleTo($ghost);

        return new AimSolution(
            $shot,
            $result,
            Angle::wrap($contact - $way),
            $ghost,
            $ball->toward($target, -2 * $this->simulator->ball->radius),
            Angle::wrap($departure->direction - $contact),
            -$squirt,
            Angle::wrap($way - $aim + $squirt),
            $window->width(),
            $target,
        );
    }

    /**
     * @param float|null $start direction to begin with, rad; null for the ghost ball's
     *
     * @return array{float, Departure} aim in rad, and how the ball leaves
     *
     * @throws AimRefused
     */
    private function search(Point $from, Point $ball, Target $target, AimRequest $request, ?float $start): array
    {
        $stroke = new Stroke($request->speed, $request->tip->side, $request->tip->height, $request->elevation);
        $found = $this->secant->find($from, $ball, $stroke, $target, $start);
        if (null !== $found?->departure) {
            return [$found->aim, $found->departure];
        }
        $full = $from->angleTo($ball) + CueStrike::squirt($stroke->side, $this->simulator->cue);
        if (null === $this->contact->of($from, $ball, new AimedStroke($full, $stroke), $target)) {
            throw new AimRefused(
                RefusalReason::TooSoft,
                \sprintf('Too soft: the cue ball does not reach the %s.', BallId::spoken($request->ball)),
            );
        }
        throw new AimRefused(RefusalReason::TooThin, 'No aim was found: the cut is too thin for this tip and speed.');
    }

    /**
     * @throws AimRefused when the ball must be cut by 87° or more
     */
    private function refuseThin(Point $from, Point $ball, float $target, string $name, string $pocket): void
    {
        $ghost = $ball->toward($target, -2 * $this->simulator->ball->radius);
        $cut = abs(Angle::wrap($target - $from->angleTo($ghost)));
        // A ghost ball beyond the ball, or inside the cue ball's reach, shows as a cut past a right angle as well.
        if ($cut < self::THINNEST) {
            return;
        }
        throw new AimRefused(RefusalReason::TooThin, $cut > M_PI / 2
            ? \sprintf(
                'The cue ball is on the wrong side of the %s for the %s pocket: a %.0f° cut. It would need a bank.',
                $name,
                $pocket,
                rad2deg($cut),
            )
            : \sprintf('Too thin: a %.0f° cut on the %s into the %s pocket.', rad2deg($cut), $name, $pocket));
    }

    /**
     * @throws AimRefused when the shot on the full table does not pocket the ball as asked
     */
    private function refuseOtherwise(ShotResult $result, AimRequest $request): void
    {
        $name = BallId::spoken($request->ball);
        foreach ($result->eventsOf(BallId::CUE) as $event) {
            if (EventType::BallCushion === $event->type || EventType::BallFacing === $event->type) {
                throw new AimRefused(RefusalReason::RailFirst, "The cue ball would touch a rail before the $name.");
            }
            if (EventType::BallBall === $event->type) {
                break;
            }
        }
        if (null !== $result->firstHit && $result->firstHit !== $request->ball) {
            throw new AimRefused(
                RefusalReason::CueBallBlocked,
                \sprintf('The %s is in the cue ball’s way to the %s.', BallId::spoken($result->firstHit), $name),
            );
        }
        if (($result->pocketed[$request->ball] ?? null) === $request->pocket) {
            return;
        }
        $contacts = $result->eventsOf($request->ball, EventType::BallBall);
        foreach (\array_slice($contacts, 1) as $event) {
            $other = $event->balls[0] === $request->ball ? $event->balls[1] : $event->balls[0];
            if (BallId::CUE === $other) {
                throw new AimRefused(RefusalReason::DoubleKiss, "The cue ball meets the $name a second time and spoils it.");
            }
            throw new AimRefused(
                RefusalReason::ObjectBallBlocked,
                \sprintf('The %s blocks the %s’s way to the %s pocket.', BallId::spoken($other), $name, $request->pocket->spoken()),
            );
        }
        if ([] === $result->eventsOf($request->ball, EventType::BallCushion, EventType::BallFacing)) {
            throw new AimRefused(
                RefusalReason::TooSoft,
                \sprintf('Too soft: the %s stops short of the %s pocket.', $name, $request->pocket->spoken()),
            );
        }
        throw new AimRefused(
            RefusalReason::Missed,
            \sprintf('The %s does not drop in the %s pocket with this stroke.', $name, $request->pocket->spoken()),
        );
    }
}
