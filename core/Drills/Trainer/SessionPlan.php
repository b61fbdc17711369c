<?php

declare(strict_types=1);

namespace ZigLane\Core\Drills\Trainer;

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
        uksort($drills, static fn(string $a, string $b): int => ($done[$a] ?? 0) <=> ($done[$b] ?? 0) ?: strcmp($a, $b));
        $costly = array_values(array_filter(
            $losses,
            static fn(SkillLoss $loss): bool => $loss->aRack > 0.0 && null !== self::drill($loss->skill, $drills),
        ));
        if ([] === $costly) {
            return self::general($drills, $minutes);
        }
        $parts = [];
        $warm = self::rounded(self::WARM * $minutes);
        foreach (self::EASY as $skill) {
            $drill = self::drill($skill, $drills);
            if (null !== $drill && $skill !== $costly[0]->skill && $warm >= self::LEAST) {
                $parts[] = new SessionPart($drill, $warm, false, null);
                break;
            }
        }
        $test = self::rounded(self::TEST * $minutes);
        $left = $minutes - $test - array_sum(array_map(static fn(SessionPart $part): int => $part->minutes, $parts));
        $second = self::rounded((1 - self::FIRST) * $left);
        $first = (string) self::drill($costly[0]->skill, $drills);
        $two = isset($costly[1]) && $second >= self::LEAST;
        $parts[] = new SessionPart($first, $two ? $left - $second : $left, false, $costly[0]);
        if ($two) {
            $parts[] = new SessionPart((string) self::drill($costly[1]->skill, $drills), $second, false, $costly[1]);
        }
        $parts[] = new SessionPart($first, $test, true, $costly[0]);

        return $parts;
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
            $drill = self::drill($skill, $drills);
            if (null !== $drill) {
                $parts[] = new SessionPart($drill, self::rounded($minutes / \count($wanted)), false, null);
            }
        }

        return $parts;
    }

    /** @param array<string, Drill> $drills */
    private static function drill(Skill $skill, array $drills): ?string
    {
        foreach ($drills as $slug => $drill) {
            if ($drill->skill === $skill && 1 === $drill->form->players) {
                return $slug;
            }
        }

        return null;
    }

    private static function rounded(float $minutes): int
    {
        return (int) round($minutes);
    }
}
