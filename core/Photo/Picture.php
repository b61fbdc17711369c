<?php

declare(strict_types=1);

namespace ZigLane\Core\Photo;

/**
 * A picture that can be looked at pixel by pixel.
 */
interface Picture
{
    /** px */
    public function width(): int;

    /** px */
    public function height(): int;

    /**
     * The colour of a pixel that is in the picture.
     *
     * @return array{int, int, int} red, green, blue, 0–255
     */
    public function at(int $x, int $y): array;
}
