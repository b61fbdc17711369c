<?php

declare(strict_types=1);

namespace ZigLane\App\Camera;

use ZigLane\Core\Camera\Doubt;
use ZigLane\Core\Camera\DoubtKind;
use ZigLane\Core\Camera\FrameReview;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Rack\Playable;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Settings\Defaults;
use ZigLane\Core\Wording\CameraWording;

/**
 * The questions that a frame raises, and the table that the answers make of it.
 */
final class FrameAnswers
{
    /** Answers that are no ball's name. */
    private const NONE = 'none';
    private const STAYS = 'stays';

    /** Gap that balls are put apart by which are read to lie in each other, m. */
    private const HAIR = 1e-6;

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

        return self::laid($rack, $balls);
    }

    /**
     * @param array<int, Point> $balls
     *
     * @throws InvalidInput
     */
    private static function laid(Rack $rack, array $balls): Rack
    {
        if (!isset($balls[BallId::CUE])) {
            throw new InvalidInput('', 'the cue ball is not among them');
        }
        $strangers = array_diff(array_keys($balls), [BallId::CUE, ...$rack->rules()->rack()]);
        if ([] !== $strangers) {
            throw new InvalidInput('', \sprintf('the %d is no ball of %s', array_values($strangers)[0], $rack->game->value));
        }
        // One by one: what a camera reads a few millimetres into a rail or a ball touches it.
        $geometry = $rack->simulator()->geometry;
        $layout = new Layout([]);
        foreach ($balls as $ball => $place) {
            $layout = $layout->with($ball, self::apart($layout, $geometry->canRest($place) ? $place : $geometry->onBed($place)));
        }
        Playable::assert($layout, $rack->table);

        return $rack->withLayout($layout)->withBallInHand(false);
    }

    /** A place a hair outside the balls that it is read to lie in. */
    private static function apart(Layout $layout, Point $place): Point
    {
        $width = 2 * Defaults::BALL_RADIUS;
        foreach ($layout->balls as $other) {
            $far = $place->distanceTo($other);
            if ($far < $width && $far > 0.0) {
                $place = $other->toward($other->angleTo($place), $width + self::HAIR);
            }
        }

        return $place;
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
