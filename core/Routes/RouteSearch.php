<?php

declare(strict_types=1);

namespace ZigLane\Core\Routes;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Geometry\Angle;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\Internal\Kernel;
use ZigLane\Core\Physics\Internal\KernelState;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Potting\ErrorSamples;
use ZigLane\Core\Potting\NoPot;
use ZigLane\Core\Potting\PotChance;
use ZigLane\Core\Potting\ShotSampler;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Reading\SpeedWindow;
use ZigLane\Core\Settings\Defaults;

/**
 * Finds the ways from one pot to the next: strokes are swept coarsely, each speed judged together with its neighbours as the
 * player's hand would mix them; the best of each idea is then refined and judged by playing it many times with errors, all
 * ideas with the same ones.
 *
 * @phpstan-type Rung array{speed: float, aim: float, elevation: float, stop: Point|null, value: float, rails: string}
 */
final class RouteSearch
{
    /** Tips swept, in ball radii: [side, height]. */
    private const TIPS = [
        [0.0, 0.0], [0.0, -0.25], [0.0, 0.25], [0.0, -0.45], [0.0, 0.45],
        [-0.2, 0.0], [0.2, 0.0], [-0.4, 0.0], [0.4, 0.0],
        [-0.2, -0.25], [0.2, -0.25], [-0.2, 0.25], [0.2, 0.25],
        [-0.33, -0.33], [0.33, -0.33], [-0.33, 0.33], [0.33, 0.33],
    ];

    /** Tips swept in the second round, between those. */
    private const MORE_TIPS = [
        [0.0, -0.12], [0.0, 0.12], [0.0, -0.35], [0.0, 0.35],
        [-0.3, -0.15], [0.3, -0.15], [-0.3, 0.15], [0.3, 0.15],
        [-0.2, -0.4], [0.2, -0.4], [-0.2, 0.4], [0.2, 0.4],
        [-0.45, -0.15], [0.45, -0.15], [-0.45, 0.15], [0.45, 0.15],
    ];

    /** Strokes swept toward both sides of the pocket: [side, height, part of what drops]. */
    private const SENT_ASIDE = [
        [0.0, 0.0, -0.6], [0.0, 0.0, 0.6], [0.0, -0.25, -0.6], [0.0, -0.25, 0.6], [0.0, 0.25, -0.6], [0.0, 0.25, 0.6],
        [0.0, -0.45, -0.6], [0.0, -0.45, 0.6], [0.0, 0.45, -0.6], [0.0, 0.45, 0.6],
    ];

    /** Ratio of neighbouring speeds; softest and hardest, as shares of the reading stroke's; hardest of all, m/s. */
    private const RUNG = 1.13;
    private const SOFTEST = 0.5;
    private const HARDEST = 5.5;
    private const MOST_SPEED = 7.5;

    /** First step of the refinement: share of the speed, tip (radii), part of what drops. */
    private const FIRST_STEP = [0.08, 0.1, 0.45];

    /** Ideas looked into at first and then, refined, and kept. */
    private const FIRST = 12;
    private const LOOKED = 36;
    private const STIRRED = 8;

    /** Share of the best one's value from which another way is named. */
    private const SENSIBLE = 0.7;

    private const REFINED = 5;
    public const KEPT = 5;

    /** Strokes of one idea that are looked into. */
    private const OF_AN_IDEA = 4;

    /** Tries at each stage. */
    private const FEWEST = 8;
    public const FEW = 24;
    private const SOME = 48;
    public const MANY = 400;

    private const ROUNDS = 4;

    /** Behind the best by so much in value, an idea is refined in one round, or in two. */
    private const FAR_BEHIND = 0.08;
    private const BEHIND_THE_BEST = 0.03;

    /** Steps of the refinement: speed, tip side, tip height, part of the pocket. */
    private const STEPS = [
        [1, 0, 0, 0], [-1, 0, 0, 0], [0, 1, 0, 0], [0, -1, 0, 0], [0, 0, 1, 0], [0, 0, -1, 0], [0, 0, 0, 1], [0, 0, 0, -1],
        [1, 0, -1, 0], [-1, 0, 1, 0], [2, 0, 0, 0], [-2, 0, 0, 0],
        [2, 0, 0, 1], [2, 0, 0, -1], [-2, 0, 0, 1], [-2, 0, 0, -1],
    ];

