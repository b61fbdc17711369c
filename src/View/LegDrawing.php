<?php

declare(strict_types=1);

namespace ZigLane\App\View;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\TableSize;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Line\LegOutcome;
use ZigLane\Core\Line\LegState;
use ZigLane\Core\Physics\PathPiece;
use ZigLane\Core\Physics\ShotResult;
use ZigLane\Core\Wording\LegReading;
use ZigLane\Core\Wording\ShotTitle;

/**
 * One leg as the page shows it: paths and marks in mm, and its words.
 */
final readonly class LegDrawing
{
    public int $number;
    public string $state;
    public string $title;
    public string $reading;
    public string $cueSlide;
    public string $cueRoll;
    public string $cueFlight;

    /** @var list<array{ball: int, path: string, wanted: bool}> */
    public array $others;

    /** @var array{x: string, y: string}|null */
    public ?array $start;

    /** @var array{x: string, y: string}|null */
    public ?array $ghost;

    /** @var array{x: string, y: string}|null */
    public ?array $rest;

    public function __construct(public LegOutcome $leg, TableSize $size)
    {
        $this->number = $leg->number;
        $this->state = $leg->state->value;
        $spec = $leg->spec;
        $this->title = ShotTitle::of($spec);
        $this->reading = LegReading::of($leg, $size);
        $result = $leg->result;
        $cue = $result->paths[BallId::CUE] ?? [];
        $this->cueSlide = Svg::path(array_filter($cue, static fn(PathPiece $p): bool => !$p->rolling && !$p->inAir()));
        $this->cueFlight = Svg::path(array_filter($cue, static fn(PathPiece $p): bool => $p->inAir()));
        $this->cueRoll = Svg::path(array_filter($cue, static fn(PathPiece $p): bool => $p->rolling));
        $others = [];
        foreach ($result->paths ?? [] as $ball => $pieces) {
            if (BallId::CUE !== $ball) {
                $others[] = ['ball' => $ball, 'path' => Svg::path($pieces), 'wanted' => $ball === $spec->ball];
            }
        }
        $this->others = $others;
        $this->start = self::mark(null !== $result ? $leg->before?->ball(BallId::CUE) : null);
        $this->ghost = self::mark($leg->aim?->ghost);
        $this->rest = self::mark(self::restOf($result));
    }

    public function works(): bool
    {
        return LegState::Holds === $this->leg->state;
    }

    /** "▲" and the like would lean on colour or shape alone: one short word says how the leg stands. */
    public function stateWord(): string
    {
        return match ($this->leg->state) {
            LegState::Holds => 'holds',
            LegState::Breaks => 'breaks',
            LegState::Waits => 'not reached',
            LegState::Spent => 'nothing left',
        };
    }

    public static function restOf(?ShotResult $result): ?Point
    {
        return null !== $result && $result->final->has(BallId::CUE) ? $result->final->ball(BallId::CUE) : null;
    }

    /**
     * @return array{x: string, y: string}|null
     */
    public static function mark(?Point $p): ?array
    {
        return null === $p ? null : ['x' => Svg::mm($p->x), 'y' => Svg::mm($p->y)];
    }
}
