<?php

declare(strict_types=1);

namespace ZigLane\App\View;

use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Line\LinePlayer;
use ZigLane\Core\Logbook\Attempt;
use ZigLane\Core\Logbook\AttemptFacts;
use ZigLane\Core\Wording\LogbookWording;
use ZigLane\Core\Wording\ShotTitle;

/**
 * One attempt on its page: the table before, the shot as it was meant, and where the balls came to rest.
 */
final readonly class AttemptView
{
    public TableDrawing $table;
    public LegDrawing $meant;
    public AttemptFacts $facts;
    public string $title;
    public string $outcome;
    public string $stop;

    /** Outline of the zone, mm; '' where there is none. */
    public string $zone;

    /** @var array<int, Point> where balls came to rest that moved, m */
    public array $after;

    public function __construct(public Attempt $attempt, Units $units)
    {
        $rack = $attempt->rack;
        $this->table = new TableDrawing($rack->table);
        $this->meant = new LegDrawing(
            LinePlayer::for($rack)->leg(1, $attempt->meant, $rack->layout, $rack->rules()),
            $rack->table->size,
        );
        $this->facts = AttemptFacts::of($attempt);
        $this->title = ShotTitle::of($attempt->meant);
        $result = $attempt->result;
        $this->outcome = LogbookWording::outcome($result->made, $result->missed, $this->facts->scratched, $this->facts->inPosition);
        $this->stop = $this->facts->scratched ? '' : LogbookWording::stop($this->facts->long, $this->facts->wide, $units->length(...));
        $this->zone = null === $attempt->forecast ? '' : ZoneDrawing::path($attempt->forecast->region());
        $this->after = array_filter([0 => $result->cue] + $result->moved);
    }

    /** Where the cue ball stopped, as a field has it: diamonds along and across; '' when it is gone. */
    public function cueAt(): string
    {
        return null === $this->attempt->result->cue
            ? ''
            : vsprintf('%.2f, %.2f', $this->attempt->rack->table->size->diamondsOf($this->attempt->result->cue));
    }
}