    /** How far behind (value) a step may lie after so many tries. */
    private const BEHIND = [10 => 0.06, 24 => 0.03, 48 => 0.015];

    /** The best few are polished under more errors, with steps of these sizes. */
    private const POLISHED = 2;
    private const POLISH = [[0.05, 0.06, 0.3], [0.025, 0.03, 0.15]];
    private const MORE = 144;

    /** What a step under few errors must bring, else it may be luck. */
    private const LUCK = 0.02;

    /** A difference of value that is none. */
    private const NOTHING = 0.005;

    /** No shot is left below this. */
    private const NO_SHOT = 0.05;

    private readonly PotChance $pot;
    private readonly ShotSampler $sampler;
    private readonly Point $cue;

    /** @var list<array{float, Tip, list<int>}> swept strokes that pot the ball and move others: speed, tip, those balls */
    private array $contacts = [];

    /** @var array<string, Route|null> routes made, by stroke and tries */
    private array $made = [];

    /** Shots played so far. */
    public int $played = 0;

    private readonly PositionEvaluator $evaluator;

    /** @param PositionEvaluator|null $evaluator judges where the cue ball stops; the next ball alone when null */
    public function __construct(
        private readonly Rack $rack,
        private readonly int $ball,
        private readonly Pocket $pocket,
        ?PositionEvaluator $evaluator = null,
    ) {
        $simulator = $rack->simulator();
        $this->cue = $rack->layout->ball(BallId::CUE);
        $this->pot = new PotChance($simulator, $rack->layout, $ball, $pocket, $rack->player);
        $this->sampler = new ShotSampler($simulator, $rack->layout, $ball, $pocket);
        $this->evaluator = $evaluator ?? NextBallEvaluator::after($rack, $ball);
    }

    /**
     * Lists of routes as they become known, the best first; the last one is settled.
     *
     * @return \Generator<int, list<Route>>
     */
    public function routes(): \Generator
    {
        $swept = $this->sweep(self::TIPS);
        yield $this->kept($this->rough($swept, self::FIRST), self::FEW);
        $this->evaluator->lookOn();
        $rough = $this->rough([...$swept, ...$this->sweep(self::MORE_TIPS), ...$this->sweep(self::SENT_ASIDE)], self::LOOKED);
        // One step round each of the better ideas, under few errors, tells which deserve more.
        foreach (\array_slice($rough, 0, self::STIRRED) as $n => [$candidate, $value]) {
            $stirred = $this->around($candidate, $value, ...self::FIRST_STEP, tries: self::FEW);
            $rough[$n] = $stirred[1] > $value + self::LUCK ? $stirred : $rough[$n];
        }
        $rough = self::apart($this->ranked($rough));
        yield $this->kept($rough, self::FEW);
        $settled = [];
        foreach (\array_slice($rough, 0, self::REFINED) as $n => [$candidate]) {
            // What is far behind needs no last touch.
            $behind = ($settled[0][1] ?? 0.0) - $rough[$n][1];
            $settled[] = $this->refined($candidate, $behind > self::FAR_BEHIND ? 1 : ($behind > self::BEHIND_THE_BEST ? 2 : self::ROUNDS));
            yield $this->kept($this->ranked([...$settled, ...\array_slice($rough, $n + 1)]), self::FEW);
        }
        // Under more errors than they were refined with: the luckiest is not the best.
        $settled = self::apart($this->ranked(array_map(fn(array $s): array => [$s[0], $this->judged($s[0], self::MORE)], $settled)));
        foreach (\array_slice($settled, 0, self::POLISHED) as $n => [$candidate, $most]) {
            foreach (self::POLISH as [$dv, $da, $do]) {
                [$candidate, $most] = $this->around($candidate, $most, $dv, $da, $do, self::MORE);
            }
            $settled[$n] = [$candidate, $most];
        }
        // Other ways there are named too, as far as they are sensible.
        $enough = self::SENSIBLE * ($settled[0][1] ?? 0.0);
        $others = array_filter(\array_slice($rough, self::REFINED), static fn(array $r): bool => $r[1] > $enough);
        yield $this->kept([...$this->ranked($settled), ...$others], self::MANY);
    }

