<?php

declare(strict_types=1);

namespace ZigLane\App\Choice;

use ZigLane\App\Work\Processors;
use ZigLane\App\Work\Work;
use ZigLane\Core\Choice\Choice;
use ZigLane\Core\Choice\ChoiceJudge;
use ZigLane\Core\Choice\Files\WorthFile;
use ZigLane\Core\Files\PlanFile;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Parallel\Processes;
use ZigLane\Core\Planning\PlannedShot;
use ZigLane\Core\Rack\Rack;

/**
 * Plans a rack and says what a player's own choice is worth beside the plan.
 */
final class JudgeChoice implements Work
{
    public static function kind(): string
    {
        return 'choice-judge';
    }

    /**
     * @param list<mixed> $question Rack, Choice
     *
     * @return \Generator<int, array{searched: int, shots: int, plan: array<string, mixed>|null, worth: array<string, mixed>|null}>
     */
    public function answers(array $question): \Generator
    {
        [$rack, $choice] = $question;
        \assert($rack instanceof Rack && $choice instanceof Choice);
        $judge = new ChoiceJudge($rack, processes: Processes::asAllowed(Processors::forPlans(...)));
        $plan = null;
        foreach ($judge->plans() as $plan) {
            $searched = \count(array_filter($plan->shots, static fn(PlannedShot $shot): bool => $shot->settled));
            yield ['searched' => $searched, 'shots' => \count($plan->shots), 'plan' => null, 'worth' => null];
        }
        if (null === $plan || [] === $plan->shots) {
            throw new InvalidInput('', 'Nothing can be planned on this table');
        }
        yield [
            'searched' => \count($plan->shots),
            'shots' => \count($plan->shots),
            'plan' => PlanFile::describe($plan),
            'worth' => WorthFile::write($judge->judge($choice), $rack),
        ];
    }
}
