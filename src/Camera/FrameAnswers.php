<?php

declare(strict_types=1);

namespace ZigLane\App\Camera;

use ZigLane\Core\Camera\Doubt;
use ZigLane\Core\Camera\DoubtKind;
use ZigLane\Core\Camera\FrameReview;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Rack\MeasuredPlaces;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Wording\CameraWording;

/**
 * The questions that a frame raises, and the table that the answers make of it.
 */
final class FrameAnswers
{
    /** Answers that are no ball's name. */
    private const NONE = 'none';
    private const STAYS = 'stays';

    private function __construct() {}

    /**
     * One for each ball that was seen and is doubtful, and for each that was not seen.
     *
     * @return list<array{field: string, says: list<string>, choices: array<string, string>}> the field's name, why it is asked, what can be
     * answered
     */
    public static function questions(FrameReview $review): array
    {
        $questions = [];
        foreach ($review->doubts as $doubt) {
            $field = self::field($doubt);
            $questions[$field] ??= ['field' => $field, 'says' => [], 'choices' => self::choices($review, $doubt)];
            $questions[$field]['says'][] = CameraWording::doubt($doubt);
        }

        return array_values($questions);
    }

    /**
     * The rack with the balls as they were seen and answered.
     *
     * @param array<string, string> $answers by field
     *
     * @throws InvalidInput while a question is open, or when the balls cannot lie so
     */
    public static function taken(Rack $rack, FrameReview $review, array $answers): Rack
    {
        $open = [];
        foreach (self::questions($review) as $question) {
            if (!isset($question['choices'][$answers[$question['field']] ?? ''])) {
                $open[] = $question['says'][0];
            }
        }
        if ([] !== $open) {
            $many = 1 === \count($open) ? 'One question is' : \count($open) . ' questions are';

            throw new InvalidInput('', "$many not answered yet: $open[0]");
        }
        $balls = [];
        foreach ($review->frame->detections as $n => $detection) {
            $answer = $answers["ball-$n"] ?? null;
            $ball = null === $answer ? $review->proposed[$n] ?? null : BallId::fromName($answer);
            if (null === $ball) {
                continue;
            }
            if (isset($balls[$ball])) {
                throw new InvalidInput('', \sprintf('the %s lies in two places', BallId::spoken($ball)));
            }
            $balls[$ball] = $detection->at;
        }
        foreach ($review->before->balls as $ball => $lay) {
            if (self::STAYS === ($answers['missing-' . BallId::name($ball)] ?? null)) {
                $balls[$ball] ??= $lay;
            }
        }

        return MeasuredPlaces::laid($rack, $balls);
    }

    private static function field(Doubt $doubt): string
    {
        return DoubtKind::Missing === $doubt->kind ? 'missing-' . BallId::name((int) $doubt->ball) : "ball-$doubt->detection";
    }

    /**
     * @return array<string, string> words by answer
     */
    private static function choices(FrameReview $review, Doubt $doubt): array
    {
        if (DoubtKind::Missing === $doubt->kind) {
            return [self::NONE => 'it is off the table', self::STAYS => 'it lies where it lay'];
        }
        $choices = [];
        $seen = null === $doubt->detection ? null : $review->frame->detections[$doubt->detection]->ball;
        foreach (array_unique([...array_keys($review->before->balls), ...null === $seen ? [] : [$seen]]) as $ball) {
            $choices[BallId::name($ball)] = 'it is the ' . BallId::spoken($ball);
        }

        return $choices + [self::NONE => 'it is no ball'];
    }
}
