<?php

declare(strict_types=1);

namespace ZigLane\App\AtTable;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\TableGeometry;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Line\LegOutcome;
use ZigLane\Core\Settings\Defaults;

/**
 * What a player sees who gets down behind the cue ball: balls, pocket and rails in plain perspective.
 *
 * A pinhole camera above the cue, looking along the line on which the cue ball comes to the ball; places are divided by their distance
 * along that line. The unit of the picture is the width of a ball at the object ball's distance.
 */
final readonly class BehindView
{
    /** The eye behind the cue ball's middle and above the cloth, m: a chin near the cue (common practice, no source). */
    private const BACK = 0.7;
    private const HIGH = 0.2;

    /** Nearer to the eye than this nothing is drawn, m. */
    private const NEAR = 0.2;

    /** Half of the picture's width at least, in ball widths at the object ball. */
    private const HALF = 4.0;

    /** Width of the picture to its height. */
    private const ASPECT = 2.4;

    /** So much is seen over the ball and what lies behind it, ball widths. */
    private const OVER = 1.0;

    /** Height of the cushions' noses, m. */
    private const NOSE = Defaults::NOSE_HEIGHT * 2 * Defaults::BALL_RADIUS;

    private function __construct(
        private Point $eye,
        private float $way,
        private float $scale,
        private float $level,
        private LegOutcome $leg,
        private TableGeometry $geometry,
        private Point $ghost,
    ) {}

    /** The view of a leg; null where the cue ball meets no ball. */
    public static function of(LegOutcome $leg, TableGeometry $geometry): ?self
    {
        $ghost = $leg->aim?->ghost;
        if (null === $ghost || null === $leg->before || null === $leg->spec->ball || !$leg->spec->intent->isPlain()) {
            return null;
        }
        $cue = $leg->before->ball(BallId::CUE);
        if ($cue->distanceTo($ghost) < Defaults::BALL_RADIUS / 2) {
            // In touch there is no way to look along.
            return null;
        }
        $way = $cue->angleTo($ghost);
        $eye = $cue->toward($way, -self::BACK);
        $ball = $leg->before->ball($leg->spec->ball);
        $far = ($ball->x - $eye->x) * cos($way) + ($ball->y - $eye->y) * sin($way);

        return new self(
            $eye,
            $way,
            $far / (2 * Defaults::BALL_RADIUS),
            (self::HIGH - Defaults::BALL_RADIUS) / $far,
            $leg,
            $geometry,
            $ghost,
        );
    }

    /**
     * @return array{behind: array<string, mixed>}
     */
    public function describe(): array
    {
        $before = $this->leg->before;
        \assert(null !== $before);
        $balls = [];
        foreach ($before->balls as $ball => $place) {
            $seen = $this->ball($place);
            if (null !== $seen) {
                $balls[] = ['ball' => BallId::name($ball), 'x' => $seen[0], 'y' => $seen[1], 'r' => $seen[2], 'far' => $seen[3]];
            }
        }
        usort($balls, static fn(array $a, array $b): int => $b['far'] <=> $a['far']);
        $ghost = $this->ball($this->ghost);
        $pocket = $this->leg->spec->pocket;
        $mouth = null;
        if (null !== $pocket) {
            $shape = $this->geometry->pocket($pocket);
            $tips = [$this->seen($shape->tipA, self::NOSE), $this->seen($shape->tipB, self::NOSE)];
            $mouth = null === $tips[0] || null === $tips[1] ? null : [[$tips[0][0], $tips[0][1]], [$tips[1][0], $tips[1][1]]];
        }

        $top = min([-0.5, ...array_column($mouth ?? [], 1)]) - self::OVER;
        $cue = $this->ball($before->ball(BallId::CUE));
        $high = (null === $cue ? 1.0 : $cue[1] + 1.1 * $cue[2]) - $top;
        $wide = max(2 * self::HALF, self::ASPECT * $high);

        return ['behind' => [
            'balls' => $balls,
            'ghost' => null === $ghost ? null : ['x' => $ghost[0], 'y' => $ghost[1], 'r' => $ghost[2]],
            'mouth' => $mouth,
            'rails' => $this->rails(),
            'box' => [round(-$wide / 2, 2), round($top, 2), round($wide, 2), round($wide / self::ASPECT, 2)],
        ]];
    }

    /**
     * Tops of the cushions as lines.
     *
     * @return list<list<array{float, float}>>
     */
    private function rails(): array
    {
        [$long, $wide] = [$this->geometry->length, $this->geometry->width];
        $corners = [[0.0, 0.0], [$long, 0.0], [$long, $wide], [0.0, $wide]];
        $lines = [];
        foreach ($corners as $n => [$x, $y]) {
            [$u, $v] = $corners[($n + 1) % 4];
            $line = [];
            for ($step = 0; $step <= 20; ++$step) {
                $seen = $this->seen(new Point($x + ($u - $x) * $step / 20, $y + ($v - $y) * $step / 20), self::NOSE);
                if (null !== $seen) {
                    $line[] = [$seen[0], $seen[1]];
                }
            }
            if (\count($line) > 1) {
                $lines[] = $line;
            }
        }

        return $lines;
    }

    /**
     * @return array{float, float, float, float}|null middle, radius, distance
     */
    private function ball(Point $place): ?array
    {
        $seen = $this->seen($place, Defaults::BALL_RADIUS);

        return null === $seen ? null : [$seen[0], $seen[1], round($this->scale * Defaults::BALL_RADIUS / $seen[2], 3), round($seen[2], 3)];
    }

    /**
     * @return array{float, float, float}|null right, down, and distance along the line of sight; null where it is too near
     */
    private function seen(Point $place, float $height): ?array
    {
        [$dx, $dy] = [$place->x - $this->eye->x, $place->y - $this->eye->y];
        $far = $dx * cos($this->way) + $dy * sin($this->way);
        if ($far < self::NEAR) {
            return null;
        }
        $right = $dy * cos($this->way) - $dx * sin($this->way);

        return [
            round($this->scale * $right / $far, 3),
            round($this->scale * ((self::HIGH - $height) / $far - $this->level), 3),
            $far,
        ];
    }
}