    /**
     * The best routes found from given strokes, without a sweep.
     *
     * @param list<array{float, float, float, 3?: float}> $strokes speed (m/s), tip side and height (radii), the most promising first
     * @param int                               $refined how many ideas are refined
     *
     * @return list<Route>
     */
    public function from(array $strokes, int $refined, int $rounds = self::ROUNDS, int $tries = self::MANY): array
    {
        $this->evaluator->lookOn();
        $aimed = [];
        foreach ($strokes as [$speed, $a, $b]) {
            $aimed[] = $this->aimed($speed, $a, $b, 0.0);
        }
        $aimed = array_values(array_filter($aimed));
        $ranked = $this->ranked(array_map(fn(array $c): array => [$c, $this->judged($c, self::FEWEST)], $aimed));
        $ranked = $this->ranked(
            array_map(fn(array $r): array => [$r[0], $this->judged($r[0], self::FEW)], \array_slice($ranked, 0, self::FIRST)),
        );
        $settled = [];
        foreach (\array_slice($ranked, 0, $refined) as [$candidate, $value]) {
            $behind = ($settled[0][1] ?? 0.0) - $value;
            $settled[] = $this->refined($candidate, $behind > self::FAR_BEHIND ? 1 : $rounds, finer: true);
        }

        return $this->kept($this->ranked([...$settled, ...\array_slice($ranked, $refined)]), $tries);
    }

    /**
     * The settled list at once.
     *
     * @return list<Route>
     */
    public function settled(): array
    {
        $last = [];
        foreach ($this->routes() as $list) {
            $last = $list;
        }

        return $last;
    }

    /**
     * One stroke as a route, judged.
     *
     * @param float $offset part of what drops, −1 … 1
     */
    public function route(float $speed, float $a, float $b, float $offset, int $tries = self::MANY): ?Route
    {
        $candidate = $this->aimed($speed, $a, $b, $offset);

        return null === $candidate ? null : $this->made($candidate, $tries);
    }

    /**
     * Every place the cue ball can be sent to by potting this ball: the swept strokes that pot it.
     *
     * @return list<array{speed: float, tip: Tip, stop: Point, value: float}>
     */
    public function spread(): array
    {
        $places = [];
        foreach ($this->ladders(self::TIPS) as [$tip, $ladder]) {
            foreach ($ladder as $rung) {
                if (null !== $rung['stop']) {
                    $places[] = ['speed' => $rung['speed'], 'tip' => $tip, 'stop' => $rung['stop'], 'value' => $rung['value']];
                }
            }
        }

        return $places;
    }

    /**
     * Swept strokes that pot the ball and move others, once routes() or spread() has swept.
     *
     * @return list<array{float, Tip, list<int>}> speed in m/s, tip, balls moved
     */
    public function contacts(): array
    {
        return $this->contacts;
    }

    /**
     * A shot as it stands, judged under the player's errors.
     *
     * @param list<array{float, float, float, float}>|null $errors standard normal; the fixed ones when null
     *
     * @return array{pot: float, position: float, value: float, scratch: float, touches: float, hooked: float, astray: float}
     */
    public function chances(Shot $shot, int $tries, ?array $errors = null): array
    {
        return $this->judge($shot->aim, $shot->speed, $shot->tip->side, $shot->tip->height, $shot->elevation, $tries, $errors);
    }

    /** What the stops of the routes are judged by. */
    public function evaluator(): PositionEvaluator
    {
        return $this->evaluator;
    }

