<?php

declare(strict_types=1);

namespace ZigLane\App\View;

use Symfony\Component\HttpFoundation\Request;

/**
 * How this person reads speeds and lengths.
 */
enum Units: string
{
    case Metric = 'metric';
    case Imperial = 'imperial';

    public const COOKIE = 'units';

    public static function of(Request $request): self
    {
        return self::tryFrom($request->cookies->getString(self::COOKIE)) ?? self::Metric;
    }

    /** @param float $mps m/s */
    public function speed(float $mps): string
    {
        return self::Metric === $this ? \sprintf('%.1f m/s', $mps) : \sprintf('%.1f mph', $mps * 2.236936);
    }

    /** @param float $metres m */
    public function length(float $metres): string
    {
        return self::Metric === $this ? \sprintf('%.0f cm', $metres * 100) : \sprintf('%.0f in', $metres / 0.0254);
    }
}
