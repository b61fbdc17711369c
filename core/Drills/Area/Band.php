<?php

declare(strict_types=1);

namespace ZigLane\Core\Drills\Area;

/**
 * A rectangle along the rails; from rail to rail where nothing bounds it.
 */
final readonly class Band implements Area
{
    /**
     * @param array{float, float} $along  from and to, diamonds
     * @param array{float, float} $across
     */
    public function __construct(public array $along = [0.0, 8.0], public array $across = [0.0, 4.0]) {}

    public function contains(float $along, float $across): bool
    {
        return $along >= $this->along[0] && $along <= $this->along[1] && $across >= $this->across[0] && $across <= $this->across[1];
    }

    /** What reaches from rail to rail stays so. */
    public function scaled(float $times): self
    {
        return new self(self::wider($this->along, $times, 8.0), self::wider($this->across, $times, 4.0));
    }

    public function outline(): array
    {
        [[$a, $b], [$c, $d]] = [$this->along, $this->across];

        return [[$a, $c], [$b, $c], [$b, $d], [$a, $d]];
    }

    /**
     * @param array{float, float} $ends
     *
     * @return array{float, float}
     */
    private static function wider(array $ends, float $times, float $most): array
    {
        if ($ends[0] <= 0.0 && $ends[1] >= $most) {
            return $ends;
        }
        // What lies at a rail grows away from it.
        $middle = match (true) {
            $ends[0] <= 0.0 => $ends[0],
            $ends[1] >= $most => $ends[1],
            default => ($ends[0] + $ends[1]) / 2,
        };

        return [$middle + $times * ($ends[0] - $middle), $middle + $times * ($ends[1] - $middle)];
    }
}
