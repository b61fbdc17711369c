<?php

declare(strict_types=1);

namespace ZigLane\Tests\Browser;

/**
 * Pointing at a picture of a table.
 *
 * @phpstan-require-extends BrowserTestCase
 */
trait PointsAtPictures
{
    /** Touches a place of the picture, px. */
    private function pointAt(float $u, float $v): void
    {
        [$x, $y] = $this->onPicture($u, $v);
        $this->touch($x, $y);
    }

    /** @return array{float, float} px of the screen */
    private function onPicture(float $u, float $v): array
    {
        [$x, $y] = self::numbers($this->script('const s = document.getElementById("shot"); s.scrollIntoView({ block: "nearest" }); const p = new DOMPoint(arguments[0], arguments[1]).matrixTransform(s.getScreenCTM()); return [p.x, p.y]', $u, $v));

        return [$x, $y];
    }
}
