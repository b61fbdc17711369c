<?php

declare(strict_types=1);

namespace ZigLane\Core\Logbook\Fit;

use ZigLane\Core\Aiming\AimRefused;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Logbook\Attempt;
use ZigLane\Core\Physics\BallStates;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Player\ErrorSample;
use ZigLane\Core\Player\Execution;
use ZigLane\Core\Player\ExecutionError;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Potting\ErrorSamples;
use ZigLane\Core\Potting\Judgement;
use ZigLane\Core\Rack\StatedShot;

/**
 * Finds the ways in which an attempt may have come about: from some plays under the errors that are assumed, those that come nearest to the
 * stop that was seen are led to it (Gauss and Newton's method). A rail folds ways back on themselves, so that there is often more than one.
 *
 * @internal
 */
final class ModeSearch
{
    /** Plays that searches begin from; searches. */
    private const PLAYS = 24;
    private const SEARCHES = 5;

    /** Steps of a search; standard error with which a stop is read, m; a mode must come so near to it, in those. */
    private const STEPS = 6;
    public const READING = 0.03;
    private const NEAR = 2.5;

    /** Step of the slopes, in standard deviations. */
    private const STEP = 0.05;

    /** Modes nearer to each other than this, in standard deviations, are one. */
    private const ONE = 0.8;

    /** Errors of aim at which it is tried whether the ball drops: to so many standard deviations on either side, in so many steps. */
    private const WIDE = 4.0;
    private const ACROSS = 40;

    private readonly Simulator $simulator;
    private readonly Layout $layout;
    private readonly Shot $shot;
    private readonly ExecutionError $scale;
    private readonly int $cue;
    private readonly int $ball;

    /** @var list<float> standard deviations that are assumed: aim (rad), speed (share), tip (m), twice */
    private readonly array $assumed;

    /**
     * @throws AimRefused   when the shot that was meant cannot be aimed
     * @throws InvalidInput when it is not a shot at a ball
     */
    public function __construct(private readonly Attempt $attempt, Player $player)
    {
        $this->simulator = $attempt->rack->simulator();
        $this->layout = $attempt->rack->layout;
        $this->shot = StatedShot::play($this->simulator, $attempt->meant, $this->layout)->shot;
        // Errors grow with the player's own in proportion: how much larger this stroke makes them.
        $errors = (new Judgement($this->simulator, $this->layout))->errors($player, $this->shot->stroke());
        $this->scale = new ExecutionError($errors->aim / $player->aim, $errors->speed / $player->speed, $errors->tip / $player->tip);
        $slots = array_flip(array_keys($this->layout->balls));
        $this->cue = $slots[BallId::CUE];
        $this->ball = $slots[$attempt->meant->ball ?? throw new InvalidInput('meant', 'names no ball')];
        $this->assumed = [$player->aim, $player->speed, $player->tip, $player->tip];
    }

    /**
     * @return list<ErrorMode> none when nothing that is likely explains the stop
     */
    public function modes(): array
    {
        $seen = $this->attempt->result->cue;
        if (null === $seen) {
            return [];
        }
        $starts = [];
        foreach ((new ErrorSamples())->first(self::PLAYS) as $sample) {
            $drawn = [$sample->aim, $sample->speed, $sample->side, $sample->height];
            $errors = array_map(static fn(float $z, float $sd): float => $z * $sd, $drawn, $this->assumed);
            $stop = $this->stop($errors);
            if (null !== $stop) {
                $starts[] = [hypot($stop[0] - $seen->x, $stop[1] - $seen->y), $errors];
            }
        }
        usort($starts, static fn(array $a, array $b): int => $a[0] <=> $b[0]);
        $modes = [];
        foreach (\array_slice($starts, 0, self::SEARCHES) as [, $errors]) {
            $mode = $this->led($errors, [$seen->x, $seen->y]);
            if (null !== $mode && $this->isNew($mode, $modes)) {
                $modes[] = $mode;
            }
        }

        return array_map(
            fn(ErrorMode $mode): ErrorMode => new ErrorMode($mode->errors, $mode->stop, $mode->slopes, $this->windows($mode->errors)),
            $modes,
        );
    }

    /** @param list<ErrorMode> $modes */
    private function isNew(ErrorMode $mode, array $modes): bool
    {
        foreach ($modes as $other) {
            $far = 0.0;
            foreach ($this->assumed as $n => $sd) {
                $far += (($mode->errors[$n] - $other->errors[$n]) / $sd) ** 2;
            }
            if ($far < self::ONE ** 2) {
                return false;
            }
        }

        return true;
    }