    /**
     * @param list<array{0: float, 1: float, 2?: float}> $tips [side, height, part of what drops]
     *
     * @return list<array{float, float, float, float, float, float, float, string}>
     *               [speed, side, height, offset, aim, elevation, score, idea]
     */
    private function sweep(array $tips): array
    {
        $sigma = max($this->rack->player->speed, 0.03);
        $spread = array_map(static fn(int $k): float => exp(-0.5 * ($k * log(self::RUNG) / $sigma) ** 2), range(-2, 2));
        $found = [];
        foreach ($this->ladders($tips) as [$tip, $ladder, $offset]) {
            [$a, $b] = [$tip->side, $tip->height];
            foreach ($ladder as $n => $rung) {
                if (null === $rung['stop'] || $rung['value'] <= 0.0) {
                    continue;
                }
                $sum = $weights = 0.0;
                foreach ($spread as $k => $weight) {
                    $sum += $weight * ($ladder[$n + $k - 2]['value'] ?? 0.0);
                    $weights += $weight;
                }
                $high = abs($b) < 0.2 ? 'c' : ($b > 0 ? 'h' : 'l');
                $aside = abs($a) < 0.1 ? 'c' : ($a > 0 ? 'r' : 'l');
                $idea = $rung['rails'] . '|' . $high . $aside . ($offset <=> 0.0);
                $found[] = [$rung['speed'], $a, $b, $offset, $rung['aim'], $rung['elevation'], $sum / $weights, $idea];
            }
        }

        return $found;
    }

    /**
     * For every tip the strokes from soft to hard, and where they leave the cue ball.
     *
     * @param list<array{0: float, 1: float, 2?: float}> $tips [side, height, part of what drops]
     *
     * @return list<array{Tip, list<Rung>, float}>
     *                         no stop where the pot fails, the cue ball falls or another ball is moved
     */
    private function ladders(array $tips): array
    {
        $easy = $this->pot->readingSpeed($this->cue->x, $this->cue->y);
        $most = min(self::MOST_SPEED, $easy * self::HARDEST);
        $ladders = [];
        foreach ($tips as $swept) {
            [$a, $b] = $swept;
            $offset = $swept[2] ?? 0.0;
            $ladder = [];
            for ($speed = $easy * self::SOFTEST; $speed <= $most; $speed *= self::RUNG) {
                $rung = ['speed' => $speed, 'aim' => 0.0, 'elevation' => 0.0, 'stop' => null, 'value' => 0.0, 'rails' => ''];
                $line = $this->pot->line($this->cue->x, $this->cue->y, $speed, $a, $b, $offset);
                if (!$line instanceof NoPot) {
                    $state = $this->sampler->run($line[0], $speed, $a, $b, $line[1], record: true);
                    ++$this->played;
                    $good = null !== $state && $this->sampler->pots($state) && !$this->sampler->scratches($state);
                    $moved = $good ? $this->sampler->moved($state) : [];
                    if ([] !== $moved) {
                        // What is moved on purpose is looked for with the ball sent to the middle.
                        if (0.0 === $offset) {
                            $this->contacts[] = [$speed, new Tip($a, $b), $moved];
                        }
                    } elseif ($good) {
                        $rung = [
                            'speed' => $speed,
                            'aim' => $line[0],
                            'elevation' => $line[1],
                            'stop' => new Point($state->x[0], $state->y[0]),
                            'value' => $this->evaluator->valueAt($state->x[0], $state->y[0]),
                            'rails' => implode('-', Family::rails($state, self::contact($state), $a)[0]),
                        ];
                    }
                }
                $ladder[] = $rung;
            }
            $ladders[] = [new Tip($a, $b), $ladder, $offset];
        }

        return $ladders;
    }

    /** When the cue ball met its first ball, s. */
    private static function contact(KernelState $recorded): float
    {
        foreach ($recorded->log as [$t, $kind, $slot, $other]) {
            if (Kernel::EV_BALLS === $kind && (0 === $slot || 0 === $other)) {
                return $t;
            }
        }

        return INF;
    }

