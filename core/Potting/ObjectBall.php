<?php

declare(strict_types=1);

namespace ZigLane\Core\Potting;

use ZigLane\Core\Aiming\Departure;
use ZigLane\Core\Aiming\FirstContact;
use ZigLane\Core\Aiming\Target;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\AimedStroke;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;

/**
 * The ball to be potted among the others, and the pocket's window for it.
 *
 * @internal
 */
final readonly class ObjectBall
{
    public Point $at;
    public float $diameter;

    /** The middle of the pocket's mouth. */
    public Target $mouth;

    /** @var list<Point> balls that may be in the cue ball's way */
    public array $others;

    private FirstContact $contact;

    public function __construct(public Simulator $simulator, Layout $layout, int $ball, public AcceptanceWindow $window)
    {
        $this->contact = new FirstContact($simulator);
        $this->at = $layout->ball($ball);
        $this->diameter = 2 * $simulator->ball->radius;
        $this->mouth = new Target($window->toward, $window->distance);
        $others = [];
        foreach ($layout->balls as $id => $place) {
            if (BallId::CUE !== $id && $id !== $ball) {
                $others[] = $place;
            }
        }
        $this->others = $others;
    }

    /** How it leaves when the cue ball, on that place, is struck so; null for a miss. */
    public function departure(Point $cue, AimedStroke $stroke): ?Departure
    {
        return $this->contact->of($cue, $this->at, $stroke, $this->mouth);
    }

    /** Where it goes then, from the middle of the mouth, rad; null for a miss. */
    public function turn(Point $cue, AimedStroke $stroke): ?float
    {
        $departure = $this->departure($cue, $stroke);

        return null === $departure ? null : atan2($departure->miss, $this->mouth->distance);
    }

    /** Place of the cue ball at the contact that sends it in a direction (rad), by plain geometry. */
    public function ghost(float $direction): Point
    {
        return new Point($this->at->x - $this->diameter * cos($direction), $this->at->y - $this->diameter * sin($direction));
    }

    /** Whether the cue ball can lie there, m. */
    public function leavesRoom(float $x, float $y): bool
    {
        $geometry = $this->simulator->geometry;
        $reach = $geometry->reach - 1e-6;
        if ($x < $reach || $y < $reach || $x > $geometry->length - $reach || $y > $geometry->width - $reach) {
            return false;
        }
        $least = ($this->diameter - 1e-6) ** 2;
        if (($x - $this->at->x) ** 2 + ($y - $this->at->y) ** 2 < $least) {
            return false;
        }
        foreach ($this->others as $other) {
            if (($x - $other->x) ** 2 + ($y - $other->y) ** 2 < $least) {
                return false;
            }
        }

        return true;
    }
}
