<?php

declare(strict_types=1);

namespace ZigLane\App\AtTable;

use ZigLane\App\View\LegDrawing;
use ZigLane\App\View\Reader;
use ZigLane\App\View\Svg;
use ZigLane\App\View\WayFacts;
use ZigLane\App\View\ZoneDrawing;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Rail;
use ZigLane\Core\Equipment\TableGeometry;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Line\AimCard;
use ZigLane\Core\Line\LegOutcome;
use ZigLane\Core\Line\LinePlayer;
use ZigLane\Core\Logbook\Forecast;
use ZigLane\Core\Logbook\ForecastFields;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\ShotResult;
use ZigLane\Core\Planning\PlannedShot;
use ZigLane\Core\Rack\Files\RackFile;
use ZigLane\Core\Rack\Files\ShotSpecFile;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\ShotSpec;
use ZigLane\Core\Wording\LegWording;
use ZigLane\Core\Wording\ShotTitle;
use ZigLane\Core\Wording\ShotWording;

/**
 * One shot as a device at the table has it: what is meant, what is promised, how to aim it, how to draw it.
 */
final readonly class SheetShot
{
    private TableGeometry $geometry;
    private LinePlayer $player;

    public function __construct(Rack $table, private Reader $reader)
    {
        $simulator = $table->simulator();
        $this->geometry = $simulator->geometry;
        $this->player = new LinePlayer($simulator);
    }

    /**
     * A shot of a plan.
     *
     * @param Rack $rack as the shot finds it
     *
     * @return array<string, mixed>
     */
    public function planned(Rack $rack, PlannedShot $shot): array
    {
        $forecast = new Forecast(
            round($shot->chances->pot, 4),
            [] === $shot->zone->rings ? null : round($shot->chances->position, 4),
            round($shot->chances->runOut, 4),
            zone: $shot->zone->rings,
        );

        return [
            'route' => ShotWording::route($shot),
            'why' => ShotWording::why($shot),
            'settled' => $shot->settled,
        ] + $this->stated($rack, $shot->spec, $forecast, $shot);
    }

    /**
     * A shot of which no more than the stroke is known, or what is promised of it.
     *
     * @param PlannedShot|null $shot the plan's, where it is one
     *
     * @return array<string, mixed>
     */
    public function stated(Rack $rack, ShotSpec $spec, Forecast $forecast = new Forecast(), ?PlannedShot $shot = null): array
    {
        $leg = $this->player->leg(1, $spec, $rack->layout, $rack->rules());
        $size = $rack->table->size;
        $drawing = new LegDrawing($leg, $size);
        $forecast = null === $leg->result ? $forecast : $forecast->stopping($leg->result, $spec->ball);
        $others = array_values(array_filter($drawing->others, static fn(array $o): bool => '' !== $o['path']));

        $lengths = null === $leg->shot ? null : $this->player->lengths()->ofSpeed($leg->shot->speed);

        return [
            'title' => ShotTitle::of($spec),
            'safety' => $spec->intent->isSafety(),
            'ball' => null === $spec->ball ? null : BallId::name($spec->ball),
            'pocket' => $spec->pocket?->value,
            'meant' => ShotSpecFile::write($spec),
            'rack' => RackFile::write($rack->withLegs([])),
            'plan' => (object) ForecastFields::write($forecast, $size),
            'tip' => ['side' => $spec->tip->side, 'height' => $spec->tip->height, 'clock' => $spec->tip->clock()],
            'lengths' => null === $lengths ? null : round($lengths, 1),
            'pace' => null === $lengths ? '' : $this->reader->paces->name($lengths),
            'raised' => null === $leg->shot ? 0 : (int) round(rad2deg($leg->shot->elevation)),
            'aim' => $this->aim($leg, $rack),
            'reading' => $drawing->reading,
            'balls' => self::places($rack->layout),
            'cueWay' => $drawing->cueSlide . $drawing->cueFlight,
            'cueRoll' => $drawing->cueRoll,
            'ballWays' => array_column($others, 'path'),
            'ghost' => $drawing->ghost,
            'rest' => $drawing->rest,
            'zone' => ZoneDrawing::path($forecast->region()),
            'heart' => null === $shot || [] === $forecast->zone ? '' : ZoneDrawing::path($shot->heart),
            'position' => null === $shot || [] === $shot->zone->rings ? null : round($shot->chances->position, 4),
        ];
    }

    /**
     * How to aim it, in what can be seen at the table.
     *
     * @return array<string, mixed>
     */
    private function aim(LegOutcome $leg, Rack $rack): array
    {
        $spec = $leg->spec;
        $aim = ['faults' => array_map(LegWording::fault(...), $leg->faults), 'facts' => []];
        if (null !== $leg->result) {
            $aim['rail'] = $this->firstRail($leg->result, $rack);
        }
        if (null !== $leg->aim && null !== $leg->before && null !== $spec->ball && null !== $spec->pocket && $spec->intent->isPlain()) {
            $card = AimCard::of($leg->aim, $leg->before, $spec->ball, $spec->pocket, $this->geometry);
            $aim += [
                'widths' => round($card->widths, 4),
                'hit' => round(100 * $card->hit),
                'cut' => LegWording::cut($card->cut),
                'line' => LegWording::aim($card),
            ];
        } else {
            $aim['facts'] = WayFacts::of($leg, $rack->table->size, $this->reader->units);
        }
        if (null !== $leg->before) {
            $aim += BehindView::of($leg, $this->geometry)?->describe() ?? [];
        }

        return $aim;
    }

    /** Where the cue ball meets its first rail after the ball, in diamonds: "left rail at 5.2"; '' where it meets none. */
    private function firstRail(ShotResult $result, Rack $rack): string
    {
        $at = ($result->cueCushions()[0] ?? null)?->at;
        if (null === $at) {
            return '';
        }
        [$x, $y] = $rack->table->size->diamondsOf($at);
        [$rail] = $this->geometry->nearestRail($at);

        return \sprintf('%s rail at %.1f', $rail->value, \in_array($rail, [Rail::Left, Rail::Right], true) ? $x : $y);
    }

    /**
     * @return array<string, array{string, string}> by name, mm
     */
    private static function places(Layout $layout): array
    {
        $places = [];
        foreach ($layout->balls as $ball => $p) {
            $places[BallId::name($ball)] = [Svg::mm($p->x), Svg::mm($p->y)];
        }

        return $places;
    }

    /**
     * A place as a device has it: diamonds.
     *
     * @return array{float, float}
     */
    public static function diamonds(Rack $rack, Point $place): array
    {
        return array_map(static fn(float $v): float => round($v, 3), $rack->table->size->diamondsOf($place));
    }
}
