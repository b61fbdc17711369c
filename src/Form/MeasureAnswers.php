<?php

declare(strict_types=1);

namespace ZigLane\App\Form;

use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Equipment\TableSize;

/**
 * What MeasureType has been filled in with.
 */
final class MeasureAnswers
{
    private const INCH = 0.0254;

    /** Null when none, or one that there is not, was chosen. */
    public ?string $size = '9ft';

    /** Pockets' mouths, inches; null when nothing, or no number, was typed. */
    public ?float $corner = null;
    public ?float $side = null;

    public string $name = '';

    /** "table" or "cue"; null to keep nothing. */
    public ?string $save = null;

    /** @var array<array-key, mixed> readings in the units of the page by kind, try and field */
    public array $m = [];

    /** An empty sheet for a table. */
    public static function on(Table $table, string $name = ''): self
    {
        $answers = new self();
        $answers->size = $table->size->value;
        $answers->corner = round($table->cornerMouth / self::INCH, 3);
        $answers->side = round($table->sideMouth / self::INCH, 3);
        $answers->name = $name;

        return $answers;
    }

    /** The table that is measured, its own numbers not known yet; only of answers that are valid. */
    public function table(): Table
    {
        return new Table(TableSize::from((string) $this->size), (float) $this->corner * self::INCH, (float) $this->side * self::INCH);
    }
}
