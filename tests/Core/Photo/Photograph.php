<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Photo;

use ZigLane\Core\Equipment\TableGeometry;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Photo\PhotoCamera;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Settings\Defaults;

/**
 * A drawn picture as a file, with where everything is in it.
 */
final readonly class Photograph
{
    private const WIDTH = 1000;
    private const HEIGHT = 750;

    private function __construct(public string $jpeg, public PhotoCamera $camera, private TableGeometry $geometry) {}

    /** From behind the head rail, held high. */
    public static function of(Layout $layout, TableGeometry $geometry): self
    {
        $camera = CameraPlaces::lookingAt(new Point(-1.0, 0.8), 1.6, new Point(1.1, 0.6), 640.0, self::WIDTH, self::HEIGHT, 0.02, 0.02);
        $picture = new DrawnTable($camera, $geometry, $layout, new Generator(1), noise: 2.0, rays: 1);
        $image = imagecreatetruecolor(self::WIDTH, self::HEIGHT);
        for ($y = 0; $y < self::HEIGHT; ++$y) {
            for ($x = 0; $x < self::WIDTH; ++$x) {
                [$r, $g, $b] = $picture->at($x, $y);
                imagesetpixel($image, $x, $y, $r << 16 | $g << 8 | $b);
            }
        }
        ob_start();
        imagejpeg($image, null, 92);

        return new self((string) ob_get_clean(), $camera, $geometry);
    }

    /** @return array<string, array{float, float}> the first so many tips, px */
    public function tips(int $many): array
    {
        return CameraPlaces::taps($this->camera, $this->geometry, $many)->at;
    }

    /** @return array{float, float} px of a ball's middle */
    public function ball(Point $place): array
    {
        return $this->camera->seen($place->x, $place->y, Defaults::BALL_RADIUS) ?? throw new \LogicException('It is not in the picture.');
    }
}
