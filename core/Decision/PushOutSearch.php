<?php

declare(strict_types=1);

namespace ZigLane\Core\Decision;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Physics\AimedStroke;
use ZigLane\Core\Physics\Stroke;
use ZigLane\Core\Player\ErrorSample;
use ZigLane\Core\Potting\ErrorSamples;
use ZigLane\Core\Rack\Rack;

/**
 * Finds where to push out to: the other player takes what is better for them, to shoot from there or to have the first player shoot, so
 * that a push-out is worth the lesser of the two.
 */
final readonly class PushOutSearch
{
    /** Directions all round; speeds of the cue, m/s. */
    private const ROUND = 72;
    private const SPEEDS = [0.25, 0.4, 0.6, 0.9, 1.3, 1.8];
    private const HEIGHT = 0.2;

    /** Strokes that are kept for each rung, and the tries there. */
    private const RUNGS = [[60, 3], [12, 16]];
    private const JUDGED = 3;
    private const TRIES = 96;

    private StrokeEnds $ends;

    public function __construct(private Rack $rack, private Contest $contest, private ErrorSamples $errors = new ErrorSamples())
    {
        $this->ends = new StrokeEnds($rack);
    }

    /** The best push-out found; null when the cue ball cannot be sent anywhere. */
    public function best(): ?Tried
    {
        $tried = [];
        $spread = new StrokeSpread($this->rack);
        for ($n = 0; $n < self::ROUND; ++$n) {
            $level = $spread->raised(new AimedStroke(2 * M_PI * $n / self::ROUND, new Stroke(0.0, 0.0, self::HEIGHT)));
            foreach (null === $level ? [] : self::SPEEDS as $speed) {
                \assert(null !== $level);
                $tried[] = $this->judge(new AimedStroke($level->aim, $level->stroke->withSpeed($speed)), [null]);
            }
        }
        foreach (self::RUNGS as [$most, $tries]) {
            $tried = $this->judged(Tried::ranked($tried), $most, $this->errors->first($tries));
        }

        return $this->judged($tried, self::JUDGED, $this->errors->judging(self::TRIES))[0] ?? null;
    }

    /**
     * @param list<Tried>       $ranked  the best first
     * @param list<ErrorSample> $samples
     *
     * @return list<Tried> the best first
     */
    private function judged(array $ranked, int $most, array $samples): array
    {
        return Tried::ranked(array_map(
            fn(Tried $one): Tried => $this->judge($one->stroke, $samples),
            \array_slice($ranked, 0, $most),
        ));
    }

    /**
     * @param non-empty-list<ErrorSample|null>|list<ErrorSample> $samples null for none
     */
    private function judge(AimedStroke $stroke, array $samples): Tried
    {
        $sum = $square = $leaves = 0.0;
        $fouls = 0;
        foreach ($samples as $sample) {
            $end = $this->ends->pushed($stroke, $sample);
            if (EndKind::Foul === $end->kind || !$end->table->has(BallId::CUE)) {
                ++$fouls;
            } else {
                $leaves += $this->contest->reversed()->runOut($end->table);
            }
            $value = $end->value($this->contest);
            $sum += $value;
            $square += $value * $value;
        }
        $n = max(1, \count($samples));
        $mean = $sum / $n;

        return new Tried($stroke, null, new StrokeChances(
            win: $mean,
            fouls: $fouls / $n,
            ifNot: $mean,
            leaves: $fouls < $n ? $leaves / ($n - $fouls) : 0.0,
            error: sqrt(max(0.0, $square / $n - $mean * $mean) / $n),
        ));
    }
}
