<?php

declare(strict_types=1);

namespace ZigLane\Core\Photo;

use ZigLane\Core\InvalidInput;

/**
 * Where the tips of the noses were pointed at in a picture, px from its upper left corner.
 */
final readonly class Taps
{
    /** So many are needed; with more of them a wrong one can be told. */
    public const FEWEST = 4;

    /** Narrower or wider pictures than this say nothing or are too much work, px. */
    public const SMALLEST = 200;
    public const LARGEST = 4000;

    /**
     * @param int                                $width  of the picture, px
     * @param int                                $height px
     * @param array<string, array{float, float}> $at     by NoseTip::name()
     *
     * @throws InvalidInput for a tip that there is not, one outside the picture, or a picture too small or too large
     */
    public function __construct(public int $width, public int $height, public array $at)
    {
        foreach ([$width, $height] as $size) {
            if ($size < self::SMALLEST || $size > self::LARGEST) {
                throw new InvalidInput('', \sprintf('A picture is from %d to %d pixels wide and high', self::SMALLEST, self::LARGEST));
            }
        }
        foreach ($at as $name => [$u, $v]) {
            if (null === NoseTip::named($name)) {
                throw new InvalidInput("tips.$name", 'There is no such tip');
            }
            if (!($u >= 0 && $u <= $width && $v >= 0 && $v <= $height)) {
                throw new InvalidInput("tips.$name", 'This is outside the picture');
            }
        }
    }

    /** The others. */
    public function without(string $name): self
    {
        return new self($this->width, $this->height, array_diff_key($this->at, [$name => true]));
    }

    /** The same taps, as if each had been meant for the next corner. */
    public function quarterOn(): self
    {
        $at = [];
        foreach ($this->at as $name => $tap) {
            $tip = NoseTip::named($name);
            if (null !== $tip && !$tip->pocket->isSide()) {
                $at[$tip->quarterOn()->name()] = $tap;
            }
        }

        return new self($this->width, $this->height, $at);
    }
}
