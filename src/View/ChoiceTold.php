<?php

declare(strict_types=1);

namespace ZigLane\App\View;

use ZigLane\App\AtTable\SheetShot;
use ZigLane\App\Choice\Posed;
use ZigLane\Core\Choice\Files\ChoiceFile;
use ZigLane\Core\Choice\Files\WorthFile;
use ZigLane\Core\Files\PlanFile;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Physics\TableLengths;
use ZigLane\Core\Planning\PlannedShot;
use ZigLane\Core\Rack\Files\JsonText;
use ZigLane\Core\Wording\ChoiceWording;
use ZigLane\Core\Wording\ShotTitle;
use ZigLane\Core\Wording\ShotWording;

/**
 * An answered question, as the page has it: the ways on the table, and what is said of them.
 */
final readonly class ChoiceTold
{
    /**
     * @param array<int, array{x: float, y: float}> $balls    mm
     * @param list<array<string, mixed>>            $ways     the plan's and the player's own, or the two; with name and chances
     * @param list<string>                          $parts    what each part of a choice costs
     * @param string                                $stated   what the player said
     * @param list<string>                          $plan     the plan's shots, one after the other
     * @param list<string>                          $why      of the plan's first shot, or of the better way
     * @param array{x: float, y: float}|null        $spot     where the player wanted the cue ball, mm
     */
    private function __construct(
        public TableDrawing $table,
        public array $balls,
        public string $headline,
        public array $ways,
        public array $parts = [],
        public string $stated = '',
        public array $plan = [],
        public array $why = [],
        public ?array $spot = null,
    ) {}

    /** @throws InvalidInput when the answer cannot be read */
    public static function of(Posed $posed, string $answer, Reader $reader): self
    {
        $data = JsonText::decode($answer, \strlen($answer) + 1);
        $data = $data instanceof \stdClass ? $data : new \stdClass();

        return null === $posed->pair ? self::ofChoice($posed, $data, $reader) : self::ofPair($posed, $data, $reader);
    }

    /** @throws InvalidInput */
    private static function ofPair(Posed $posed, \stdClass $data, Reader $reader): self
    {
        $pair = $posed->pair;
        if (null === $pair || !\is_int($data->named ?? null)) {
            throw new InvalidInput('named', 'must be 0 or 1');
        }
        $shots = new SheetShot($posed->rack, $reader);

        return new self(
            new TableDrawing($posed->rack->table),
            self::balls($posed),
            ChoiceWording::pair($pair, $data->named),
            array_map(static fn(string $name, PlannedShot $shot): array => [
                'name' => "$name, " . ShotTitle::pot($shot->pot),
                'chances' => self::chances($shot),
            ] + $shots->planned($posed->rack, $shot), ['A', 'B'], $pair->shots),
            why: ShotWording::why($pair->shots[$pair->better()]),
        );
    }

    /** @throws InvalidInput */
    private static function ofChoice(Posed $posed, \stdClass $data, Reader $reader): self
    {
        $rack = $posed->rack;
        $choice = ChoiceFile::read($data->choice ?? null, $rack);
        $worth = WorthFile::read($data->worth ?? null, $rack);
        $plan = PlanFile::read(($data->plan ?? null) instanceof \stdClass ? $data->plan : new \stdClass(), $rack);
        $first = $plan->shots[0] ?? throw new InvalidInput('plan.shots', 'is empty');
        $shots = new SheetShot($rack, $reader);

        return new self(
            new TableDrawing($rack->table),
            self::balls($posed),
            ChoiceWording::headline($worth),
            [
                ['name' => 'the plan', 'chances' => self::chances($first, $plan->runOut)] + $shots->planned($rack, $first),
                [
                    'name' => 'yours',
                    'chances' => null === $worth->shot ? '' : ChoiceWording::chances($worth->shot->pot, $worth->chosen),
                ] + $shots->stated($rack, $choice->spec($worth->offset)),
            ],
            ChoiceWording::parts($worth, $choice, $first, $reader->units->length(...)),
            ChoiceWording::stated($choice, $choice->speed->inLengths(new TableLengths($rack->simulator())), $reader->paces),
            array_map(static fn(PlannedShot $shot): string => ShotTitle::pot($shot->pot), $plan->shots),
            ShotWording::why($first),
            Svg::place($choice->spot),
        );
    }

    private static function chances(PlannedShot $shot, ?float $runOut = null): string
    {
        return ChoiceWording::chances($shot->chances->pot, $runOut ?? $shot->chances->runOut);
    }

    /** @return array<int, array{x: float, y: float}> */
    private static function balls(Posed $posed): array
    {
        return array_map(Svg::place(...), $posed->rack->layout->balls);
    }
}
