<?php

declare(strict_types=1);

namespace ZigLane\Core\Drills\Trainer;

use ZigLane\Core\Drills\Course;
use ZigLane\Core\Drills\Drill;
use ZigLane\Core\Drills\Skill;

/**
 * Puts a practice session together: warming up, what costs most, what costs next, and at the end a test of the first.
 */
final class SessionPlan
{
    /** Minutes of warming up and of the test, shares of a session; the rest is shared so between the dearest skill and the next. */
    private const WARM = 0.12;
    private const TEST = 0.2;
    private const FIRST = 0.6;

    /** Shorter parts than this are left out, minutes; warming up is done with one of these skills. */
    private const LEAST = 5;
    private const EASY = [Skill::Stop, Skill::Speed, Skill::Follow];

    private function __construct() {}

    /**
     * @param list<SkillLoss>      $losses the dearest first
     * @param array<string, Drill> $drills by their name in addresses
     * @param array<string, int>   $done   tests so far of each drill: what was done least goes first
     *
     * @return list<SessionPart>
     */
    public static function of(array $losses, array $drills, int $minutes, array $done = []): array
    {
        // What was done least goes first, and what can be set up again before what goes on.
        uksort($drills, static fn(string $a, string $b): int => ($done[$a] ?? 0) <=> ($done[$b] ?? 0)
            ?: (Course::Stations === $drills[$b]->course) <=> (Course::Stations === $drills[$a]->course)
            ?: strcmp($a, $b));
        $costly = array_values(array_filter(
            $losses,
            static fn(SkillLoss $loss): bool => $loss->aRack > 0.0 && [] !== self::drills($loss->skill, $drills),
        ));
        if ([] === $costly) {
            return self::general($drills, $minutes);
        }
        $parts = self::warmingUp($costly[0]->skill, $drills, $minutes);
        $test = self::rounded(self::TEST * $minutes);
        $left = $minutes - $test - array_sum(array_map(static fn(SessionPart $part): int => $part->minutes, $parts));
        $own = self::drills($costly[0]->skill, $drills);
        // The next skill, or else another drill for the same one: half an hour of one drill is too much.
        $next = isset($costly[1]) ? [self::drills($costly[1]->skill, $drills)[0], $costly[1]] : [$own[1] ?? null, $costly[0]];
        $second = self::rounded((1 - self::FIRST) * $left);
        $two = null !== $next[0] && $second >= self::LEAST;
        $parts[] = new SessionPart($own[0], $two ? $left - $second : $left, false, $costly[0]);
        if ($two) {
            $parts[] = new SessionPart((string) $next[0], $second, false, $next[1], $next[1] === $costly[0]);
        }
        $parts[] = new SessionPart($own[0], $test, true, $costly[0]);

        return $parts;
    }

    /**
     * Something easy that trains another skill.
     *
     * @param array<string, Drill> $drills
     *
     * @return list<SessionPart>
     */
    private static function warmingUp(Skill $first, array $drills, int $minutes): array
    {
        $warm = self::rounded(self::WARM * $minutes);
        foreach (self::EASY as $skill) {
            $easy = self::drills($skill, $drills);
            if ([] !== $easy && $skill !== $first && $warm >= self::LEAST) {
                return [new SessionPart($easy[0], $warm, false, null)];
            }
        }

        return [];
    }

    /**
     * Where nothing is known to cost anything: something of each.
     *
     * @param array<string, Drill> $drills
     *
     * @return list<SessionPart>
     */
    private static function general(array $drills, int $minutes): array
    {
        $parts = [];
        $wanted = [Skill::Stop, Skill::Speed, Skill::Position, Skill::Pattern];
        foreach ($wanted as $skill) {
            $drill = self::drills($skill, $drills)[0] ?? null;
            if (null !== $drill) {
                $parts[] = new SessionPart($drill, self::rounded($minutes / \count($wanted)), false, null);
            }
        }

        return $parts;
    }

    /**
     * Names of the drills that train a skill, for one player.
     *
     * @param array<string, Drill> $drills
     *
     * @return list<string>
     */
    private static function drills(Skill $skill, array $drills): array
    {
        return array_keys(array_filter(
            $drills,
            static fn(Drill $drill): bool => $drill->skill === $skill && 1 === $drill->form->players,
        ));
    }

    private static function rounded(float $minutes): int
    {
        return (int) round($minutes);
    }
}
