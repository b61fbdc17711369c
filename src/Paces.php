<?php

declare(strict_types=1);

namespace ZigLane\App;

use Symfony\Component\HttpFoundation\Request;
use ZigLane\App\View\Reader;
use ZigLane\App\View\Units;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Wording\SpeedScale;

/**
 * The names of paces in this club: its own, or the usual ones.
 */
final readonly class Paces
{
    private const NAME = 'paces';

    public function __construct(private Settings $settings) {}

    public function scale(): SpeedScale
    {
        $text = $this->settings->read(self::NAME);
        try {
            return '' === $text ? new SpeedScale() : SpeedScale::ofText($text);
        } catch (InvalidInput) {
            // What cannot be read gives way to the usual ones.
            return new SpeedScale();
        }
    }

    /** How whoever asks reads speeds and lengths. */
    public function reader(Request $request): Reader
    {
        return new Reader(Units::of($request), $this->scale());
    }

    /** Keeps a scale; the usual one again when null. */
    public function keep(?SpeedScale $scale): void
    {
        $this->settings->write(self::NAME, $scale?->text() ?? '');
    }
}