    /**
     * The likeliest errors near some that send the cue ball to the stop that was seen; null when the search does not get there.
     *
     * @param list<float>          $errors
     * @param array{float, float} $seen
     */
    private function led(array $errors, array $seen): ?ErrorMode
    {
        $stop = $this->stop($errors);
        if (null === $stop) {
            return null;
        }
        $slopes = $this->slopes($errors, $stop);
        for ($step = 0; $step < self::STEPS && null !== $slopes; ++$step) {
            // The likeliest errors of those that, the stop being linear in them, explain what was seen: a normal posterior's mean.
            $dx = $seen[0] - $stop[0];
            $dy = $seen[1] - $stop[1];
            $xx = $yy = self::READING ** 2;
            $xy = 0.0;
            foreach ($slopes as $n => [$x, $y]) {
                $dx += $x * $errors[$n];
                $dy += $y * $errors[$n];
                $square = $this->assumed[$n] ** 2;
                $xx += $x * $x * $square;
                $xy += $x * $y * $square;
                $yy += $y * $y * $square;
            }
            $det = $xx * $yy - $xy * $xy;
            [$wx, $wy] = [($yy * $dx - $xy * $dy) / $det, ($xx * $dy - $xy * $dx) / $det];
            $aim = array_map(fn(array $slope, float $sd): float => $sd ** 2 * ($slope[0] * $wx + $slope[1] * $wy), $slopes, $this->assumed);
            [$errors, $stop, $moved] = $this->towards($errors, $stop, $aim, $seen);
            $slopes = $this->slopes($errors, $stop);
            if (!$moved) {
                break;
            }
        }
        $far = hypot($seen[0] - $stop[0], $seen[1] - $stop[1]);

        return null === $slopes || $far > self::NEAR * self::READING ? null : new ErrorMode($errors, $stop, $slopes, []);
    }

    /**
     * A step, halved until it makes the errors likelier.
     *
     * @param list<float>          $errors
     * @param array{float, float} $stop
     * @param list<float>          $to
     * @param array{float, float} $seen
     *
     * @return array{list<float>, array{float, float}, bool}
     */
    private function towards(array $errors, array $stop, array $to, array $seen): array
    {
        $now = $this->unlikely($errors, $stop, $seen);
        for ($share = 1.0; $share > 0.1; $share /= 2) {
            $next = array_map(static fn(float $from, float $on): float => $from + $share * ($on - $from), $errors, $to);
            $there = $this->stop($next);
            if (null !== $there && $this->unlikely($next, $there, $seen) < $now - 1e-4) {
                return [$next, $there, true];
            }
        }

        return [$errors, $stop, false];
    }

    /**
     * @param list<float>          $errors
     * @param array{float, float} $stop
     * @param array{float, float} $seen
     */
    private function unlikely(array $errors, array $stop, array $seen): float
    {
        $sum = (($seen[0] - $stop[0]) ** 2 + ($seen[1] - $stop[1]) ** 2) / self::READING ** 2;
        foreach ($errors as $n => $error) {
            $sum += ($error / $this->assumed[$n]) ** 2;
        }

        return $sum;
    }

    /**
     * @param list<float>          $errors
     * @param array{float, float} $stop
     *
     * @return list<array{float, float}>|null
     */
    private function slopes(array $errors, array $stop): ?array
    {
        $slopes = [];
        foreach ($this->assumed as $n => $sd) {
            $by = self::STEP * $sd;
            $next = static fn(float $error, int $i): float => $error + ($i === $n ? $by : 0.0);
            $there = $this->stop(array_map($next, $errors, array_keys($errors)));
            if (null === $there) {
                return null;
            }
            $slopes[] = [($there[0] - $stop[0]) / $by, ($there[1] - $stop[1]) / $by];
        }

        return $slopes;
    }

    /**
     * @param list<float> $errors
     *
     * @return list<array{float, float}> rad
     */
    private function windows(array $errors): array
    {
        $step = 2 * self::WIDE * $this->assumed[0] / self::ACROSS;
        $windows = [];
        $open = null;
        for ($n = 0; $n <= self::ACROSS; ++$n) {
            $aim = -self::WIDE * $this->assumed[0] + $n * $step;
            $drops = $this->played([$aim, $errors[1], $errors[2], $errors[3]])->isDown($this->ball);
            if ($drops && null === $open) {
                $open = 0 === $n ? -INF : $aim - $step / 2;
            } elseif (!$drops && null !== $open) {
                $windows[] = [$open, $aim - $step / 2];
                $open = null;
            }
        }
        if (null !== $open) {
            $windows[] = [$open, INF];
        }

        return $windows;
    }

    /**
     * @param list<float> $errors
     *
     * @return array{float, float}|null m; null when the cue ball is gone
     */
    private function stop(array $errors): ?array
    {
        $state = $this->played($errors);

        return $state->isDown($this->cue) ? null : [$state->x[$this->cue], $state->y[$this->cue]];
    }

    /** @param list<float> $errors */
    private function played(array $errors): BallStates
    {
        $shot = Execution::shot($this->scale, new ErrorSample(...$errors), $this->shot);
        $state = $this->simulator->struck($this->layout, $shot->stroke());
        $this->simulator->run($state);

        return $state;
    }
}
