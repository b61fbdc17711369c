<?php

declare(strict_types=1);

namespace ZigLane\Core\Player;

use ZigLane\Core\Equipment\TableGeometry;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Settings\Defaults;

/**
 * Whether the player gets to a shot comfortably, stretched, with the bridge, or with the other hand.
 *
 * Plain geometry: the bridge hand lies behind the cue ball; the body stands outside the table, behind the bridge and, for a
 * right-handed player, anywhere from straight behind it to the right of the cue's line, a little to the left at most. What
 * counts is the way from the bridge to the nearest edge of the table in those directions.
 */
final readonly class Stance
{
    /** Bridge hand behind the cue ball, m (common practice, no source). */
    private const BRIDGE = 0.2;

    /** Directions, rad, from straight back toward the cue's hand side. */
    private const FAN = [-0.3, 0.0, 0.4, 0.8, 1.2];

    /**
     * @param float  $times   by which errors are multiplied
     * @param float  $stretch m beyond reach
     * @param string $note    "" when comfortable, else "a stretch of 20 cm", "bridge", "other hand"
     */
    private function __construct(public float $times, public float $stretch, public string $note) {}

    /** A stance without bridge, stretch or the other hand. */
    public static function comfortable(): self
    {
        return new self(1.0, 0.0, '');
    }

    /**
     * How a player stands to a shot.
     *
     * @param float $aim rad
     */
    public static function of(Player $player, Point $cue, float $aim, TableGeometry $table): self
    {
        $own = self::way($cue, $aim, Hand::Right === $player->hand ? 1.0 : -1.0, $table) - $player->reach;
        if ($own <= 0.0) {
            return self::comfortable();
        }
        if ($own <= Defaults::MOST_STRETCH) {
            return new self(1.0 + Defaults::ERROR_PER_STRETCH * $own, $own, \sprintf('a stretch of %.0f cm', $own * 100));
        }
        $other = self::way($cue, $aim, Hand::Right === $player->hand ? -1.0 : 1.0, $table) - $player->reach;

        return $other <= 0.0
            ? new self(Defaults::ERROR_OTHER_HAND, $own, 'the other hand')
            : new self(Defaults::ERROR_BRIDGE, $own, 'the bridge');
    }

    /** Way from the bridge to the table's edge, m. */
    private static function way(Point $cue, float $aim, float $side, TableGeometry $table): float
    {
        $bx = $cue->x - self::BRIDGE * cos($aim);
        $by = $cue->y - self::BRIDGE * sin($aim);
        $rail = Defaults::RAIL_WIDTH;
        $least = INF;
        foreach (self::FAN as $turn) {
            // Back is aim + π; the player's right of the aim, +90°, is a turn of −90° from back.
            $way = $aim + M_PI - $side * $turn;
            $dx = cos($way);
            $dy = sin($way);
            $tx = abs($dx) < 1e-9 ? INF : (($dx > 0 ? $table->length + $rail : -$rail) - $bx) / $dx;
            $ty = abs($dy) < 1e-9 ? INF : (($dy > 0 ? $table->width + $rail : -$rail) - $by) / $dy;
            $least = min($least, max(0.0, min($tx, $ty)));
        }

        return $least;
    }
}
