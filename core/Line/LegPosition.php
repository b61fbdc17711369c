<?php

declare(strict_types=1);

namespace ZigLane\Core\Line;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Reading\Arrival;
use ZigLane\Core\Reading\SpeedWindow;
use ZigLane\Core\Reading\Zone;
use ZigLane\Core\Reading\ZoneFinder;
use ZigLane\Core\Settings\Defaults;

/**
 * How a planned leg's cue ball lies to the position zone of the ball after it.
 */
final readonly class LegPosition
{
    private function __construct(
        public int $ball,
        public Pocket $pocket,
        public Zone $zone,
        public Arrival $arrival,
        public ?SpeedWindow $window,
    ) {}

    /**
     * @param Rack       $rack as the leg leaves it
     * @param LegOutcome $leg  with a result
     * @param int        $ball that comes next
     */
    public static function of(Rack $rack, LegOutcome $leg, int $ball, Pocket $pocket, float $chance = Defaults::ZONE_CHANCE): ?self
    {
        if (null === $leg->result || null === $leg->shot || null === $leg->before || !$rack->layout->has($ball)) {
            return null;
        }
        $finder = new ZoneFinder($rack);
        $zone = $finder->zone($ball, $pocket, $chance);
        $pot = $finder->pot($ball, $pocket);
        $simulator = $rack->simulator();
        $outcome = static function (float $at) use ($simulator, $leg, $pot): ?float {
            $stop = self::stop($simulator, $leg, $at);

            return null === $stop ? null : $pot->fromPlace($stop[0], $stop[1])->chance;
        };

        return new self(
            $ball,
            $pocket,
            $zone,
            Arrival::of($leg->result, $zone->region, $rack->layout->ball($ball)),
            SpeedWindow::of($outcome, $chance),
        );
    }

    /**
     * @return array{float, float}|null where the cue ball stops; null when the pot fails or the cue ball is lost
     */
    private static function stop(Simulator $simulator, LegOutcome $leg, float $at): ?array
    {
        /** @var Shot $shot */
        $shot = $leg->shot;
        $speed = $shot->speed * $at;
        if (null === $leg->before || $speed > Defaults::MAX_CUE_SPEED) {
            return null;
        }
        $result = $simulator->play($leg->before, $shot->withSpeed($speed));
        if ($result->scratched() || (null !== $leg->spec->ball && ($result->pocketed[$leg->spec->ball] ?? null) !== $leg->spec->pocket)) {
            return null;
        }
        $cue = $result->final->ball(BallId::CUE);

        return [$cue->x, $cue->y];
    }
}
