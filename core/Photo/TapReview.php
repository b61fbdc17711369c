<?php

declare(strict_types=1);

namespace ZigLane\Core\Photo;

use ZigLane\Core\Equipment\TableGeometry;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;

/**
 * The camera that the tips tell of, and what of them is doubtful.
 */
final readonly class TapReview
{
    /** Taps whose misfit is more than so many times the expected one do not belong together. */
    private const TOO_FAR = 2.6;

    /** Without the wrong one the misfit falls to this share at most. */
    private const BETTER = 0.5;

    /** Seen from lower than this above the table's middle, balls are placed badly (measured on drawn pictures). */
    private const LOWEST_DEG = 20.0;

    /**
     * @param CameraFit|null $likely where the camera probably is: without the tip that is wrong, or null while nothing fits
     */
    private function __construct(public CameraFit $fit, public ?TapDoubt $doubt, public ?CameraFit $likely) {}

    /** @throws InvalidInput with too few taps, or when no camera could have seen them so */
    public static function of(Taps $taps, TableGeometry $geometry): self
    {
        $fit = CameraFit::of($taps, $geometry);

        if ($fit->camera->position[2] <= 0.0) {
            return new self($fit, new TapDoubt(TapDoubtKind::Mirrored), null);
        }
        if ($fit->spread <= self::TOO_FAR) {
            $steep = $fit->camera->steepness(new Point($geometry->length / 2, $geometry->width / 2));

            return new self($fit, rad2deg($steep) < self::LOWEST_DEG ? new TapDoubt(TapDoubtKind::TooLow, value: $steep) : null, $fit);
        }
        if (self::areChanged($fit, $taps, $geometry)) {
            return new self($fit, new TapDoubt(TapDoubtKind::RailsChanged), null);
        }
        [$doubt, $rest] = self::wrong($fit, $taps, $geometry);

        return new self($fit, $doubt, $rest);
    }

    /** Whether each was meant for the next corner. */
    private static function areChanged(CameraFit $fit, Taps $taps, TableGeometry $geometry): bool
    {
        try {
            $other = CameraFit::of($taps->quarterOn(), $geometry);
        } catch (InvalidInput) {
            return false;
        }

        return $other->spread < self::TOO_FAR && $other->spread < self::BETTER * $fit->spread && $other->camera->position[2] > 0.0;
    }

    /**
     * The tip without which the others fit, and the camera that they tell of.
     *
     * @return array{TapDoubt, CameraFit|null}
     */
    private static function wrong(CameraFit $fit, Taps $taps, TableGeometry $geometry): array
    {
        $best = null;
        foreach (\count($taps->at) > Taps::FEWEST ? array_keys($taps->at) : [] as $name) {
            try {
                $rest = CameraFit::of($taps->without($name), $geometry);
            } catch (InvalidInput) {
                continue;
            }
            if ($rest->camera->position[2] > 0.0 && (null === $best || $rest->spread < $best[1]->spread)) {
                $best = [$name, $rest];
            }
        }
        $tip = null === $best ? null : NoseTip::named($best[0]);
        $place = $tip?->place($geometry);
        if (null === $best || null === $place || $best[1]->spread > self::BETTER * $fit->spread) {
            return [new TapDoubt(TapDoubtKind::DoNotFit), null];
        }
        [$name, $rest] = $best;
        $seen = $rest->camera->seen($place->x, $place->y, TapModel::nose($geometry)) ?? $taps->at[$name];

        return [new TapDoubt(TapDoubtKind::WrongTip, $tip, hypot($seen[0] - $taps->at[$name][0], $seen[1] - $taps->at[$name][1])), $rest];
    }
}
