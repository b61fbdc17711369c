<?php

declare(strict_types=1);

namespace ZigLane\Core\Equipment;

use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Settings\Defaults;

/**
 * The lines and arcs a ball's centre can meet, worked out from a table's measures. Lengths in m.
 *
 * The rails are the rectangle [0, length] × [0, width]; each is broken where a pocket's mouth opens.
 */
final readonly class TableGeometry
{
    public float $length;
    public float $width;

    /** Distance of a ball's centre from the nose line when it touches the rail, m (less than R: the nose is above centre). */
    public float $reach;

    /** Distance along either rail from the corner to the nose tip, m. */
    public float $cornerCut;

    /** Half the side pocket's mouth, m. */
    public float $sideHalf;

    /** @var array<int, PocketShape> by Pocket::index() */
    public array $pockets;

    public function __construct(public Table $table, float $ballRadius = Defaults::BALL_RADIUS)
    {
        $this->length = $table->length();
        $this->width = $table->width();
        $this->reach = $ballRadius * $table->cushion->contactCosine();
        $this->cornerCut = $table->cornerMouth / M_SQRT2;
        $this->sideHalf = $table->sideMouth / 2;

        $pockets = [];
        foreach (Pocket::cases() as $pocket) {
            $pockets[$pocket->index()] = $pocket->isSide() ? $this->side($pocket) : $this->corner($pocket);
        }
        $this->pockets = $pockets;
    }

    /** The shape of one pocket on this table. */
    public function pocket(Pocket $pocket): PocketShape
    {
        return $this->pockets[$pocket->index()];
    }

    /**
     * The rail whose nose is nearest to a place.
     *
     * @return array{Rail, float} and how far it is, m
     */
    public function nearestRail(Point $place): array
    {
        $gaps = [
            Rail::Head->value => $place->x,
            Rail::Foot->value => $this->length - $place->x,
            Rail::Left->value => $place->y,
            Rail::Right->value => $this->width - $place->y,
        ];
        asort($gaps);
        $nearest = (string) array_key_first($gaps);

        return [Rail::from($nearest), $gaps[$nearest]];
    }

    /** Whether a ball's centre may rest there: clear of rails, jaws and the drop. Tolerance 1 µm, so frozen counts. */
    public function canRest(Point $p): bool
    {
        $slack = 1e-6;
        $r = $this->reach - $slack;
        if ($p->x >= $r && $p->x <= $this->length - $r && $p->y >= $r && $p->y <= $this->width - $r) {
            return true;
        }
        if ($this->isInARail($p, $r)) {
            return false;
        }
        foreach ($this->pockets as $pocket) {
            if ($p->distanceTo($pocket->mouthMiddle()) > $this->table->cornerMouth) {
                continue;
            }

            return $this->clearOfJaws($pocket, $p, $r) && $p->distanceTo($pocket->dropCentre) > $pocket->dropRadius;
        }

        return false;
    }

    /** The place on the bed, clear of every rail, that is nearest to one (m). */
    public function onBed(Point $p): Point
    {
        return new Point(
            max($this->reach, min($this->length - $this->reach, $p->x)),
            max($this->reach, min($this->width - $this->reach, $p->y)),
        );
    }

    /** Beside a rail, past the tips of its jaws, there is rubber and no mouth. */
    private function isInARail(Point $p, float $r): bool
    {
        if ($p->y >= $this->cornerCut && $p->y <= $this->width - $this->cornerCut && ($p->x < $r || $p->x > $this->length - $r)) {
            return true;
        }
        $besideALongRail = $p->x >= $this->cornerCut && $p->x <= $this->length - $this->cornerCut
            && abs($p->x - 0.5 * $this->length) >= $this->sideHalf;

        return $besideALongRail && ($p->y < $r || $p->y > $this->width - $r);
    }

    private function clearOfJaws(PocketShape $s, Point $p, float $r): bool
    {
        foreach ([[$s->tipA, $s->facingA], [$s->tipB, $s->facingB]] as [$tip, $facing]) {
            if ($p->distanceTo($tip) < $r) {
                return false;
            }
            $along = ($p->x - $tip->x) * $facing[0] + ($p->y - $tip->y) * $facing[1];
            $middle = $s->mouthMiddle();
            $side = static fn(Point $q): float => ($q->x - $tip->x) * $facing[1] - ($q->y - $tip->y) * $facing[0];
            $sign = $side($middle) > 0 ? 1.0 : -1.0;
            if ($along > 0 && $sign * $side($p) < $r) {
                return false;
            }
        }
        // Beyond the nose line the only room is between the tips, and before the drop.
        $across = [-$s->axis[1], $s->axis[0]];
        $m = $s->mouthMiddle();
        if (($p->x - $s->dropCentre->x) * $s->axis[0] + ($p->y - $s->dropCentre->y) * $s->axis[1] > 0) {
            return false;
        }
        $half = $s->tipA->distanceTo($s->tipB) / 2;

        return abs(($p->x - $m->x) * $across[0] + ($p->y - $m->y) * $across[1]) <= $half;
    }

    private function corner(Pocket $pocket): PocketShape
    {
        $atFoot = Pocket::FootLeft === $pocket || Pocket::FootRight === $pocket;
        $atRight = Pocket::HeadRight === $pocket || Pocket::FootRight === $pocket;
        $sx = $atFoot ? 1.0 : -1.0; // toward the pocket along x
        $sy = $atRight ? 1.0 : -1.0;
        $cx = $atFoot ? $this->length : 0.0;
        $cy = $atRight ? $this->width : 0.0;
        $c = $this->cornerCut;
        $turn = deg2rad(180.0 - Defaults::CORNER_FACING_DEG);
        // A on the long rail: its facing leaves the rail's line by 180° − 142°; B on the short rail mirrors it.
        $tipA = new Point($cx - $sx * $c, $cy);
        $tipB = new Point($cx, $cy - $sy * $c);
        $facingA = [$sx * cos($turn), $sy * sin($turn)];
        $facingB = [$sx * sin($turn), $sy * cos($turn)];
        $axis = [$sx * M_SQRT1_2, $sy * M_SQRT1_2];

        return self::shape($pocket, [$tipA, $facingA], [$tipB, $facingB], $axis);
    }

    private function side(Pocket $pocket): PocketShape
    {
        $sy = Pocket::SideRight === $pocket ? 1.0 : -1.0;
        $cy = Pocket::SideRight === $pocket ? $this->width : 0.0;
        $turn = deg2rad(180.0 - Defaults::SIDE_FACING_DEG);
        $tipA = new Point($this->length / 2 - $this->sideHalf, $cy);
        $tipB = new Point($this->length / 2 + $this->sideHalf, $cy);
        $facingA = [cos($turn), $sy * sin($turn)];
        $facingB = [-cos($turn), $sy * sin($turn)];

        return self::shape($pocket, [$tipA, $facingA], [$tipB, $facingB], [0.0, $sy]);
    }

    /**
     * @param array{Point, array{float, float}} $a    nose tip and direction of its facing
     * @param array{Point, array{float, float}} $b    the other
     * @param array{float, float}               $axis from the mouth's middle into the pocket
     */
    private static function shape(Pocket $pocket, array $a, array $b, array $axis): PocketShape
    {
        [$tipA, $facingA] = $a;
        [$tipB, $facingB] = $b;
        $radius = $pocket->isSide() ? Defaults::SIDE_DROP_RADIUS : Defaults::CORNER_DROP_RADIUS;
        $depth = ($pocket->isSide() ? Defaults::SIDE_SHELF : Defaults::CORNER_SHELF) + $radius;
        $mx = ($tipA->x + $tipB->x) / 2;
        $my = ($tipA->y + $tipB->y) / 2;

        return new PocketShape(
            $pocket,
            $tipA,
            $tipB,
            $facingA,
            $facingB,
            // Long enough that a ball is always down before it could reach the facing's far end.
            $depth + $radius,
            $axis,
            new Point($mx + $axis[0] * $depth, $my + $axis[1] * $depth),
            $radius,
        );
    }
}
