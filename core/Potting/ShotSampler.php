<?php

declare(strict_types=1);

namespace ZigLane\Core\Potting;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\AimedStroke;
use ZigLane\Core\Physics\BallStates;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Player\ErrorSample;
use ZigLane\Core\Player\Execution;
use ZigLane\Core\Player\ExecutionError;
use ZigLane\Core\Settings\Defaults;

/**
 * Plays one pot again and again with other strokes, on plain floats.
 *
 * @internal
 */
final readonly class ShotSampler
{
    /** A ball moved by more than this has been moved, m². */
    private const STILL = 0.01 ** 2;

    /** Contacts with rubber after which a try is given up: later it would be a fluke. */
    private const MOST_RAILS = 40;

    private int $slot;
    private int $index;

    /** @var list<int> ball number by slot */
    private array $ids;

    public function __construct(private Simulator $simulator, private Layout $layout, Pot $pot)
    {
        // The cue ball must have slot 0.
        $this->ids = array_keys($layout->balls);
        $this->slot = (int) array_search($pot->ball, $this->ids, true);
        $this->index = $pot->pocket->index();
    }

    /** @return BallStates|null null for a miscue */
    public function run(AimedStroke $aimed, bool $record = false): ?BallStates
    {
        if ($this->slips($aimed)) {
            return null;
        }
        $state = $this->simulator->struck($this->layout, $aimed);
        $this->simulator->run($state, record: $record, mostRails: $record ? \PHP_INT_MAX : self::MOST_RAILS);

        return $state;
    }

    /** Whether the tip is beyond the miscue limit. */
    public function slips(AimedStroke $aimed): bool
    {
        $stroke = $aimed->stroke;

        return $stroke->side * $stroke->side + $stroke->height * $stroke->height > (Defaults::MISCUE_LIMIT + 1e-9) ** 2;
    }

    /**
     * The same with one player's error in it.
     *
     * @return BallStates|null null for a miscue
     */
    public function under(ExecutionError $error, ErrorSample $sample, AimedStroke $stroke): ?BallStates
    {
        return $this->run(Execution::stroke($error, $sample, $stroke));
    }

    /** Whether the ball, hit first, dropped in its pocket. */
    public function pots(BallStates $s): bool
    {
        return $s->firstHit === $this->slot && $s->pocket[$this->slot] === $this->index;
    }

    /** Whether the cue ball fell. */
    public function scratches(BallStates $s): bool
    {
        return $s->isDown(0);
    }

    /**
     * Where balls lie afterwards, m; null for one that fell.
     *
     * @param non-empty-list<int> $balls
     *
     * @return non-empty-array<int, array{float, float}|null> by ball
     */
    public function places(BallStates $s, array $balls): array
    {
        $slots = array_flip($this->ids);
        $places = [];
        foreach ($balls as $ball) {
            $slot = $slots[$ball];
            $places[$ball] = $s->isDown($slot) ? null : [$s->x[$slot], $s->y[$slot]];
        }

        return $places;
    }

    /** The table afterwards, without what fell. */
    public function table(BallStates $s): Layout
    {
        $balls = [];
        foreach ($this->ids as $slot => $id) {
            if (!$s->isDown($slot)) {
                $balls[$id] = new Point($s->x[$slot], $s->y[$slot]);
            }
        }

        return new Layout($balls);
    }

    /**
     * Other balls that lie elsewhere afterwards, or are gone.
     *
     * @return list<int>
     */
    public function moved(BallStates $s): array
    {
        $moved = [];
        foreach ($this->ids as $slot => $id) {
            if (0 !== $slot && $slot !== $this->slot) {
                $from = $this->layout->ball($id);
                if (
                    $s->isDown($slot)
                    || ($s->x[$slot] - $from->x) ** 2 + ($s->y[$slot] - $from->y) ** 2 > self::STILL
                ) {
                    $moved[] = $id;
                }
            }
        }

        return $moved;
    }
}
