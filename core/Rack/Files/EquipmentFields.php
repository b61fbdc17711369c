<?php

declare(strict_types=1);

namespace ZigLane\Core\Rack\Files;

use ZigLane\Core\Equipment\Cloth;
use ZigLane\Core\Equipment\CueSpec;
use ZigLane\Core\Equipment\Cushion;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Equipment\TableSize;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Settings\Defaults;

/**
 * A table and a cue as files state them: in racks and in profiles.
 */
final class EquipmentFields
{
    private const LONGEST_NAME = 80;

    private function __construct() {}

    /**
     * @return array{Table, array<string, array<string, mixed>>} the table; what was not known, by path from the file's root
     *
     * @throws InvalidInput
     */
    public static function table(Fields $table): array
    {
        $cloth = $table->object('cloth');
        $cushion = $table->object('cushion');
        $built = new Table(
            $table->choice('size', TableSize::class, '9ft'),
            $table->number('cornerMouthMm', Defaults::CORNER_MOUTH * 1000, 95.0, 140.0, 'mm') / 1000,
            $table->number('sideMouthMm', Defaults::SIDE_MOUTH * 1000, 95.0, 150.0, 'mm') / 1000,
            new Cloth(
                $cloth->number('slide', Defaults::CLOTH_SLIDE, 0.05, 0.6),
                $cloth->number('roll', Defaults::CLOTH_ROLL, 0.002, 0.05),
                $cloth->number('spinDecay', Defaults::CLOTH_SPIN_DECAY, 0.5, 50.0, 'rad/s²'),
            ),
            new Cushion(
                $cushion->number('restitution', Defaults::CUSHION_RESTITUTION, 0.5, 1.0),
                $cushion->number('friction', Defaults::CUSHION_FRICTION, 0.01, 0.6),
            ),
            self::name($table),
        );

        return [$built, ['table' => $table->unknown(), 'table.cloth' => $cloth->unknown(), 'table.cushion' => $cushion->unknown()]];
    }

    /**
     * @return array{CueSpec, array<string, mixed>} the cue; what was not known
     *
     * @throws InvalidInput
     */
    public static function cue(Fields $cue): array
    {
        $built = new CueSpec(
            $cue->number('massKg', Defaults::CUE_MASS, 0.3, 0.9, 'kg'),
            $cue->number('tipRestitution', Defaults::TIP_RESTITUTION, 0.4, 1.0),
            $cue->number('endMassRatio', Defaults::END_MASS_RATIO, 8.0, 120.0),
            self::name($cue),
        );

        return [$built, $cue->unknown()];
    }

    /**
     * @param callable(string): array<string, mixed> $kept unknown keys to write back, by path
     *
     * @return array<string, mixed> ready for json_encode
     */
    public static function writeTable(Table $table, callable $kept): array
    {
        $cloth = $table->cloth;

        return (null === $table->name ? [] : ['profile' => $table->name]) + [
            'size' => $table->size->value,
            'cornerMouthMm' => round($table->cornerMouth * 1000, 3),
            'sideMouthMm' => round($table->sideMouth * 1000, 3),
            'cloth' => ['slide' => $cloth->slide, 'roll' => $cloth->roll, 'spinDecay' => $cloth->spinDecay] + $kept('table.cloth'),
            'cushion' => ['restitution' => $table->cushion->restitution, 'friction' => $table->cushion->friction] + $kept('table.cushion'),
        ] + $kept('table');
    }

    /**
     * @return array<string, mixed> ready for json_encode
     */
    public static function writeCue(CueSpec $cue): array
    {
        return (null === $cue->name ? [] : ['profile' => $cue->name])
            + ['massKg' => $cue->mass, 'tipRestitution' => $cue->tipRestitution, 'endMassRatio' => $cue->endMassRatio];
    }

    /** @throws InvalidInput */
    private static function name(Fields $fields): ?string
    {
        return null === $fields->raw('profile') ? null : $fields->text('profile', null, self::LONGEST_NAME);
    }
}
