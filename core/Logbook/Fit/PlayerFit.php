<?php

declare(strict_types=1);

namespace ZigLane\Core\Logbook\Fit;

use ZigLane\Core\Aiming\AimRefused;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Logbook\Attempt;
use ZigLane\Core\Logbook\SimulatedPlayer;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Numerics\LinearSystem;
use ZigLane\Core\Player\Player;

/**
 * Fits a player's errors to attempts: the errors under which what was seen is likeliest, beginning with those of a level. Each attempt
 * is likely in as many ways as there are modes (ErrorMode); errors are taken as factors of the level's, with a spread of 0.5 in their
 * logarithm.
 */
final class PlayerFit
{
    /** Spread of a factor's logarithm, and of a bias in standard deviations, before anything is seen (our own choice). */
    private const FACTOR = 0.5;
    private const BIAS = 1.0;

    /** Share of entries that are taken as stray, and how likely those are, 1/m². */
    private const STRAY = 0.03;
    private const ANYWHERE = 0.2;

    /** Steps of Newton's method, and of its slopes. */
    private const STEPS = 12;
    private const STEP = 0.04;

    /** Attempts that came, also those that tell nothing. */
    private int $added = -1;

    /** @var array<int, array{array{float, float}, bool, list<ErrorMode>}> stop that was seen, whether the ball dropped, modes */
    private array $evidence = [];

    /** @var array<string, array<int, SimulatedPlayer>> by errors, and shot */
    private array $shooters = [];

    /** @var array<int, Attempt> that tell something */
    private array $attempts = [];

    public function __construct(private readonly Player $player) {}

    /** Takes one attempt more; those that tell nothing are passed over: scratches, and shots that cannot be aimed. */
    public function add(Attempt $attempt): void
    {
        ++$this->added;
        $cue = $attempt->result->cue;
        $ball = $attempt->meant->ball;
        if (null === $cue || null === $ball) {
            return;
        }
        try {
            $modes = (new ModeSearch($attempt, $this->player))->modes();
        } catch (AimRefused|InvalidInput) {
            return;
        }
        $this->evidence[$this->added] = [[$cue->x, $cue->y], !$attempt->result->after($attempt->rack->layout)->has($ball), $modes];
        $this->attempts[$this->added] = $attempt;
    }

    /**
     * What the attempts tell, freed of what the method itself adds: a simulated player with the errors that were found shoots the same
     * shots, and by as much as the fit misses that player's errors what was found is corrected (the bootstrap; B. Efron, "Bootstrap
     * methods: another look at the jackknife", Ann. Stat. 7, 1979).
     *
     * @param int $times that the shots are shot again, from 1
     */
    public function corrected(int $times, Generator $random): FittedErrors
    {
        $found = $this->fitted();
        [$hand, $reach] = [$this->player->hand, $this->player->reach];
        $player = new Player($this->player->level, $found->aim[0], $found->speed[0], $found->tip[0], $hand, $reach);
        $missed = [];
        for ($n = 0; $n < $times; ++$n) {
            $missed[] = $this->shotAgain($player, $random)->fitted()->missing($found);
        }

        return $found->without($missed);
    }

    /** The same shots, shot by a simulated player with errors that are known. */
    public function shotAgain(Player $player, Generator $random): self
    {
        $again = new self($this->player);
        $who = implode(' ', [$player->aim, $player->speed, $player->tip]);
        foreach ($this->attempts as $n => $attempt) {
            // Each shot is aimed once, however often it is shot.
            $this->shooters[$who][$n] ??= new SimulatedPlayer(
                $attempt->rack->withPlayer($player),
                $attempt->meant,
            );
            $again->add($this->shooters[$who][$n]->shoot($random, $attempt->at));
        }

        return $again;
    }

    /**
     * How likely each attempt is for the player as known: the density's logarithm, by the attempt's number in the order of add(); those
     * that tell nothing are left out.
     *
     * @return array<int, float>
     */
    public function likelihoods(): array
    {
        $squares = [$this->player->aim ** 2, $this->player->speed ** 2, $this->player->tip ** 2, $this->player->tip ** 2];
        $all = [];
        foreach ($this->evidence as $n => [$seen, $dropped, $modes]) {
            $all[$n] = self::likelihood($seen, $dropped, $modes, [0.0, 0.0, 0.0, 0.0], $squares);
        }

        return $all;
    }

    /** How many attempts tell something. */
    public function evidence(): int
    {
        return \count($this->evidence);
    }

