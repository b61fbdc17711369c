<?php

declare(strict_types=1);

namespace ZigLane\App\Photo;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Rail;
use ZigLane\Core\Equipment\TableGeometry;
use ZigLane\Core\Photo\BallSighting;
use ZigLane\Core\Photo\NoseTip;
use ZigLane\Core\Photo\PhotoCamera;
use ZigLane\Core\Photo\Picture;
use ZigLane\Core\Photo\TapModel;
use ZigLane\Core\Photo\TapReview;
use ZigLane\Core\Settings\Defaults;
use ZigLane\Core\Wording\PhotoWording;

/**
 * What a picture's tips tell, as the page takes it.
 */
final readonly class SeenTable
{
    /** Pieces that a nose's line is drawn in, so that it bends as the lens bends it. */
    private const PIECES = 8;

    /** Tips between which a nose runs, by their places in NoseTip::all(). */
    private const NOSES = [[0, 8], [9, 1], [5, 6], [2, 11], [10, 3], [7, 4]];

    public function __construct(public Picture $picture, public TapReview $review, public TableGeometry $geometry) {}

    /**
     * The tips to point at, in order.
     *
     * @return list<array{name: string, spoken: string, x: float, y: float}> mm
     */
    public static function tips(TableGeometry $geometry): array
    {
        $tips = [];
        foreach (NoseTip::all() as $tip) {
            $place = $tip->place($geometry);
            $tips[] = [
                'name' => $tip->name(),
                'spoken' => PhotoWording::tip($tip),
                'x' => round(1000 * $place->x, 1),
                'y' => round(1000 * $place->y, 1),
            ];
        }

        return $tips;
    }

    /**
     * What is doubtful, where the other tips must be, and the noses' lines; px.
     *
     * @return array<string, mixed>
     */
    public function camera(): array
    {
        $doubt = $this->review->doubt;
        $hints = $lines = [];
        $likely = $this->review->likely?->camera;
        if (null !== $likely) {
            foreach (NoseTip::all() as $tip) {
                $place = $tip->place($this->geometry);
                $hints[$tip->name()] = $this->seen($likely, $place->x, $place->y);
            }
            $lines = $this->lines($likely);
        }

        return [
            'doubt' => null === $doubt ? null : PhotoWording::doubt($doubt),
            'forbids' => $doubt?->forbids() ?? false,
            'wrong' => $doubt?->tip?->name(),
            'hints' => array_filter($hints, static fn(array $at): bool => [] !== $at),
            'lines' => $lines,
        ];
    }

    /**
     * A ball: px in the picture, mm on the table.
     *
     * @param list<array{float, float, float}> $others that were found before: place and circle, mm
     *
     * @return array<string, mixed>
     */
    public function ball(BallSighting $ball, array $others): array
    {
        // Tenths of a pixel are enough.
        $rounded = static function (array $p): array {
            \assert(\is_float($p[0]) && \is_float($p[1]));

            return [round($p[0], 1), round($p[1], 1)];
        };

        return [
            'seen' => $rounded($ball->seen),
            'outline' => array_map($rounded, $ball->outline),
            'x' => round(1000 * $ball->place->x, 2),
            'y' => round(1000 * $ball->place->y, 2),
            'circle' => round(1000 * $ball->circle, 1),
            'found' => $ball->found,
            'guess' => null === $ball->guess ? null : BallId::name($ball->guess),
            // Those that it may touch: offered, never assumed.
            'near' => array_keys(array_filter(
                $others,
                static fn(array $o): bool => hypot($o[0] - 1000 * $ball->place->x, $o[1] - 1000 * $ball->place->y)
                    < 2000 * Defaults::BALL_RADIUS + 1000 * $ball->circle + $o[2],
            )),
            'rails' => array_map(static fn(Rail $rail): string => $rail->value, $ball->rails),
        ];
    }

    /** @return list<list<list<float>>> */
    private function lines(PhotoCamera $camera): array
    {
        $tips = NoseTip::all();
        $lines = [];
        foreach (self::NOSES as [$from, $to]) {
            $a = $tips[$from]->place($this->geometry);
            $b = $tips[$to]->place($this->geometry);
            $line = [];
            for ($k = 0; $k <= self::PIECES; ++$k) {
                $t = $k / self::PIECES;
                $line[] = $this->seen($camera, $a->x + $t * ($b->x - $a->x), $a->y + $t * ($b->y - $a->y));
            }
            // What is behind the camera is not drawn.
            $lines[] = array_values(array_filter($line, static fn(array $p): bool => [] !== $p));
        }

        return $lines;
    }

    /** @return list<float> px; [] behind the camera */
    private function seen(PhotoCamera $camera, float $x, float $y): array
    {
        return array_map(
            static fn(float $v): float => round($v, 1),
            $camera->seen($x, $y, TapModel::nose($this->geometry)) ?? [],
        );
    }
}
