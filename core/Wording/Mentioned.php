<?php

declare(strict_types=1);

namespace ZigLane\Core\Wording;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Finding;

/**
 * The balls that a finding is about.
 */
final class Mentioned
{
    /** Parameters of findings that are ball numbers. */
    private const BALLS = ['ball', 'balls', 'next', 'for', 'by', 'insurance'];

    private function __construct() {}

    /**
     * @return list<int> ball numbers, each once, in the finding's order
     */
    public static function balls(Finding $finding): array
    {
        $balls = [];
        foreach (get_object_vars($finding) as $name => $value) {
            if ($value instanceof Pot) {
                $balls[] = $value->ball;
            } elseif (\in_array($name, self::BALLS, true)) {
                array_push($balls, ...array_filter((array) $value, \is_int(...)));
            }
        }

        return array_values(array_unique($balls));
    }
}
