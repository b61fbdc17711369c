<?php

declare(strict_types=1);

namespace ZigLane\Core\Potting;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Physics\CueStrike;
use ZigLane\Core\Physics\Internal\KernelState;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;
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

    private int $slot;

    /** @var list<int> ball number by slot */
    private array $ids;

    public function __construct(private Simulator $simulator, private Layout $layout, int $ball, private Pocket $pocket)
    {
        // The cue ball must have slot 0.
        $this->ids = array_keys($layout->balls);
        $this->slot = (int) array_search($ball, $this->ids, true);
    }

    /** @return KernelState|null null for a miscue */
    public function run(float $aim, float $speed, float $a, float $b, float $elevation, bool $record = false): ?KernelState
    {
        if ($a * $a + $b * $b > (Defaults::MISCUE_LIMIT + 1e-9) ** 2) {
            return null;
        }
        [$vx, $vy, $wx, $wy, $wz] = CueStrike::given($aim, $speed, $a, $b, $elevation, $this->simulator->cue, $this->simulator->ball);
        $state = new KernelState();
        foreach ($this->layout->balls as $id => $place) {
            if (BallId::CUE === $id) {
                $state->add($place->x, $place->y, $vx, $vy, $wx, $wy, $wz);
            } else {
                $state->add($place->x, $place->y);
            }
        }
        $this->simulator->kernel()->run($state, record: $record, mostRails: $record ? \PHP_INT_MAX : PotChance::MOST_RAILS);

        return $state;
    }

    /**
     * The same with one player's error in it.
     *
     * @param array{float, float, float, float} $sample standard normal, as from ErrorSamples
     *
     * @return KernelState|null null for a miscue
     */
    public function under(
        ExecutionError $error,
        array $sample,
        float $aim,
        float $speed,
        float $a,
        float $b,
        float $elevation,
    ): ?KernelState {
        [$aim, $speed, $a, $b] = Execution::stroke($error, $sample, $aim, $speed, $a, $b);

        return $this->run($aim, $speed, $a, $b, $elevation);
    }

    /** Whether the ball, hit first, dropped in its pocket. */
    public function pots(KernelState $s): bool
    {
        return $s->firstHit === $this->slot && $s->pocket[$this->slot] === $this->pocket->index();
    }

    /** Whether the cue ball fell. */
    public function scratches(KernelState $s): bool
    {
        return KernelState::ON_TABLE !== $s->pocket[0];
    }

    /**
     * Where balls lie afterwards, m; null for one that fell.
     *
     * @param non-empty-list<int> $balls
     *
     * @return non-empty-array<int, array{float, float}|null> by ball
     */
    public function places(KernelState $s, array $balls): array
    {
        $slots = array_flip($this->ids);
        $places = [];
        foreach ($balls as $ball) {
            $slot = $slots[$ball];
            $places[$ball] = KernelState::ON_TABLE === $s->pocket[$slot] ? [$s->x[$slot], $s->y[$slot]] : null;
        }

        return $places;
    }

    /**
     * Other balls that lie elsewhere afterwards, or are gone.
     *
     * @return list<int>
     */
    public function moved(KernelState $s): array
    {
        $moved = [];
        foreach ($this->ids as $slot => $id) {
            if (0 !== $slot && $slot !== $this->slot) {
                $from = $this->layout->ball($id);
                if (
                    KernelState::ON_TABLE !== $s->pocket[$slot]
                    || ($s->x[$slot] - $from->x) ** 2 + ($s->y[$slot] - $from->y) ** 2 > self::STILL
                ) {
                    $moved[] = $id;
                }
            }
        }

        return $moved;
    }
}
