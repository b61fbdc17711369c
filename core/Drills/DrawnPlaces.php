<?php

declare(strict_types=1);

namespace ZigLane\Core\Drills;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Drills\Area\Band;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Equipment\TableGeometry;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Rack\Playable;

/**
 * Balls whose places are drawn anew for every try, so that one practises judgement and not one spot.
 */
final readonly class DrawnPlaces
{
    /** Draws until it is given up: the conditions leave hardly a place. */
    private const DRAWS = 2000;

    /** Drawn places are told in such steps, diamonds: they must be set up by eye. */
    private const GRAIN = 0.25;

    /**
     * @param array<int, Band>    $within  where each ball may lie
     * @param array{float, float} $cutDeg  from and to, of the pot that is meant
     */
    public function __construct(public array $within, public array $cutDeg = [0.0, 60.0]) {}

    /**
     * Places for one try: these balls drawn, the others as they are.
     *
     * @param array<int, array{float, float}> $balls diamonds
     *
     * @return array<int, array{float, float}>
     *
     * @throws InvalidInput when no places were found
     */
    public function draw(array $balls, ?Pot $pot, Table $table, Generator $random): array
    {
        $geometry = new TableGeometry($table);
        for ($n = 0; $n < self::DRAWS; ++$n) {
            foreach ($this->within as $ball => $band) {
                $balls[$ball] = [self::somewhere($band->along, $random), self::somewhere($band->across, $random)];
            }
            $places = array_map(static fn(array $at): Point => $table->size->pointAt($at[0], $at[1]), $balls);
            try {
                Playable::assert(new Layout($places), $table);
            } catch (InvalidInput) {
                continue;
            }
            if (null === $pot || $this->isMeant($places, $pot, $geometry)) {
                return $balls;
            }
        }

        throw new InvalidInput('drawn', 'leaves no place for the balls');
    }

    /** @param array{float, float} $ends */
    private static function somewhere(array $ends, Generator $random): float
    {
        return round($random->between($ends[0], $ends[1]) / self::GRAIN) * self::GRAIN;
    }

    /** @param array<int, Point> $places */
    private function isMeant(array $places, Pot $pot, TableGeometry $geometry): bool
    {
        $ball = $places[$pot->ball];
        $way = $ball->angleTo($geometry->pocket($pot->pocket)->entrance($ball));
        $off = rad2deg(abs($places[BallId::CUE]->angleTo($ball) - $way));
        $cut = min(fmod($off, 360.0), 360.0 - fmod($off, 360.0));

        return $cut >= $this->cutDeg[0] && $cut <= $this->cutDeg[1];
    }
}
