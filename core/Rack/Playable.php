<?php

declare(strict_types=1);

namespace ZigLane\Core\Rack;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\BallSpec;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Equipment\TableGeometry;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;

/**
 * Whether balls can lie as a layout has them.
 */
final class Playable
{
    private function __construct() {}

    /** Room that is left between the ball in hand and others, m. */
    private const APART = 0.003;

    /** Whether the ball in hand can be put down at a place, m. */
    public static function hasRoom(Simulator $simulator, Layout $layout, Point $place): bool
    {
        foreach ($layout->objectBalls() as $ball) {
            if ($place->distanceTo($layout->ball($ball)) < 2 * $simulator->ball->radius + self::APART) {
                return false;
            }
        }

        return $simulator->geometry->canRest($place);
    }

    /**
     * @throws InvalidInput when a ball lies in a rail, a pocket or another ball
     */
    public static function assert(Layout $layout, Table $table, BallSpec $ball = new BallSpec()): void
    {
        $geometry = new TableGeometry($table, $ball->radius);
        foreach ($layout->balls as $id => $place) {
            if ($geometry->canRest($place)) {
                continue;
            }
            foreach ($geometry->pockets as $pocket) {
                if ($place->distanceTo($pocket->dropCentre) <= $pocket->dropRadius) {
                    throw new InvalidInput('balls.' . BallId::name($id), \sprintf('lies in the %s pocket', $pocket->pocket->spoken()));
                }
            }
            throw new InvalidInput('balls.' . BallId::name($id), \sprintf(
                'lies in the rail: the centre of a ball frozen to it is %.3f diamonds from the nose',
                $geometry->reach / $table->size->diamond(),
            ));
        }
        $layout->assertApart(2 * $ball->radius);
    }
}
