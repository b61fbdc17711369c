<?php

declare(strict_types=1);

namespace ZigLane\App\Logbook;

use ZigLane\App\Work\Work;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Experiments\PlayerComparison;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Logbook\AttemptFile;
use ZigLane\Core\Logbook\Fit\FittedErrors;
use ZigLane\Core\Logbook\Fit\PlayerFit;
use ZigLane\Core\Logbook\Fit\SpeedCheck;
use ZigLane\Core\Logbook\Habits;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Rack\FreshRack;
use ZigLane\Core\Rack\Rack;

/**
 * What a player's logged shots tell of that player's errors, and of the table.
 */
final readonly class FitPlayer implements Work
{
    /** The latest shots that are looked at: 10 ms each. */
    public const MOST = 600;

    /** After so many shots more the fit is shown again. */
    private const SHOWN = 100;

    /** Seed of the errors of the simulated player that the table is held against. */
    private const SEED = 1;

    /** Numbers of the breaks whose racks show what the errors are worth, and the balls that are left of them. */
    private const BREAKS = [3, 13];
    private const BALLS = [BallId::CUE, 1, 2, 3, 4, 9];

    public function __construct(private Logbook $logbook) {}

    public static function kind(): string
    {
        return 'player-fit';
    }

    /**
     * @param list<mixed> $question name in the logbook, Player that it begins with, LogbookEdition::name (other shots, another fit)
     *
     * @return \Generator<int, array{fitted: FittedErrors, check: SpeedCheck|null, worth?: PlayerComparison, habits?: Habits}>
     */
    public function answers(array $question): \Generator
    {
        [$name, $player] = $question;
        \assert(\is_string($name) && $player instanceof Player);
        $attempts = [];
        foreach ($this->logbook->latestOf($name, self::MOST) as $document) {
            try {
                foreach (AttemptFile::read($document) as $attempt) {
                    $attempts[] = $attempt;
                }
            } catch (InvalidInput) {
                // A damaged one tells nothing.
                continue;
            }
        }
        $fit = new PlayerFit($player);
        foreach ($attempts as $n => $attempt) {
            $fit->add($attempt);
            if (0 === ($n + 1) % self::SHOWN && $fit->evidence() > 0) {
                yield ['fitted' => $fit->fitted()->usual(), 'check' => null];
            }
        }
        $fitted = $fit->fitted();
        if (0 === $fitted->attempts) {
            throw new InvalidInput('', 'No shot of this player tells anything yet: note where the cue ball stops');
        }
        $usual = $fitted->usual();
        $habits = Habits::of($attempts);
        yield ['fitted' => $usual, 'check' => null, 'habits' => $habits];
        $errors = [$usual->aim[0], $usual->speed[0], $usual->tip[0]];
        $found = new Player($player->level, ...$errors, hand: $player->hand, reach: $player->reach);
        $worth = PlayerComparison::of($player, $found, self::racks());
        yield ['fitted' => $usual, 'check' => null, 'worth' => $worth, 'habits' => $habits];
        $check = SpeedCheck::of($attempts, $player, new Generator(self::SEED));
        yield ['fitted' => $usual, 'check' => $check, 'worth' => $worth, 'habits' => $habits];
    }

    /**
     * Nine-ball as breaks leave it, with five balls left and the ball in hand.
     *
     * @return non-empty-list<Rack>
     */
    private static function racks(): array
    {
        return array_map(static function (int $number): Rack {
            $rack = FreshRack::broken(GameName::NineBall, $number, Player::of(Level::League))->rack;
            $left = array_intersect_key($rack->layout->balls, array_flip(self::BALLS));

            return $rack->withLayout(new Layout($left))->withBallInHand(true);
        }, self::BREAKS);
    }
}
