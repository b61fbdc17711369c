<?php

declare(strict_types=1);

namespace ZigLane\Core\Choice;

use ZigLane\Core\Numerics\StudentEstimate;
use ZigLane\Core\Numerics\WilsonInterval;

/**
 * What a player's choices tell, one after the other.
 */
final readonly class ChoiceProgress
{
    /** The latest choices that the mean is of; fewer than this have no trend. */
    public const LATEST = 20;
    public const FEW = 6;

    /** Fewer have no mean. */
    private const LEAST = 3;

    /** A choice that loses no more than this share of the plan's chance is as good as the plan (our own choice). */
    public const GOOD = 0.05;

    public int $many;

    /** Choices as good as the plan, of the latest. */
    public int $good;

    /** @var array{float, float, float}|null mean share of the plan's chance that is kept, and its 90 % interval, 0–1 */
    public ?array $mean;

    /** @var array{float, float, float}|null by which that rises from choice to choice, and its 90 % interval */
    public ?array $trend;

    /** @var array<value-of<ChoicePart>, float> chance to run out that each part costs on average, the dearest first */
    public array $parts;

    /** Pairs of which the better was named, and pairs in all. */
    public int $right;
    public int $pairs;

    /** @var array{float, float}|null 95 % interval of the share that was right */
    public ?array $rightInterval;

    /**
     * @param list<ChoiceWorth> $worths of whole choices, in order of time
     * @param list<bool>        $named  whether the better of two was named
     */
    public function __construct(array $worths, array $named)
    {
        $this->many = \count($worths);
        $latest = \array_slice($worths, -self::LATEST);
        $kept = array_map(static fn(ChoiceWorth $w): float => $w->kept(), $latest);
        $this->good = \count(array_filter($kept, static fn(float $share): bool => $share >= 1.0 - self::GOOD));
        $this->mean = \count($kept) < self::LEAST ? null : StudentEstimate::mean($kept);
        $this->trend = \count($kept) < self::FEW ? null : StudentEstimate::slope($kept);
        $parts = [];
        foreach ($latest as $worth) {
            foreach ($worth->costs as $part => $cost) {
                $parts[$part] = ($parts[$part] ?? 0.0) + $cost / \count($latest);
            }
        }
        arsort($parts);
        $this->parts = $parts;
        $this->pairs = \count($named);
        $this->right = \count(array_filter($named));
        $this->rightInterval = [] === $named ? null : WilsonInterval::of($this->right, $this->pairs);
    }
}
