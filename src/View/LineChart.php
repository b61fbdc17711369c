<?php

declare(strict_types=1);

namespace ZigLane\App\View;

/**
 * A small line chart as SVG, for the documentation: ink on white, each line named at its end.
 */
final readonly class LineChart
{
    private const WIDTH = 640;
    private const HEIGHT = 400;
    private const LEFT = 60;
    private const RIGHT = 150;
    private const TOP = 30;
    private const BOTTOM = 50;

    private const INKS = ['#b3261e', '#1b6ca8', '#2e7d32', '#7b3fa0', '#8a6d00', '#00695c', '#444', '#c2185b'];
    private const DASHES = ['', '7 4', '2 3', '10 3 2 3'];

    /**
     * @param array{float, float, float} $x first, last, step of the ticks
     * @param array{float, float, float} $y the same
     */
    public function __construct(
        private string $title,
        private string $xName,
        private string $yName,
        private array $x,
        private array $y,
    ) {}

    /**
     * @param array<string, list<array{float, float}>> $lines points by name
     */
    public function draw(array $lines): string
    {
        $svg = \sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 %d %d" font-family="sans-serif" font-size="12"><title>%s</title><rect width="100%%" height="100%%" fill="#fff"/>',
            self::WIDTH,
            self::HEIGHT,
            htmlspecialchars($this->title),
        );
        $svg .= $this->ticks() . $this->names();
        foreach (array_keys($lines) as $n => $name) {
            $svg .= $this->line($n, $name, $lines[$name]);
        }

        return $svg . "</svg>\n";
    }

    private function ticks(): string
    {
        $svg = '';
        for ($v = $this->x[0]; $v <= $this->x[1] + 1e-9; $v += $this->x[2]) {
            $svg .= \sprintf(
                '<path d="M%.1f %dV%d" stroke="#ddd"/><text x="%.1f" y="%d" text-anchor="middle">%s</text>',
                $this->px($v),
                self::TOP,
                self::HEIGHT - self::BOTTOM,
                $this->px($v),
                self::HEIGHT - self::BOTTOM + 16,
                round($v, 2),
            );
        }
        for ($v = $this->y[0]; $v <= $this->y[1] + 1e-9; $v += $this->y[2]) {
            $svg .= \sprintf(
                '<path d="M%d %.1fH%d" stroke="#ddd"/><text x="%d" y="%.1f" text-anchor="end">%s</text>',
                self::LEFT,
                $this->py($v),
                self::WIDTH - self::RIGHT,
                self::LEFT - 6,
                $this->py($v) + 4,
                round($v, 2),
            );
        }

        return $svg;
    }

    private function names(): string
    {
        return \sprintf('<text x="%d" y="18" font-weight="bold">%s</text>', self::LEFT, htmlspecialchars($this->title))
            . \sprintf(
                '<text x="%d" y="%d" text-anchor="middle">%s</text>',
                intdiv(self::LEFT + self::WIDTH - self::RIGHT, 2),
                self::HEIGHT - 14,
                htmlspecialchars($this->xName),
            )
            . \sprintf(
                '<text transform="rotate(-90)" x="%d" y="16" text-anchor="middle">%s</text>',
                -intdiv(self::HEIGHT, 2),
                htmlspecialchars($this->yName),
            );
    }

    /**
     * @param list<array{float, float}> $points
     */
    private function line(int $n, string $name, array $points): string
    {
        $ink = self::INKS[$n % \count(self::INKS)];
        $dash = self::DASHES[$n % \count(self::DASHES)];
        $path = implode('L', array_map(fn(array $p): string => \sprintf('%.1f %.1f', $this->px($p[0]), $this->py($p[1])), $points));
        $svg = "<path d=\"M$path\" fill=\"none\" stroke=\"$ink\" stroke-width=\"2\" stroke-dasharray=\"$dash\"/>";

        return [] === $points ? $svg : $svg . \sprintf(
            '<path d="M%d %dh18" stroke="%s" stroke-width="2" stroke-dasharray="%s"/><text x="%d" y="%d" fill="%s">%s</text>',
            self::WIDTH - self::RIGHT + 8,
            self::TOP + 10 + 18 * $n,
            $ink,
            $dash,
            self::WIDTH - self::RIGHT + 30,
            self::TOP + 14 + 18 * $n,
            $ink,
            htmlspecialchars($name),
        );
    }

    private function px(float $v): float
    {
        return self::LEFT + ($v - $this->x[0]) / ($this->x[1] - $this->x[0]) * (self::WIDTH - self::LEFT - self::RIGHT);
    }

    private function py(float $v): float
    {
        return self::HEIGHT - self::BOTTOM - ($v - $this->y[0]) / ($this->y[1] - $this->y[0]) * (self::HEIGHT - self::TOP - self::BOTTOM);
    }
}
