<?php

declare(strict_types=1);

namespace ZigLane\Core\Logbook\Fit;

use ZigLane\Core\Logbook\Attempt;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Player\Player;

/**
 * Whether the cue ball stops shorter or longer than meant, shot after shot: the table is slower or faster than it is set, or the player
 * strikes softer or harder than meant. Stops alone do not tell these apart well; a ball that is rolled does.
 */
final readonly class SpeedCheck
{
    /** The shots that are looked at, the latest ones; fewer than LEAST tell nothing. */
    public const SHOTS = 120;
    public const LEAST = 15;

    /** Standard errors from none on which it is told: of 100 tables that are as they are set 8 are told of on each side. */
    private const TELLING = 1.4;

    /** Times that the shots are shot again by a simulated player. */
    private const REFITS = 4;

    /**
     * @param int   $shots looked at
     * @param float $bias  mean error of speed, a share: what is struck too soft is below 0
     * @param float $error its standard error
     */
    public function __construct(public int $shots, public float $bias, public float $error) {}

    /**
     * What the player would be found to do on a table that is as it is set is taken out: the method finds strokes a little too soft.
     *
     * @param list<Attempt> $attempts on one table, in order
     * @param Player        $player   whose errors are known
     */
    public static function of(array $attempts, Player $player, Generator $random): ?self
    {
        $fit = new PlayerFit($player);
        foreach (\array_slice($attempts, -self::SHOTS) as $attempt) {
            $fit->add($attempt);
        }
        if ($fit->evidence() < self::LEAST) {
            return null;
        }
        [$bias, $error] = $fit->speedBias();
        $usual = [];
        for ($n = 0; $n < self::REFITS; ++$n) {
            $usual[] = $fit->shotAgain($player, $random)->speedBias()[0];
        }

        return new self($fit->evidence(), $bias - array_sum($usual) / self::REFITS, $error * sqrt(1 + 1 / self::REFITS));
    }

    /** Whether it stops shorter than meant. */
    public function isShort(): bool
    {
        return $this->bias < -self::TELLING * $this->error;
    }

    /** Whether it stops longer than meant. */
    public function isLong(): bool
    {
        return $this->bias > self::TELLING * $this->error;
    }
}
