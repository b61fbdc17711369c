<?php

declare(strict_types=1);

namespace ZigLane\App\Drills;

use Doctrine\DBAL\Connection;
use ZigLane\App\Choice\ChoiceStore;
use ZigLane\App\Profile\ProfileKind;
use ZigLane\App\Profile\ProfileStore;
use ZigLane\Core\Choice\ChoiceLoss;
use ZigLane\Core\Drills\Drill;
use ZigLane\Core\Drills\Progress;
use ZigLane\Core\Drills\Trainer\DrillScore;
use ZigLane\Core\Drills\Trainer\LoggedShot;
use ZigLane\Core\Drills\Trainer\SkillLoss;
use ZigLane\Core\Drills\Trainer\SkillLosses;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Logbook\Spin;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Shots\ShotKind;

/**
 * What the trainer looks at: a player's latest shots in the logbook.
 */
final readonly class TrainerDesk
{
    /** The latest shots, and tests, that are looked at. */
    private const MOST = 2000;

    public function __construct(
        private Connection $database,
        private ChoiceStore $choices,
        private ProfileStore $profiles,
    ) {}

    /**
     * Where a player's racks are lost: by the logbook, and by what they chose at "Look before you leap".
     *
     * @param list<LoggedShot>     $shots
     * @param array<string, Drill> $drills by their name in addresses
     *
     * @return list<SkillLoss> first the one that stands out most from chance
     */
    public function losses(string $player, array $shots, array $drills): array
    {
        $choosing = ChoiceLoss::of($this->choices->of($player)['plain']);
        $losses = [...SkillLosses::of($shots, $this->tests($player, $drills)), ...null === $choosing ? [] : [$choosing]];
        usort($losses, static fn(SkillLoss $a, SkillLoss $b): int => $b->surely() <=> $a->surely());

        return $losses;
    }

    /**
     * What a player's latest tests tell, drill by drill, against the par of their level.
     *
     * @param array<string, Drill> $drills by their name in addresses
     *
     * @return list<DrillScore>
     */
    private function tests(string $player, array $drills): array
    {
        $scores = [];
        foreach ($this->database->fetchAllAssociative(
            'SELECT drill, step, score FROM drill_round WHERE test = 1 AND player = ? ORDER BY played_at DESC, id DESC LIMIT ' . self::MOST,
            [$player],
        ) as $row) {
            if (\is_string($row['drill']) && \is_string($row['step']) && is_numeric($row['score'])) {
                $scores[$row['drill']][$row['step']][] = (int) $row['score'];
            }
        }
        $level = $this->level($player);
        $found = [];
        foreach (array_intersect_key($drills, $scores) as $slug => $drill) {
            $usual = $scores[$slug][$drill->steps[$drill->usualStep()]->name] ?? [];
            $found[] = DrillScore::of($drill, $level, \array_slice($usual, 0, Progress::LATEST));
        }

        return array_values(array_filter($found));
    }

    /** The level of the player's profile; a league player without one. */
    private function level(string $player): Level
    {
        foreach ($this->profiles->all(ProfileKind::Player) as $profile) {
            try {
                if ($profile->name() === $player) {
                    return $this->profiles->player($profile)->level;
                }
            } catch (InvalidInput) {
                // A damaged profile tells no level.
                continue;
            }
        }

        return Level::League;
    }

    /** @return list<LoggedShot> */
    public function shots(string $player): array
    {
        $rows = $this->database->fetchAllAssociative(
            'SELECT a.kind, a.spin, a.cut, a.distance, a.rails, a.made, a.in_position, a.promised_pot, a.promised_position'
            . ' FROM attempt a JOIN play_session s ON s.id = a.session_id'
            . ' WHERE a.deleted_at IS NULL AND s.deleted_at IS NULL AND s.player = ? AND a.promised_pot IS NOT NULL'
            . ' ORDER BY a.played_at DESC, a.id DESC LIMIT ' . self::MOST,
            [$player],
        );
        $shots = [];
        foreach ($rows as $row) {
            $kind = ShotKind::tryFrom(\is_string($row['kind']) ? $row['kind'] : '');
            $spin = Spin::tryFrom(\is_string($row['spin']) ? $row['spin'] : '');
            if (null === $kind || null === $spin) {
                continue;
            }
            $number = static fn(string $column): ?float => is_numeric($row[$column]) ? (float) $row[$column] : null;
            $rails = $number('rails');
            $position = $number('in_position');
            $shots[] = new LoggedShot(
                $kind,
                $spin,
                $number('cut'),
                $number('distance'),
                null === $rails ? null : (int) $rails,
                1.0 === $number('made'),
                null === $position ? null : 1.0 === $position,
                $number('promised_pot'),
                $number('promised_position'),
            );
        }

        return $shots;
    }
}
