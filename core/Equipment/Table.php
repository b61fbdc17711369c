<?php

declare(strict_types=1);

namespace ZigLane\Core\Equipment;

use ZigLane\Core\Settings\Defaults;

/**
 * One table: its size, its pockets, its cloth and its rubber. Lengths in m.
 */
final readonly class Table
{
    /**
     * @param string|null $name of the table profile it comes from; null for the house table or one set by hand
     */
    public function __construct(
        public TableSize $size = TableSize::NineFoot,
        public float $cornerMouth = Defaults::CORNER_MOUTH,
        public float $sideMouth = Defaults::SIDE_MOUTH,
        public Cloth $cloth = new Cloth(),
        public Cushion $cushion = new Cushion(),
        public ?string $name = null,
    ) {}

    /** The same table under another name; null for none. */
    public function named(?string $name): self
    {
        return new self($this->size, $this->cornerMouth, $this->sideMouth, $this->cloth, $this->cushion, $name);
    }

    /** The same table with so many times the rolling resistance. */
    public function rolling(float $times): self
    {
        $cloth = new Cloth($this->cloth->slide, $times * $this->cloth->roll, $this->cloth->spinDecay);

        return new self($this->size, $this->cornerMouth, $this->sideMouth, $cloth, $this->cushion, $this->name);
    }

    /** m */
    public function length(): float
    {
        return $this->size->length();
    }

    /** m */
    public function width(): float
    {
        return $this->size->width();
    }
}
