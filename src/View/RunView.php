<?php

declare(strict_types=1);

namespace ZigLane\App\View;

use ZigLane\Core\Line\LinePlayer;
use ZigLane\Core\Logbook\Attempt;
use ZigLane\Core\Logbook\RunStep;
use ZigLane\Core\Wording\LogbookWording;
use ZigLane\Core\Wording\RunWording;
use ZigLane\Core\Wording\ShotTitle;

/**
 * A rack that was shot, as its page shows it: each shot as it was meant and where the cue ball really stopped.
 */
final readonly class RunView
{
    public TableDrawing $table;

    /**
     * @var list<array{step: RunStep, title: string, outcome: string, stop: string, meant: LegDrawing,
     *                 real: array{x: string, y: string}|null}>
     */
    public array $shots;

    /** @var list<string> */
    public array $says;
    public Attempt $first;

    /** @param non-empty-array<Attempt> $attempts in order */
    public function __construct(array $attempts, Units $units)
    {
        $steps = RunStep::of(array_values($attempts));
        $this->first = $steps[0]->attempt;
        $rack = $this->first->rack;
        $this->table = new TableDrawing($rack->table);
        $player = LinePlayer::for($rack);
        $shots = [];
        foreach ($steps as $n => $step) {
            $attempt = $step->attempt;
            $result = $attempt->result;
            $leg = $player->leg($n + 1, $attempt->meant, $attempt->rack->layout, $rack->rules());
            $shots[] = [
                'step' => $step,
                'title' => ShotTitle::of($attempt->meant),
                'outcome' => LogbookWording::outcome($result->made, $result->missed, $step->facts->scratched, $step->facts->inPosition),
                'stop' => $step->facts->scratched ? '' : LogbookWording::stop($step->facts->long, $step->facts->wide, $units->length(...)),
                'meant' => new LegDrawing($leg, $rack->table->size),
                'real' => LegDrawing::mark($result->cue),
            ];
        }
        $this->shots = $shots;
        $this->says = RunWording::summary($steps);
    }
}