    /**
     * The best of the ideas, apart from each other: those of the highest scores under a few errors, the better half of them under more.
     *
     * @param list<array{float, float, float, float, float, float, float, string}> $swept
     *
     * @return list<array{array{float, float, float, float, float, float}, float}>
     */
    private function rough(array $swept, int $most): array
    {
        usort($swept, static fn(array $p, array $q): int => $q[6] <=> $p[6]);
        $count = [];
        $chosen = [];
        foreach ($swept as $c) {
            $count[$c[7]] = ($count[$c[7]] ?? 0) + 1;
            if ($count[$c[7]] <= self::OF_AN_IDEA && \count($chosen) < 2 * $most) {
                $chosen[] = [$c[0], $c[1], $c[2], $c[3], $c[4], $c[5]];
            }
        }
        $ranked = $this->ranked(array_map(fn(array $c): array => [$c, $this->judged($c, self::FEWEST)], $chosen));

        return self::apart(
            $this->ranked(array_map(fn(array $r): array => [$r[0], $this->judged($r[0], self::FEW)], \array_slice($ranked, 0, $most))),
        );
    }

    /**
     * @template T of array
     *
     * @param list<array{T, float}> $judged
     *
     * @return list<array{T, float}> the best first
     */
    private function ranked(array $judged): array
    {
        usort($judged, static fn(array $p, array $q): int => $q[1] <=> $p[1]);

        return $judged;
    }

    /**
     * Without those that have come to lie beside a better one.
     *
     * @param list<array{array{float, float, float, float, float, float}, float}> $ranked the best first
     *
     * @return list<array{array{float, float, float, float, float, float}, float}>
     */
    private static function apart(array $ranked): array
    {
        $kept = [];
        foreach ($ranked as $one) {
            foreach ($kept as $other) {
                if (abs(log($one[0][0] / $other[0][0])) < 0.09 && hypot(
                    $one[0][1] - $other[0][1],
                    $one[0][2] - $other[0][2],
                ) < 0.13 && abs($one[0][3] - $other[0][3]) < 0.3) {
                    continue 2;
                }
            }
            $kept[] = $one;
        }

        return $kept;
    }

    /**
     * @param array{0: float, 1: float, 2: float, 3: float, 4: float, 5: float, ...} $c
     */
    private function judged(array $c, int $tries): float
    {
        return $this->judge($c[4], $c[0], $c[1], $c[2], $c[5], $tries)['value'];
    }

    /**
     * Pattern search around a candidate, under the same errors throughout.
     *
     * @param array{float, float, float, float, float, float} $candidate
     * @param bool                                            $finer every round finer than the last; else a step is kept while it
     *                                                        brings something
     *
     * @return array{array{float, float, float, float, float, float}, float}
     */
    private function refined(array $candidate, int $rounds, bool $finer = false): array
    {
        $best = $candidate;
        $most = $this->judged($candidate, self::SOME);
        [$dv, $da, $do] = self::FIRST_STEP;
        for ($round = 0; $round < $rounds; ++$round) {
            $before = $most;
            [$best, $most] = $this->around($best, $most, $dv, $da, $do, self::SOME);
            if ($finer || $most <= $before + self::NOTHING) {
                $dv /= 2;
                $da /= 2;
                $do /= 2;
            }
        }
        // Side spin and parts of the pocket that bring nothing are left out.
        foreach ([[0.0, $best[3]], [$best[1], 0.0], [0.0, 0.0]] as [$a, $offset]) {
            $plain = $this->aimed($best[0], $a, $best[2], $offset);
            if (null !== $plain && $this->judged($plain, self::SOME) >= $most - self::NOTHING) {
                $best = $plain;
            }
        }

        return [$best, $most];
    }

    /**
     * The best of a stroke and those a step away from it.
     *
     * @param array{float, float, float, float, float, float} $best
     *
     * @return array{array{float, float, float, float, float, float}, float}
     */
    private function around(array $best, float $most, float $dv, float $da, float $do, int $tries): array
    {
        $from = $best;
        foreach (self::STEPS as [$v, $a, $b, $o]) {
            $try = $this->aimed(
                $from[0] * (1 + $dv * $v),
                $from[1] + $da * $a,
                $from[2] + $da * $b,
                max(-1.0, min(1.0, $from[3] + $do * $o)),
            );
            $value = null === $try ? null : $this->raced($try, $tries, $most);
            if (null !== $value && $value > $most) {
                [$best, $most] = [$try, $value];
            }
        }

        return [$best, $most];
    }

