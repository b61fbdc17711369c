<?php

declare(strict_types=1);

namespace ZigLane\App\AtTable;

use ZigLane\App\View\Reader;
use ZigLane\Core\Decision\AdvisedPlan;
use ZigLane\Core\Decision\OptionKind;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Files\AdviceFile;
use ZigLane\Core\Planning\NextShots;
use ZigLane\Core\Planning\Plan;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Wording\PlanWording;

/**
 * A plan as a device takes it to the table: its shots, and what to play from all over their zones.
 *
 * @phpstan-import-type Shown from AdviceFile
 */
final class RunSheet
{
    private readonly SheetShot $shot;

    /**
     * @param Rack        $asked  as the balls lie
     * @param Shown|null $advice whether to follow the plan
     */
    public function __construct(
        private readonly Rack $asked,
        private readonly Plan $plan,
        private readonly ?array $advice,
        Reader $reader,
    ) {
        $this->shot = new SheetShot($asked, $reader);
    }

    /** The same of a search that is under way. */
    public static function of(Rack $asked, AdvisedPlan $advised, Reader $reader): self
    {
        $advice = null === $advised->advice ? null : AdviceFile::shown($advised->advice);

        return new self($asked, $advised->plan, $advice, $reader);
    }

    /**
     * @return array<string, mixed> ready for json_encode
     */
    public function describe(): array
    {
        $rack = $this->plan->rack;
        $shots = [];
        foreach ($this->plan->shots as $n => $shot) {
            $shots[] = ['through' => round($this->plan->through($n + 1), 4)]
                + $this->shot->planned(0 === $n ? $rack->withBallInHand(false) : $this->plan->before($shot), $shot);
        }
        return [
            'runOut' => round($this->plan->runOut, 4),
            'shots' => $shots,
            'advice' => null === $this->advice ? null : $this->advised($this->advice, [] !== $shots),
            'stopped' => PlanWording::stopped($this->plan),
            'says' => PlanWording::says($this->plan),
            'inHand' => $this->asked->ballInHand,
            'cue' => $rack->layout->has(BallId::CUE) ? SheetShot::diamonds($rack, $rack->layout->ball(BallId::CUE)) : null,
        ];
    }

    /**
     * What was weighed, with the strokes that are not the plan's.
     *
     * @param Shown $advice
     * @param bool   $goes   whether the plan has a shot
     *
     * @return array<string, mixed>
     */
    private function advised(array $advice, bool $goes): array
    {
        $options = [];
        foreach ($advice['shots'] as $option => $spec) {
            if (OptionKind::Go->value !== $option || $advice['another'] || !$goes) {
                // From where the ball in hand was put down.
                $options[$option] = $this->shot->stated($this->plan->rack->withBallInHand(false), $spec);
            }
        }

        return [
            'choice' => $advice['choice']->value,
            'win' => round($advice['win'], 4),
            'headline' => $advice['headline'],
            'says' => $advice['says'],
            'options' => (object) $options,
        ];
    }

    /**
     * What to play from all over the zones, one shot after the other.
     *
     * @return \Generator<int, list<array<string, mixed>>> by number of the shot whose zone it is
     */
    public function prepared(): \Generator
    {
        $next = new NextShots($this->plan);
        for ($number = 1; $number < \count($this->plan->shots); ++$number) {
            $shots = [];
            foreach ($next->after($number) as $shot) {
                $shots[] = ['at' => SheetShot::diamonds($this->asked, $shot->before->ball(BallId::CUE))]
                    + $this->shot->planned($this->plan->before($shot), $shot);
            }
            yield $number => $shots;
        }
    }
}
