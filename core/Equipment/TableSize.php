<?php

declare(strict_types=1);

namespace ZigLane\Core\Equipment;

use ZigLane\Core\Geometry\Point;

/**
 * Playing surfaces, nose to nose. All are two squares long, so a diamond is the same along both rails.
 */
enum TableSize: string
{
    case SevenFoot = '7ft';
    case EightFoot = '8ft';
    case NineFoot = '9ft';

    /** m, along the long rail. */
    public function length(): float
    {
        return match ($this) {
            self::SevenFoot => 78 * 0.0254,
            self::EightFoot => 92 * 0.0254,
            self::NineFoot => 100 * 0.0254,
        };
    }

    /** m, along the short rail. */
    public function width(): float
    {
        return $this->length() / 2;
    }

    /** m in one diamond. */
    public function diamond(): float
    {
        return $this->length() / 8;
    }

    /** The place that lies so many diamonds along (0–8) and across (0–4). */
    public function pointAt(float $along, float $across): Point
    {
        return new Point($along * $this->diamond(), $across * $this->diamond());
    }

    /**
     * @return array{float, float} along 0–8, across 0–4; in a pocket's jaws a little beyond
     */
    public function diamondsOf(Point $place): array
    {
        return [$place->x / $this->diamond(), $place->y / $this->diamond()];
    }
}