    /**
     * Worth of a stroke, given up as soon as it falls behind what is to be beaten.
     *
     * @param array{float, float, float, float, float, float} $c
     */
    private function raced(array $c, int $tries, float $most): ?float
    {
        [$speed, $a, $b, , $aim, $elevation] = $c;
        $error = $this->pot->errors($this->cue->x, $this->cue->y, $aim, $elevation, $speed);
        $value = 0.0;
        foreach (ErrorSamples::of($tries) as $n => $sample) {
            if (isset(self::BEHIND[$n]) && $value / $n < $most - self::BEHIND[$n]) {
                return null;
            }
            ++$this->played;
            $state = $this->sampler->under($error, $sample, $aim, $speed, $a, $b, $elevation);
            if (null !== $state && $this->sampler->pots($state) && !$this->sampler->scratches($state)) {
                $value += $this->left($state, $this->sampler->moved($state));
            }
        }

        return $value / $tries;
    }

    /**
     * What a pot has left the cue ball with.
     *
     * @param list<int> $moved other balls that lie elsewhere now
     */
    private function left(KernelState $state, array $moved): float
    {
        return [] === $moved
            ? $this->evaluator->valueAt($state->x[0], $state->y[0])
            : $this->evaluator->disturbed($this->sampler->places($state, $moved), $state->x[0], $state->y[0]);
    }

    /**
     * @return array{float, float, float, float, float, float}|null
     */
    private function aimed(float $speed, float $a, float $b, float $offset): ?array
    {
        if (hypot($a, $b) > Defaults::MISCUE_LIMIT || $speed > Defaults::MAX_CUE_SPEED) {
            return null;
        }
        $line = $this->pot->line($this->cue->x, $this->cue->y, $speed, $a, $b, $offset);

        return $line instanceof NoPot ? null : [$speed, $a, $b, $offset, $line[0], $line[1]];
    }

    /**
     * @param list<array{float, float, float, float}>|null $errors
     *
     * @return array{pot: float, position: float, value: float, scratch: float, touches: float, hooked: float, astray: float}
     */
    private function judge(float $aim, float $speed, float $a, float $b, float $elevation, int $tries, ?array $errors = null): array
    {
        $error = $this->pot->errors($this->cue->x, $this->cue->y, $aim, $elevation, $speed);
        $pot = $position = $scratch = $touches = $hooked = $astray = 0;
        $value = 0.0;
        $level = $this->evaluator->level();
        // The last judgement is made under errors that the search has not seen: it would flatter what was chosen by them.
        $errors ??= self::MANY === $tries ? \array_slice(ErrorSamples::of(self::MANY + self::MORE), self::MORE) : ErrorSamples::of($tries);
        foreach ($errors as $sample) {
            $state = $this->sampler->under($error, $sample, $aim, $speed, $a, $b, $elevation);
            if (null === $state) {
                continue;
            }
            $moved = $this->sampler->moved($state);
            $touches += [] === $moved ? 0 : 1;
            if ($this->sampler->scratches($state)) {
                ++$scratch;
                continue;
            }
            if (!$this->sampler->pots($state)) {
                continue;
            }
            ++$pot;
            $left = $this->left($state, $moved);
            $value += $left;
            if ($left >= $level) {
                ++$position;
            } elseif ([] === $moved && $this->evaluator->chanceAt($state->x[0], $state->y[0]) < self::NO_SHOT) {
                ++$hooked;
            } else {
                ++$astray;
            }
        }
        $n = \count($errors);
        $this->played += $n;

        return [
            'pot' => $pot / $n,
            'position' => $position / $n,
            'value' => $value / $n,
            'scratch' => $scratch / $n,
            'touches' => $touches / $n,
            'hooked' => $hooked / max(1, $pot),
            'astray' => $astray / max(1, $pot),
        ];
    }

