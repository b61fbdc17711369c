<?php

declare(strict_types=1);

namespace ZigLane\App\View;

use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Logbook\Miss;
use ZigLane\Core\Shots\ShotKind;
use ZigLane\Core\Wording\LogbookWording;

/**
 * One attempt in a list.
 */
final readonly class AttemptRow
{
    public int $id;
    public ?int $ball;
    public string $title;
    public string $outcome;
    public string $stop;

    /** @var list<string> cut, distance, speed, spin */
    public array $facts;
    public bool $made;
    public ?bool $inPosition;
    public \DateTimeImmutable $at;

    /**
     * @param array<string, string|int|float|null> $row as Logbook reads it
     */
    public function __construct(public array $row, Units $units)
    {
        $number = static fn(string $key): ?float => isset($row[$key]) ? (float) $row[$key] : null;
        $this->id = (int) $row['id'];
        $this->ball = isset($row['ball']) ? (int) $row['ball'] : null;
        $kind = ShotKind::tryFrom((string) $row['kind']) ?? ShotKind::Pot;
        $pocket = Pocket::tryFrom((string) $row['pocket'])?->spoken();
        $this->title = match (true) {
            null === $this->ball => ShotKind::Safety === $kind ? 'safety' : 'by direction',
            ShotKind::Pot === $kind => "$this->ball → $pocket",
            default => "$kind->value: $this->ball → $pocket",
        };
        $this->made = (bool) $row['made'];
        $this->inPosition = isset($row['in_position']) ? (bool) $row['in_position'] : null;
        $this->outcome = LogbookWording::outcome(
            $this->made,
            Miss::tryFrom((string) $row['missed']),
            (bool) $row['scratched'],
            $this->inPosition,
        );
        $this->stop = (bool) $row['scratched'] ? '' : LogbookWording::stop($number('overrun'), $number('aside'), $units->length(...));
        $this->at = new \DateTimeImmutable((string) $row['played_at'], new \DateTimeZone('UTC'));
        $this->facts = array_values(array_filter([
            null === $number('cut') ? '' : \sprintf('%.0f°', $number('cut')),
            null === $number('distance') ? '' : $units->length($number('distance')),
            null === $number('lengths') ? '' : \sprintf('%.1f lengths', $number('lengths')),
            (string) $row['spin'],
        ]));
    }
}
