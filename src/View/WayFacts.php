<?php

declare(strict_types=1);

namespace ZigLane\App\View;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\TableSize;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Line\LegOutcome;
use ZigLane\Core\Physics\Event;
use ZigLane\Core\Physics\EventType;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\ShotResult;
use ZigLane\Core\Settings\Defaults;
use ZigLane\Core\Shots\ShotKind;
use ZigLane\Core\Wording\LegWording;

/**
 * What a player needs to aim a shot that is not a plain pot: how the first ball is hit, and where on the rails the balls come.
 */
final readonly class WayFacts
{
    /** Places looked at in each stretch of the way. */
    private const SAMPLES = 40;

    private function __construct() {}

    /**
     * @return array<string, string> by name
     */
    public static function of(LegOutcome $leg, TableSize $size, Units $units): array
    {
        if (null === $leg->before || null === $leg->result || $leg->spec->intent->isPlain()) {
            return [];
        }
        $facts = self::hit($leg->result, $leg->before, $units) + self::raised($leg, $leg->result, $leg->before, $size, $units);
        foreach (self::rails($leg->result, $leg, $size) as $n => $place) {
            $facts['Rail ' . ($n + 1)] = $place;
        }

        return $facts;
    }

    /**
     * How the cue ball hits the first ball.
     *
     * @return array<string, string>
     */
    private static function hit(ShotResult $result, Layout $before, Units $units): array
    {
        $from = $before->ball(BallId::CUE);
        foreach ($result->eventsOf(BallId::CUE) as $event) {
            if (EventType::BallCushion === $event->type) {
                $from = $event->at;
            }
            if (EventType::BallBall === $event->type) {
                $first = $event->balls[0] === BallId::CUE ? $event->balls[1] : $event->balls[0];
                $cut = -asin($result->aside($before) ?? 0.0);

                return [
                    "Hit on the $first" => WorkspaceBuilder::fraction(1 - sin(abs($cut))),
                    'Cut' => LegWording::cut($cut),
                    'To contact' => $units->length($from->distanceTo($event->at)),
                ];
            }
        }

        return [];
    }

    /**
     * How far the cue ball flies, or curves, before it hits a ball.
     *
     * @return array<string, string>
     */
    private static function raised(LegOutcome $leg, ShotResult $result, Layout $before, TableSize $size, Units $units): array
    {
        $other = $leg->spec->intent->other;
        $hit = $result->eventsOf(BallId::CUE, EventType::BallBall)[0] ?? null;
        if (!$leg->spec->intent->kind->leavesCloth() || null === $other || null === $hit) {
            return [];
        }
        $cue = $before->ball(BallId::CUE);
        $aside = $highest = 0.0;
        $gap = INF;
        $lands = null;
        foreach ($result->paths[BallId::CUE] ?? [] as $piece) {
            for ($n = 0; $n <= self::SAMPLES && $piece->from < $hit->time; ++$n) {
                $time = $piece->from + ($piece->to - $piece->from) * $n / self::SAMPLES;
                $at = $piece->at($time);
                $gap = min($gap, hypot($at->distanceTo($before->ball($other)), $piece->heightAt($time)));
                $aside = max($aside, $at->distanceToLine($cue, $hit->at));
                $highest = max($highest, $piece->heightAt($time));
            }
            $lands = $piece->inAir() && $piece->to < $hit->time ? $piece->end() : $lands;
        }
        $clear = ["Clear of the $other" => $units->length(max(0.0, $gap - 2 * Defaults::BALL_RADIUS))];
        if (ShotKind::Swerve === $leg->spec->intent->kind) {
            return $clear + ['Off the straight line' => $units->length($aside)];
        }

        return $clear + [
            'Highest' => $units->length($highest),
            'Comes down' => null === $lands ? 'on the ball' : vsprintf('at %.1f, %.1f diamonds', $size->diamondsOf($lands)),
        ];
    }

    /**
     * Where the ball, or in a kick the cue ball, meets the rails it is meant to.
     *
     * @return list<string>
     */
    private static function rails(ShotResult $result, LegOutcome $leg, TableSize $size): array
    {
        $intent = $leg->spec->intent;
        $ball = \in_array($intent->kind, [ShotKind::Kick, ShotKind::RailFirst], true) ? BallId::CUE : (int) $leg->spec->ball;
        $met = \array_slice($result->eventsOf($ball, EventType::BallCushion), 0, \count($intent->rails));

        return array_map(
            static fn(Event $event, int $n): string => self::place($event->at, $intent->rails[$n]->value, $size),
            $met,
            array_keys($met),
        );
    }

    private static function place(Point $at, string $rail, TableSize $size): string
    {
        [$x, $y] = $size->diamondsOf($at);

        return \in_array($rail, ['left', 'right'], true)
            ? \sprintf('%s rail, %.1f diamonds from the head', $rail, $x)
            : \sprintf('%s rail, %.1f diamonds from the left', $rail, $y);
    }
}