    /**
     * The best of each family.
     *
     * @param list<array{array{float, float, float, float, float, float}, float}> $ranked
     *
     * @return list<Route>
     */
    private function kept(array $ranked, int $tries): array
    {
        $routes = [];
        foreach ($ranked as [$candidate]) {
            $key = implode(' ', \array_slice($candidate, 0, 6)) . " $tries";
            $route = \array_key_exists($key, $this->made) ? $this->made[$key] : $this->made[$key] = $this->made($candidate, $tries);
            if (null !== $route && !isset($routes[$route->family->key()])) {
                $routes[$route->family->key()] = $route;
                if (\count($routes) >= self::KEPT) {
                    break;
                }
            }
        }
        $routes = array_values($routes);
        usort($routes, static fn(Route $p, Route $q): int => $q->value <=> $p->value);

        return self::simple($routes);
    }

    /**
     * Leaves out what is another route with more side spin and no better for it.
     *
     * @param list<Route> $routes
     *
     * @return list<Route>
     */
    private static function simple(array $routes): array
    {
        return array_values(array_filter($routes, static function (Route $route) use ($routes): bool {
            foreach ($routes as $other) {
                if (
                    $other !== $route
                    && $other->family->rails === $route->family->rails
                    && $other->family->stroke === $route->family->stroke
                    && abs($other->shot->tip->side) < abs($route->shot->tip->side) - 0.05
                    && $other->value > $route->value - Style::NEAR / 2
                ) {
                    return false;
                }
            }

            return true;
        }));
    }

    /**
     * @param array{float, float, float, float, float, float} $c
     */
    private function made(array $c, int $tries): ?Route
    {
        [$speed, $a, $b, $offset, $aim, $elevation] = $c;
        $state = $this->sampler->run($aim, $speed, $a, $b, $elevation, record: true);
        if (null === $state || !$this->sampler->pots($state) || $this->sampler->scratches($state)) {
            return null;
        }
        $simulator = $this->rack->simulator();
        $shot = new Shot($aim, $speed, new Tip($a, $b), $elevation);
        $hit = $simulator->struck($this->rack->layout, $shot);
        $simulator->kernel()->run($hit, record: true, stopAtHit: true);
        $cut = $this->pot->window()->toward - $this->cue->angleTo(new Point($hit->x[0], $hit->y[0]));
        $travel = 0.0;
        foreach ($state->pieces as [$slot, $from, $to, , , $vx, $vy, $ax, $ay]) {
            if (0 === $slot && $from >= $hit->time - 1e-9) {
                $half = ($to - $from) / 2;
                $travel += 2 * $half * hypot($vx + $ax * $half, $vy + $ay * $half);
            }
        }
        $chances = $this->judge($aim, $speed, $a, $b, $elevation, $tries);

        return new Route(
            $this->ball,
            $this->pocket,
            $shot,
            $offset,
            Family::of($state, $hit, $a, $b, $speed, Angle::wrap($cut), $simulator->ball->radius),
            new Point($state->x[0], $state->y[0]),
            $travel,
            $chances['pot'],
            $chances['position'],
            $chances['value'],
            $chances['scratch'],
            $chances['touches'],
            $chances['hooked'],
            $chances['astray'],
            $this->evaluator->next($state->x[0], $state->y[0]),
            $tries < self::MANY ? null : $this->window($shot),
            $tries,
        );
    }

    private function window(Shot $shot): ?SpeedWindow
    {
        return SpeedWindow::of(function (float $at) use ($shot): ?float {
            $state = $this->sampler->run($shot->aim, $shot->speed * $at, $shot->tip->side, $shot->tip->height, $shot->elevation);
            ++$this->played;

            return null === $state
                || !$this->sampler->pots($state)
                || $this->sampler->scratches($state)
                || [] !== $this->sampler->moved($state)
                ? null
                : $this->evaluator->valueAt($state->x[0], $state->y[0]);
        }, $this->evaluator->level());
    }
}