    /** What the attempts tell. */
    public function fitted(): FittedErrors
    {
        $at = array_fill(0, 5, 0.0);
        $curve = [];
        for ($step = 0; $step < self::STEPS; ++$step) {
            [$slope, $curve] = $this->derivatives($at);
            $by = LinearSystem::solve($curve, $slope);
            $longest = max([0.0, ...array_map(abs(...), $by)]);
            $share = min(1.0, 0.5 / max(1e-9, $longest));
            $at = array_map(static fn(float $x, float $d): float => $x + $share * $d, $at, $by);
            if ($longest < 1e-3) {
                break;
            }
        }
        $errors = [];
        for ($n = 0; $n < 5; ++$n) {
            $unit = array_fill(0, 5, 0.0);
            $unit[$n] = 1.0;
            $errors[] = FittedErrors::NINE_OF_TEN * sqrt(max(0.0, LinearSystem::solve($curve, $unit)[$n]));
        }
        $ends = static fn(int $n): array => [$at[$n], $at[$n] - $errors[$n], $at[$n] + $errors[$n]];
        $factor = static fn(float $of, int $n): array => array_map(static fn(float $end): float => $of * exp($end), $ends($n));
        $bias = static fn(float $of, int $n): array => array_map(static fn(float $end): float => $of * $end, $ends($n));

        return new FittedErrors(
            \count($this->evidence),
            $factor($this->player->aim, 0),
            $factor($this->player->speed, 1),
            $factor($this->player->tip, 2),
            $bias($this->player->aim, 3),
            $bias($this->player->speed, 4),
        );
    }

    /**
     * @param list<float> $at
     *
     * @return array{list<float>, list<list<float>>} slope of the logarithm of the likelihood, and its curvature, downward positive
     */
    private function derivatives(array $at): array
    {
        $value = function (int $i, float $a, int $j, float $b) use ($at): float {
            $step = static fn(float $x, int $n): float => $x + ($n === $i ? $a : 0.0) + ($n === $j ? $b : 0.0);

            return $this->logarithm(array_map($step, $at, array_keys($at)));
        };
        $h = self::STEP;
        $here = $this->logarithm($at);
        $slope = [];
        $curve = array_fill(0, 5, array_fill(0, 5, 0.0));
        for ($i = 0; $i < 5; ++$i) {
            [$up, $down] = [$value($i, $h, $i, 0.0), $value($i, -$h, $i, 0.0)];
            $slope[] = ($up - $down) / (2 * $h);
            $curve[$i][$i] = max(1.0, (2 * $here - $up - $down) / $h ** 2);
            for ($j = 0; $j < $i; ++$j) {
                $alike = $value($i, $h, $j, $h) + $value($i, -$h, $j, -$h);
                $apart = $value($i, $h, $j, -$h) + $value($i, -$h, $j, $h);
                $curve[$i][$j] = $curve[$j][$i] = ($apart - $alike) / (4 * $h ** 2);
            }
        }

        return [$slope, $curve];
    }

    /** @param list<float> $at logarithms of the three factors, the two biases in standard deviations of the level */
    private function logarithm(array $at): float
    {
        $aim = $this->player->aim * exp($at[0]);
        $speed = $this->player->speed * exp($at[1]);
        $tip = $this->player->tip * exp($at[2]);
        $means = [$this->player->aim * $at[3], $this->player->speed * $at[4], 0.0, 0.0];
        $squares = [$aim ** 2, $speed ** 2, $tip ** 2, $tip ** 2];
        $sum = -0.5 * ($at[0] ** 2 + $at[1] ** 2 + $at[2] ** 2) / self::FACTOR ** 2 - 0.5 * ($at[3] ** 2 + $at[4] ** 2) / self::BIAS ** 2;
        foreach ($this->evidence as [$seen, $dropped, $modes]) {
            $sum += self::likelihood($seen, $dropped, $modes, $means, $squares);
        }

        return $sum;
    }

    /**
     * @param array{float, float} $seen
     * @param list<ErrorMode>     $modes
     * @param list<float>         $means
     * @param list<float>         $squares
     */
    private static function likelihood(array $seen, bool $dropped, array $modes, array $means, array $squares): float
    {
        $density = 0.0;
        foreach ($modes as $mode) {
            $density += $mode->density($seen, $dropped, $means, $squares, ModeSearch::READING);
        }

        return log((1 - self::STRAY) * $density + self::STRAY * self::ANYWHERE);
    }
}
