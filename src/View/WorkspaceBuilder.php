<?php

declare(strict_types=1);

namespace ZigLane\App\View;

use ZigLane\App\Rack\OpenRack;
use ZigLane\App\Rack\PlayedLines;
use ZigLane\Core\Aiming\AimSolution;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\TableSize;
use ZigLane\Core\Line\LegOutcome;
use ZigLane\Core\Line\LegState;
use ZigLane\Core\Line\LinePlayer;
use ZigLane\Core\Line\RackAfter;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Wording\LegWording;

/**
 * Plays the line of a rack and lays out what the page shows of it.
 */
final class WorkspaceBuilder
{
    public function __construct(private readonly PlayedLines $lines) {}

    /**
     * @param int       $chosen 0 for the layout, else a leg's number; brought into range
     * @param Rack|null $tried  a state to show instead of the stored one
     * @param bool      $keep   whether the state will be looked at again
     */
    public function build(OpenRack $open, int $chosen, Units $units, ?Rack $tried = null, bool $keep = true): Workspace
    {
        $rack = $tried ?? $open->rack;
        $player = new LinePlayer($rack->simulator());
        $size = $rack->table->size;
        $outcomes = $keep ? $this->lines->play($rack) : $player->play($rack);
        $chosen = max(0, min($chosen, \count($outcomes)));
        $leg = 0 === $chosen ? null : $outcomes[$chosen - 1];
        [$complete, $due] = self::goesOn($rack, $outcomes);

        return new Workspace(
            $open,
            $rack,
            $chosen,
            new TableDrawing($rack->table),
            array_map(static fn(LegOutcome $o): LegDrawing => new LegDrawing($o, $size), $outcomes),
            RackAfter::legs($rack, \array_slice($outcomes, 0, max(0, $chosen - 1))),
            null === $leg ? new ChosenLeg() : self::detail($player, $leg, $size, $units),
            array_values(array_diff([BallId::CUE, ...$rack->rules()->rack()], array_keys($rack->layout->balls))),
            $due,
            $complete,
        );
    }

    /**
     * Whether the line runs out the rack, and else the ball to shoot after it.
     *
     * @param list<LegOutcome> $outcomes
     *
     * @return array{bool, int|null}
     */
    private static function goesOn(Rack $rack, array $outcomes): array
    {
        foreach ($outcomes as $outcome) {
            if (LegState::Breaks === $outcome->state || LegState::Waits === $outcome->state) {
                return [false, null];
            }
        }
        $last = [] === $outcomes ? null : $outcomes[\count($outcomes) - 1];
        $end = RackAfter::legs($rack, $outcomes);
        $rules = $end->rules();
        $complete = null !== $last && $rules->isOver($end->layout);

        return [$complete, $complete ? null : ($rules->legalTargets($end->layout)[0] ?? null)];
    }

    private static function detail(LinePlayer $player, LegOutcome $leg, TableSize $size, Units $units): ChosenLeg
    {
        return new ChosenLeg(
            self::ghosts($player, $leg, $size),
            null === $leg->result || null === $leg->before ? null : Motion::of($leg->before, $leg->result),
            null === $leg->aim ? WayFacts::of($leg, $size, $units) : self::facts($leg->aim, $leg, $units),
            $leg->shot?->speed,
            $leg->spec->speed->inLengths($player->lengths()),
            null === $leg->shot ? null : rad2deg($leg->shot->elevation),
        );
    }

    /**
     * @return list<array{label: string, path: string, rest: array{x: string, y: string}|null, words: string}>
     */
    private static function ghosts(LinePlayer $player, LegOutcome $leg, TableSize $size): array
    {
        $ghosts = [];
        foreach (['−10' => 0.9, '+10' => 1.1] as $label => $factor) {
            $result = $player->replay($leg, $factor);
            if (null === $result) {
                continue;
            }
            $pots = null === $leg->spec->ball || ($result->pocketed[$leg->spec->ball] ?? null) === $leg->spec->pocket;
            $rest = LegDrawing::restOf($result);
            $words = match (true) {
                $result->scratched() => 'scratches',
                !$pots => \sprintf('the %d stays up', $leg->spec->ball),
                null === $rest => '',
                default => vsprintf('stops at %.1f, %.1f', $size->diamondsOf($rest)),
            };
            $ghosts[] = [
                'label' => $label,
                'path' => Svg::path($result->paths[BallId::CUE] ?? []),
                'rest' => LegDrawing::mark($rest),
                'words' => $words,
            ];
        }

        return $ghosts;
    }

    /**
     * @return array<string, string>
     */
    private static function facts(AimSolution $aim, LegOutcome $leg, Units $units): array
    {
        $side = static fn(float $angle): string => \sprintf(
            '%.1f° %s',
            abs(rad2deg($angle)),
            abs(rad2deg($angle)) < 0.05 ? '' : ($angle > 0 ? 'right' : 'left'),
        );
        $cue = $leg->before?->ball(BallId::CUE);

        return array_map(trim(...), [
            'Cut' => LegWording::cut($aim->cutAngle),
            'Hit' => self::fraction($aim->hitFraction()),
            'Throw' => $side($aim->throw),
            'Squirt' => $side($aim->squirt),
            'Swerve' => $side($aim->swerve),
            'To contact' => null === $cue ? '' : $units->length($cue->distanceTo($aim->ghost)),
            'Pocket from the ball' => \sprintf('%.1f° wide', rad2deg($aim->window)),
        ]);
    }

    /** How much of a ball is covered, in words. */
    public static function fraction(float $hit): string
    {
        $near = match (true) {
            $hit > 0.94 => 'full',
            $hit > 0.625 => 'about ¾ ball',
            $hit > 0.375 => 'about half ball',
            $hit > 0.125 => 'about ¼ ball',
            default => 'thin',
        };

        return \sprintf('%s (%.2f)', $near, $hit);
    }
}
