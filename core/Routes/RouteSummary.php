<?php

declare(strict_types=1);

namespace ZigLane\Core\Routes;

use ZigLane\Core\Finding;
use ZigLane\Core\ListOf;
use ZigLane\Core\Reading\SpeedWindow;

/**
 * What a route is and what threatens it, in numbers.
 */
final readonly class RouteSummary implements Finding
{
    /** Dangers below this share are not worth a word, nor are more than so many. */
    private const WORTH_SAYING = 0.015;
    private const MOST = 2;

    /**
     * @param float                $travel  of the cue ball after the contact, m
     * @param SpeedWindow|null     $window  that still leaves the cue ball in position
     * @param int|null             $next    the ball that it is for
     * @param list<DangerShare> $dangers those worth saying, the greatest first
     */
    public function __construct(
        public Family $family,
        public float $travel,
        public ?SpeedWindow $window,
        public ?int $next,
        #[ListOf(DangerShare::class)]
        public array $dangers,
    ) {}

    /**
     * The summary of a route.
     *
     * @param float $moves where other balls are moved in this share of the tries or more, it is no danger but meant, or of no matter
     */
    public static function of(Route $route, float $moves = 2.0): self
    {
        $chances = $route->chances;
        $dangers = array_filter([
            new DangerShare(Danger::Scratch, $chances->scratch),
            new DangerShare(Danger::NoShotLeft, $chances->pot * $chances->hooked),
            new DangerShare(Danger::Astray, $chances->pot * $chances->astray),
            new DangerShare(Danger::BallMoved, $chances->touches < $moves ? $chances->touches : 0.0),
        ], static fn(DangerShare $d): bool => $d->share >= self::WORTH_SAYING);
        usort($dangers, static fn(DangerShare $a, DangerShare $b): int => $b->share <=> $a->share);

        return new self(
            $route->family,
            $route->travel,
            $route->window,
            $route->next?->ball,
            \array_slice($dangers, 0, self::MOST),
        );
    }
}
