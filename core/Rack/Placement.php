<?php

declare(strict_types=1);

namespace ZigLane\Core\Rack;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\BallSpec;
use ZigLane\Core\Equipment\Rail;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Equipment\TableGeometry;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Rack\Files\Fields;

/**
 * Puts balls where a person means: typed diamonds, "frozen to this rail", and a snap for what is nearly frozen.
 */
final readonly class Placement
{
    /** Dropped this near to a rail (m), a ball is meant to be frozen to it. */
    private const RAIL_SNAP = 0.006;

    /** Dropped this near to another ball, or this far into it (m), a ball is meant to touch it. */
    private const BALL_SNAP = 0.005;

    private TableGeometry $geometry;
    private float $diameter;

    public function __construct(private Table $table, BallSpec $ball = new BallSpec())
    {
        $this->geometry = new TableGeometry($table, $ball->radius);
        $this->diameter = 2 * $ball->radius;
    }

    /**
     * Reads diamonds as people type them: "2.5, 1", "2 1/2; 1", "2½ 1".
     *
     * @throws InvalidInput
     */
    public function typed(string $text): Point
    {
        $plain = self::spelledOut(trim($text));
        $number = '(-?\d+(?:\.\d+)?(?:\s+\d+\/\d+)?|-?\d+\/\d+|-?\.\d+)';
        if (1 !== preg_match("/^\\s*$number\\s*(?:[,;]|\\s)\\s*$number\\s*\$/u", $plain, $found)) {
            throw new InvalidInput(
                '',
                \sprintf('"%s" is not a place: type diamonds along and across, such as 2.5, 1', mb_strimwidth(trim($text), 0, 30, '…')),
            );
        }

        return $this->inDiamonds(self::value($found[1]), self::value($found[2]));
    }

    /** "4½" as "4 1/2". */
    public static function spelledOut(string $text): string
    {
        return strtr($text, ['¼' => ' 1/4', '½' => ' 1/2', '¾' => ' 3/4', '⅛' => ' 1/8', '⅜' => ' 3/8', '⅝' => ' 5/8', '⅞' => ' 7/8']);
    }

    /**
     * @throws InvalidInput outside 0–8, 0–4, unless it is a place in a pocket's jaws where a ball can rest
     */
    public function inDiamonds(float $x, float $y): Point
    {
        $place = $this->table->size->pointAt($x, $y);
        foreach ([[$x, 8], [$y, 4]] as [$v, $most]) {
            if (!is_finite($v) || (($v < 0 || $v > $most) && !$this->geometry->canRest($place))) {
                throw new InvalidInput('', \sprintf('%s is outside the table (0–%d)', Fields::show($v), $most));
            }
        }

        return $place;
    }

    /** The place of a ball that is pushed straight to a rail. */
    public function frozen(Point $p, Rail $rail): Point
    {
        $g = $this->geometry;

        return match ($rail) {
            Rail::Head => new Point($g->reach, $p->y),
            Rail::Foot => new Point($g->length - $g->reach, $p->y),
            Rail::Left => new Point($p->x, $g->reach),
            Rail::Right => new Point($p->x, $g->width - $g->reach),
        };
    }

    /**
     * The place so many diamonds further; a nudge against a rail ends frozen to it.
     *
     * @throws InvalidInput when a distance is not a finite number
     */
    public function nudged(Point $p, float $along, float $across): Point
    {
        [$x, $y] = $this->table->size->diamondsOf($p);
        $straight = $this->table->size->pointAt($x + $along, $y + $across);
        if ($this->geometry->canRest($straight)) {
            return $straight;
        }

        return $this->geometry->onBed($this->inDiamonds(max(0.0, min(8.0, $x + $along)), max(0.0, min(4.0, $y + $across))));
    }

    /** Where a ball dropped there by hand is meant to be: nearly frozen becomes frozen. */
    public function snapped(Layout $layout, int $ball, Point $p): Point
    {
        $g = $this->geometry;
        $reach = $g->reach;
        $snap = static fn(float $v, float $most): float => match (true) {
            $v < $reach + self::RAIL_SNAP => $reach,
            $v > $most - $reach - self::RAIL_SNAP => $most - $reach,
            default => $v,
        };
        $railed = new Point($snap($p->x, $g->length), $snap($p->y, $g->width));
        // In a pocket's mouth there is no rail to be frozen to.
        $p = $this->inMouth($railed) ? $p : $railed;
        foreach ($layout->balls as $id => $other) {
            $gap = $p->distanceTo($other) - $this->diameter;
            if ($id !== $ball && abs($gap) < self::BALL_SNAP && $p->distanceTo($other) > 0.0) {
                $touching = $other->toward($other->angleTo($p), $this->diameter);
                if ($g->canRest($touching)) {
                    return $touching;
                }
            }
        }

        return $p;
    }

    /**
     * A rack with one ball put elsewhere or added.
     *
     * @throws InvalidInput when it cannot lie there
     */
    public function place(Rack $rack, int $ball, Point $p): Rack
    {
        if (BallId::CUE !== $ball && !\in_array($ball, $rack->rules()->rack(), true)) {
            throw new InvalidInput('', \sprintf('The %d is not a ball of %s.', $ball, $rack->game->value));
        }
        $changed = $rack->withBall($ball, $p);
        Playable::assert($changed->layout, $rack->table);

        return $changed;
    }

    private function inMouth(Point $p): bool
    {
        foreach ($this->geometry->pockets as $pocket) {
            $half = $pocket->tipA->distanceTo($pocket->tipB) / 2;
            if ($p->distanceTo($pocket->mouthMiddle()) < $half) {
                return true;
            }
        }

        return false;
    }

    private static function value(string $text): float
    {
        $sum = 0.0;
        foreach (preg_split('/\s+/', $text) ?: [] as $part) {
            [$top, $bottom] = explode('/', $part . '/1');
            if (0.0 === (float) $bottom) {
                throw new InvalidInput('', "\"$part\" divides by nothing");
            }
            $sum += (float) $top / (float) $bottom;
        }

        return $sum;
    }
}
