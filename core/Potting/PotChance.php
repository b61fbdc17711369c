<?php

declare(strict_types=1);

namespace ZigLane\Core\Potting;

use ZigLane\Core\Aiming\FirstContact;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Geometry\Angle;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Numerics\NormalDistribution;
use ZigLane\Core\Physics\CueStrike;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\LeastElevation;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Player\ExecutionError;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Player\Stance;
use ZigLane\Core\Settings\Defaults;

/**
 * The chance that one ball drops in one pocket, from any place of the cue ball, by propagating the player's errors.
 *
 * Analytic. The directions in which the ball drops come from AcceptanceWindow; the direction it takes for a direction of the cue
 * from the simulator: plain geometry (the ghost ball, sin of the contact angle = miss distance / 2R) plus a correction for
 * throw, squirt and swerve that is nearly straight in the aim and is interpolated between three tries. So every edge of
 * the window becomes a direction of the cue. An error of the tip's height adds to that of the aim as squares. Errors of its
 * side, whose squirt and throw work against each other, are summed in steps, and those of the speed, which also changes the
 * window, over three values (Gauss–Hermite: M. Abramowitz and I. A. Stegun, "Handbook of Mathematical Functions", 1964,
 * 25.4.46). Directions in which another ball is met first are cut out, and strokes beyond the miscue limit.
 *
 * The same by plain sampling: PotSampling; tests hold the two together.
 */
final class PotChance
{
    /** Contacts with rubber after which a sampled try is given up: later it would be a fluke. */
    public const MOST_RAILS = 40;

    /** Nodes and weights of the three speeds, in standard deviations. */
    private const NODES = [[-1.7320508, 1 / 6], [0.0, 2 / 3], [1.7320508, 1 / 6]];

    /** Tips to the side that are tried, in standard deviations; what side does turns over as it grows. */
    private const SIDES = [-3, -1, 0, 1, 3];

    /** What side does counts as straight when it bends by less than this share of the whole error. */
    private const STRAIGHT = 0.06;

    /** Steps between them, in standard deviations. */
    private const SIDE_STEP = 0.64;

    /** Thinner than this (rad) is no shot. */
    private const THINNEST = 1.48;

    private const AIM_STEPS = 6;

    private readonly FirstContact $contact;
    private readonly AcceptanceWindow $window;
    private readonly Point $at;
    private readonly float $diameter;
    private readonly float $length;
    private readonly float $width;

    /** @var list<Point> balls that may be in the cue ball's way */
    private readonly array $others;

    /** @var list<Point> those and the ball itself */
    private readonly array $all;

    public function __construct(
        private readonly Simulator $simulator,
        Layout $layout,
        public readonly int $ball,
        public readonly Pocket $pocket,
        private readonly Player $player,
        ?AcceptanceWindow $window = null,
    ) {
        $this->contact = new FirstContact($simulator);
        $this->window = $window ?? new AcceptanceWindow($simulator, $layout, $ball, $pocket);
        $this->at = $layout->ball($ball);
        $this->diameter = 2 * $simulator->ball->radius;
        $this->length = $simulator->geometry->length;
        $this->width = $simulator->geometry->width;
        $others = [];
        foreach ($layout->balls as $id => $place) {
            if (BallId::CUE !== $id && $id !== $ball) {
                $others[] = $place;
            }
        }
        $this->others = $others;
        $this->all = [$this->at, ...$others];
    }

    /** What drops, from where the ball lies. */
    public function window(): AcceptanceWindow
    {
        return $this->window;
    }

    /** The cut from a place (m) to the middle of the mouth, signed as in PotReading, rad. */
    public function cutFrom(float $x, float $y): float
    {
        $toward = $this->window->toward;

        return Angle::wrap(
            $toward - atan2($this->at->y - $this->diameter * sin($toward) - $y, $this->at->x - $this->diameter * cos($toward) - $x),
        );
    }

    /** Whether the cue ball can lie there. */
    public function free(float $x, float $y): bool
    {
        $reach = $this->simulator->geometry->reach - 1e-6;
        if ($x < $reach || $y < $reach || $x > $this->length - $reach || $y > $this->width - $reach) {
            return false;
        }
        $least = ($this->diameter - 1e-6) ** 2;
        if (($x - $this->at->x) ** 2 + ($y - $this->at->y) ** 2 < $least) {
            return false;
        }
        foreach ($this->others as $other) {
            if (($x - $other->x) ** 2 + ($y - $other->y) ** 2 < $least) {
                return false;
            }
        }

        return true;
    }

    /**
     * With the reading stroke: rolling, as fast as brings the ball to the pocket at an easy pace.
     *
     * @param float $rough chances that must lie below this are given from the error of aim alone, a little too high
     */
    public function fromPlace(float $x, float $y, float $rough = 0.0): PotEstimate
    {
        return $this->at($x, $y, $this->readingSpeed($x, $y), 0.0, Defaults::READING_TIP, $rough);
    }

    /**
     * With a given stroke, aimed at the middle of what drops.
     *
     * @param float $x     cue ball, m
     * @param float $y     m
     * @param float $speed cue speed, m/s
     * @param float $a     tip to the right, radii
     * @param float $b     tip upward, radii
     */
    public function at(float $x, float $y, float $speed, float $a, float $b, float $rough = 0.0): PotEstimate
    {
        $line = $this->line($x, $y, $speed, $a, $b);
        if ($line instanceof NoPot) {
            return PotEstimate::none($line);
        }
        [$aim, $elevation] = $line;
        $error = $this->errors($x, $y, $aim, $elevation, $speed);

        return $this->around($x, $y, $aim, $speed, $a, $b, $elevation, $error, $rough);
    }

    /**
     * How the cue must point for a stroke that sends the ball to a part of what drops.
     *
     * @param float $offset −1 … 1 from the left to the right edge of the widest opening
     *
     * @return array{float, float}|NoPot aim and elevation, rad
     */
    public function line(float $x, float $y, float $speed, float $a, float $b, float $offset = 0.0): array|NoPot
    {
        if (!$this->free($x, $y)) {
            return NoPot::NoRoom;
        }
        // Seen from the ball, is the cue ball on a side from which the pocket can be cut at all?
        $ghostX = $this->at->x - $this->diameter * cos($this->window->toward);
        $ghostY = $this->at->y - $this->diameter * sin($this->window->toward);
        $way = atan2($ghostY - $y, $ghostX - $x);
        $cut = abs(Angle::wrap($this->window->toward - $way));
        if ($cut > self::THINNEST + $this->window->span()) {
            return NoPot::TooThin;
        }
        $outSpeed = $this->outSpeed($x, $y, $speed, $b, $cut);
        $target = $this->window->part($outSpeed, $offset);
        if (null === $target) {
            return NoPot::DoesNotGo;
        }
        $elevation = $this->elevation($x, $y, $way, $a, $b);
        if (null === $elevation) {
            return NoPot::OutOfReach;
        }
        $aim = $this->aim($x, $y, $speed, $a, $b, $elevation, $target);
        if (null === $aim) {
            return NoPot::TooThin;
        }

        return [$aim, $elevation];
    }

    /** The chance of a shot as it stands, whatever it is aimed at. */
    public function ofShot(Point $cue, Shot $shot): PotEstimate
    {
        $error = $this->errors($cue->x, $cue->y, $shot->aim, $shot->elevation, $shot->speed);

        return $this->around($cue->x, $cue->y, $shot->aim, $shot->speed, $shot->tip->side, $shot->tip->height, $shot->elevation, $error);
    }

    /** The player's errors of a stroke from a place (m): aim and elevation in rad, speed of the cue in m/s. */
    public function errors(float $x, float $y, float $aim, float $elevation, float $speed): ExecutionError
    {
        return $this->player->errors(
            $elevation,
            $speed,
            Stance::at($this->player, $x, $y, $aim, $this->length, $this->width),
            $this->simulator->ball->radius,
        );
    }

    /** Cue speed of the reading stroke from a place, m/s. */
    public function readingSpeed(float $x, float $y): float
    {
        $g = Defaults::GRAVITY;
        $roll = 2 * $this->simulator->table->cloth->roll * $g;
        $toward = $this->window->toward;
        $ghostX = $this->at->x - $this->diameter * cos($toward);
        $ghostY = $this->at->y - $this->diameter * sin($toward);
        $cut = Angle::wrap($toward - atan2($ghostY - $y, $ghostX - $x));
        // The cue ball gives the ball (1 + e)/2 of the part along the centres.
        $need = 2 * $this->window->readingSpeed() / ((1 + $this->simulator->ball->restitution) * max(cos($cut), 0.15));
        // Struck at this height it settles to (5 + 5b)/7 of its first speed, and rolls on.
        $settle = (5 + 5 * Defaults::READING_TIP) / 7;
        $first = sqrt($need ** 2 + $roll * hypot($x - $ghostX, $y - $ghostY)) / $settle;

        return max(Defaults::READING_SLOWEST, min(Defaults::READING_FASTEST, $first / $this->gain(Defaults::READING_TIP)));
    }

    private function gain(float $b): float
    {
        $cue = $this->simulator->cue;

        return (1 + $cue->tipRestitution) / (1 + $this->simulator->ball->mass / $cue->mass + 2.5 * $b * $b);
    }

    /** About how fast the ball will leave, m/s: enough to look up a window to aim at. */
    private function outSpeed(float $x, float $y, float $speed, float $b, float $cut): float
    {
        $settle = (5 + 5 * $b) / 7;
        $square = ($speed * $this->gain($b) * $settle) ** 2
            - 2 * $this->simulator->table->cloth->roll * Defaults::GRAVITY * max(
                0.0,
                hypot($x - $this->at->x, $y - $this->at->y) - $this->diameter,
            );

        return sqrt(max($square, 0.0025)) * max(cos($cut), 0.05) * (1 + $this->simulator->ball->restitution) / 2;
    }

    private function elevation(float $x, float $y, float $way, float $a, float $b): ?float
    {
        $least = LeastElevation::at($x, $y, $this->all, $way, $a, $b, $this->simulator->geometry, $this->simulator->ball);

        return is_finite($least) ? $least : null;
    }

    /**
     * Direction of the cue that sends the ball to the middle of the window; secant steps from the ghost ball.
     */
    private function aim(float $x, float $y, float $speed, float $a, float $b, float $elevation, float $middle): ?float
    {
        $target = $this->window->toward + $middle;
        $ghostX = $this->at->x - $this->diameter * cos($target);
        $ghostY = $this->at->y - $this->diameter * sin($target);
        $way = atan2($ghostY - $y, $ghostX - $x);
        $cut = Angle::wrap($target - $way);
        if (abs($cut) > self::THINNEST) {
            return null;
        }
        $gap = max(hypot($this->at->x - $x, $this->at->y - $y), $this->diameter);
        $gain = (1.0 - $gap / ($this->diameter * max(cos($cut), 0.05))) * $this->window->distance;
        $full = atan2($this->at->y - $y, $this->at->x - $x);
        $squirt = CueStrike::squirt($a, $this->simulator->cue);
        $aim = $way + $squirt;
        $lastAim = $lastMiss = null;
        for ($step = 0; $step < self::AIM_STEPS; ++$step) {
            $try = $this->contact->try(
                $x,
                $y,
                $this->at->x,
                $this->at->y,
                $aim,
                $speed,
                $a,
                $b,
                $elevation,
                $target,
                $this->window->distance,
            );
            if (null === $try) {
                $aim = ($aim + $full + $squirt) / 2;
                $lastAim = null;
                continue;
            }
            if (abs($try[0]) < 1e-4) {
                return $aim;
            }
            $slope = $gain;
            if (null !== $lastAim && abs($lastMiss - $try[0]) > 1e-9) {
                $secant = ($lastMiss - $try[0]) / ($lastAim - $aim);
                $slope = $secant / $gain > 0.2 && $secant / $gain < 5.0 ? $secant : $gain;
            }
            $lastAim = $aim;
            $lastMiss = $try[0];
            $aim -= $try[0] / ($slope ?: 1e-9);
        }

        return null === $lastAim ? null : $aim;
    }

    private function around(
        float $x,
        float $y,
        float $aim,
        float $speed,
        float $a,
        float $b,
        float $elevation,
        ExecutionError $error,
        float $rough = 0.0,
    ): PotEstimate {
        $bx = $this->at->x;
        $by = $this->at->y;
        $toward = $this->window->toward;
        $distance = $this->window->distance;
        $full = atan2($by - $y, $bx - $x);
        $gap = max(hypot($bx - $x, $by - $y), $this->diameter);
        $limit = asin(min(1.0, $this->diameter / $gap));
        $squirt = CueStrike::squirt($a, $this->simulator->cue);
        $turn = function (float $aim, float $speed, float $a, float $b) use ($x, $y, $bx, $by, $elevation, $toward, $distance): ?array {
            $try = $this->contact->try($x, $y, $bx, $by, $aim, $speed, $a, $b, $elevation, $toward, $distance);

            return null === $try ? null : [atan2($try[0], $distance), $try[1], $try[3], $try[4], $try[5]];
        };
        $here = $turn($aim, $speed, $a, $b);
        if (null === $here) {
            return PotEstimate::none(NoPot::TooThin);
        }
        // The correction to plain geometry, at the aim and a step to either side that still hits the ball.
        $geo = static fn(float $aim): float => self::geometric(Angle::wrap($aim - $squirt - $full), $limit) + $full - $toward;
        $step = min(1.5 * $error->aim + 1e-4, 0.45 * max($limit - abs(Angle::wrap($aim - $squirt - $full)), 1e-5));
        $points = [[0.0, Angle::wrap($here[0] - $geo($aim))]];
        foreach ([-$step, $step] as $off) {
            $there = $turn($aim + $off, $speed, $a, $b);
            if (null !== $there) {
                $points[] = [$off, Angle::wrap($there[0] - $geo($aim + $off))];
            }
        }
        $correct = self::quadratic($points);
        $slope = ($geo($aim + 1e-5) - $geo($aim - 1e-5)) / 2e-5 + ($correct(1e-5) - $correct(-1e-5)) / 2e-5;
        if (abs($slope) < 1e-6) {
            $slope = -1e-6;
        }

        $edges = fn(float $low, float $high): array => [
            self::invert($geo, $correct, $aim, $low, $squirt + $full, $limit),
            self::invert($geo, $correct, $aim, $high, $squirt + $full, $limit),
        ];
        if ($rough > 0.0) {
            $most = 0.0;
            foreach ($this->window->at($here[1], $here[4]) as [$low, $high]) {
                $ends = $edges($low, $high);
                $most += self::share(min($ends) - $aim, max($ends) - $aim, 0.0, max($error->aim, 1e-7), []);
            }
            if ($most < $rough) {
                return new PotEstimate($most, $aim, 0.0, $speed, $here[1], $elevation, $error->aim, null);
            }
        }

        // What errors of tip and speed do, as directions of the cue.
        $height = $error->tip > 0.0 ? $turn($aim, $speed, $a, $b + $error->tip) : null;
        $byHeight = null === $height ? 0.0 : ($height[0] - $here[0]) / $slope;
        $sigma = max(sqrt($error->aim ** 2 + $byHeight ** 2), 1e-7);
        // Shifts of the ball's way at five tips, as directions of the cue; finer between them by interpolation.
        $shifts = [];
        foreach (self::SIDES as $z) {
            $there = 0 === $z || 0.0 === $error->tip ? $here : $turn($aim, $speed, $a + $z * $error->tip, $b);
            $shifts[] = null === $there ? null : ($there[0] - $here[0]) / $slope;
        }
        // Where the tip's error alone would miss the ball, go on as it began.
        $shifts = [$shifts[0] ?? 3 * ($shifts[1] ?? 0.0), $shifts[1] ?? 0.0, 0.0, $shifts[3] ?? 0.0, $shifts[4] ?? 3 * ($shifts[3] ?? 0.0)];
        $sides = self::sides($shifts);
        $square = array_sum(array_map(static fn(array $s): float => $s[1] * $s[0] * $s[0], $sides));
        $whole = sqrt($sigma * $sigma + $square);
        // Where what side does goes straight up with it, it adds as squares like the rest.
        if (self::isStraight($shifts, self::STRAIGHT * $whole)) {
            [$sides, $sigma] = [[[0.0, 1.0]], $whole];
        }

        $blocked = $this->blocked($x, $y, $aim - $squirt, $full, $gap, $whole);
        $fullness = self::fullness($aim - $squirt - $full, $limit);
        $chance = 0.0;
        $near = [];
        foreach (self::NODES as [$node, $weight]) {
            $factor = max(0.05, 1.0 + $node * $error->speed);
            $shift = 0.0;
            $out = $here[1] * $factor;
            if (0.0 !== $node && $error->speed > 1e-6) {
                $other = $turn($aim, $speed * $factor, $a, $b);
                if (null === $other) {
                    continue; // so soft that it does not arrive
                }
                $shift = ($other[0] - $here[0]) / $slope;
                $out = $other[1];
            }
            // A thinner hit sends the ball off more softly, and the window changes with its speed: each edge as at its own.
            $outAt = static fn(float $at): float => $out * self::fullness($at - $squirt - $full, $limit) / $fullness;
            $open = [];
            foreach ($this->window->at($out, $here[4]) as [$low, $high]) {
                $ends = [];
                foreach ([$low, $high] as $which => $edge) {
                    $end = self::invert($geo, $correct, $aim, $edge, $squirt + $full, $limit, $near[$which] ?? null);
                    $near[$which] = $end;
                    $moved = $this->window->edgeNear($edge, $which, $outAt($end + $shift), $here[4]);
                    $ends[] = $moved === $edge ? $end : self::invert($geo, $correct, $aim, $moved, $squirt + $full, $limit, $end);
                }
                $open[] = [min($ends), max($ends)];
            }
            // Edges that have moved may overlap: nothing counts twice.
            foreach (self::merged($open) as $ends) {
                foreach ($sides as [$off, $part]) {
                    $chance += $weight * $part * self::share($ends[0] - $aim, $ends[1] - $aim, $shift + $off, $sigma, $blocked);
                }
            }
        }
        // Tips beyond the limit are miscues.
        if ($error->tip > 1e-9) {
            $chance *= NormalDistribution::share((Defaults::MISCUE_LIMIT + 1e-9 - hypot($a, $b)) / $error->tip);
        }
        $cut = Angle::wrap(atan2($by - $here[3], $bx - $here[2]) - atan2($here[3] - $y, $here[2] - $x));
        if (0.0 === $chance && [] !== $blocked) {
            return PotEstimate::none(NoPot::Blocked);
        }

        return new PotEstimate($chance, $aim, $cut, $speed, $here[1], $elevation, $whole, null);
    }

    /**
     * Directions, relative to the way, in which another ball is met first.
     *
     * @return list<array{float, float}> ascending
     */
    private function blocked(float $x, float $y, float $way, float $full, float $gap, float $sigma): array
    {
        $found = [];
        $d = $this->diameter;
        foreach ($this->others as $other) {
            $far = hypot($other->x - $x, $other->y - $y);
            if ($far > $gap + $d) {
                continue;
            }
            $turn = Angle::wrap(atan2($other->y - $y, $other->x - $x) - $way);
            $half = asin(min(1.0, $d / max($far, $d)));
            if (abs($turn) - $half > 5 * $sigma) {
                continue;
            }
            $toBall = Angle::wrap($full - $way);
            $reach = static fn(float $at, float $angle, float $dist): float => abs(sin($at - $angle)) * $dist >= $d
                || cos($at - $angle) <= 0.0
                ? INF
                : $dist * cos($at - $angle) - sqrt($d * $d - ($dist * sin($at - $angle)) ** 2);
            $low = null;
            $high = 0.0;
            // In fine steps over what the errors can reach: the other ball may cover a part of the ball only.
            $from = max(-5 * $sigma, $turn - $half);
            $to = min(5 * $sigma, $turn + $half);
            for ($i = 0; $i <= 24; ++$i) {
                $at = $from + ($to - $from) * $i / 24;
                if ($reach($at, $turn, $far) < $reach($at, $toBall, $gap)) {
                    $low ??= $at;
                    $high = $at;
                }
            }
            if (null !== $low) {
                $found[] = [$low, $high];
            }
        }

        return self::merged($found);
    }

    /**
     * @param list<array{float, float}> $intervals
     *
     * @return list<array{float, float}> ascending, none overlapping
     */
    private static function merged(array $intervals): array
    {
        usort($intervals, static fn(array $p, array $q): int => $p[0] <=> $q[0]);
        $merged = [];
        foreach ($intervals as [$low, $high]) {
            $last = \count($merged) - 1;
            if ($last >= 0 && $low <= $merged[$last][1]) {
                $merged[$last][1] = max($merged[$last][1], $high);
            } else {
                $merged[] = [$low, $high];
            }
        }

        return $merged;
    }

    /**
     * Share of a normal error that falls into an interval but into nothing blocked.
     *
     * A shift of the ball's way by so much counts as one of the aim; what is blocked stays where it is, roughly.
     *
     * @param list<array{float, float}> $blocked
     */
    private static function share(float $low, float $high, float $shift, float $sigma, array $blocked): float
    {
        $below = static fn(float $at): float => NormalDistribution::share(($at - $shift) / $sigma);
        $share = $below($high) - $below($low);
        foreach ($blocked as [$from, $to]) {
            $from = max($from, $low);
            $to = min($to, $high);
            if ($to > $from) {
                $share -= $below($to) - $below($from);
            }
        }

        return max(0.0, $share);
    }

    /**
     * @param array{float, float, float, float, float} $shifts at SIDES
     */
    private static function isStraight(array $shifts, float $within): bool
    {
        $slope = ($shifts[4] - $shifts[0]) / 6;

        return abs($shifts[1] + $slope) < $within && abs($shifts[3] - $slope) < $within
            && abs($shifts[0] + 3 * $slope) < 3 * $within && abs($shifts[4] - 3 * $slope) < 3 * $within;
    }

    /**
     * A normal error of the tip's side in fine steps.
     *
     * @param array{float, float, float, float, float} $shifts at SIDES, nothing at 0
     *
     * @return list<array{float, float}> [shift, weight], the weights together 1
     */
    private static function sides(array $shifts): array
    {
        if ([0.0] === array_values(array_unique($shifts))) {
            return [[0.0, 1.0]];
        }
        $sides = [];
        $sum = 0.0;
        for ($z = -3.2; $z < 3.3; $z += self::SIDE_STEP) {
            // Through the three nearest of the five: 0 and one and three to this side.
            [$near, $far] = $z < 0.0 ? [$shifts[1], $shifts[0]] : [$shifts[3], $shifts[4]];
            $u = abs($z);
            $shift = $near * $u * (3 - $u) / 2 + $far * $u * ($u - 1) / 6;
            $weight = exp(-0.5 * $z * $z);
            $sides[] = [$shift, $weight];
            $sum += $weight;
        }

        return array_map(static fn(array $s): array => [$s[0], $s[1] / $sum], $sides);
    }

    /** Cosine of the cut for a direction of the cue ball relative to the line to the ball. */
    private static function fullness(float $off, float $limit): float
    {
        return sqrt(max(1.0 - (sin(max(-$limit, min($limit, Angle::wrap($off)))) / sin($limit)) ** 2, 1e-4));
    }

    /** Direction of the line of centres, relative to the line to the ball, for a direction of the cue ball. */
    private static function geometric(float $off, float $limit): float
    {
        $off = max(-$limit, min($limit, $off));

        return $off - asin(max(-1.0, min(1.0, sin($off) / sin($limit))));
    }

    /**
     * The direction of the cue that sends the ball to a direction, between the two thinnest hits.
     *
     * @param callable(float): float $geo
     * @param callable(float): float $correct
     * @param float|null             $guess one that should be near
     */
    private static function invert(
        callable $geo,
        callable $correct,
        float $aim,
        float $wanted,
        float $middle,
        float $limit,
        ?float $guess = null,
    ): float {
        // The more the cue ball goes right, the more the ball goes left.
        $miss = static fn(float $at): float => Angle::wrap($geo($at)) + $correct($at - $aim) - $wanted;
        if (null !== $guess) {
            // A few secant steps usually do.
            [$one, $two] = [$guess, $guess + 1e-4];
            [$missOne, $missTwo] = [$miss($one), $miss($two)];
            for ($i = 0; $i < 3 && $missTwo < $missOne !== $two < $one; ++$i) {
                $at = $two - $missTwo * ($two - $one) / ($missTwo - $missOne);
                if (abs($at - $middle) >= $limit) {
                    break;
                }
                [$one, $missOne] = [$two, $missTwo];
                [$two, $missTwo] = [$at, $miss($at)];
                if (abs($missTwo) < 1e-6) {
                    return $two;
                }
            }
        }
        $low = $middle - $limit;
        $high = $middle + $limit;
        $atLow = $miss($low);
        $atHigh = $miss($high);
        if ($atLow <= 0.0 || $atHigh >= 0.0) {
            return Angle::wrap(($atLow <= 0.0 ? $low : $high) - $aim) + $aim;
        }
        // False position, an end that stays counted by half (M. Dowell and P. Jarratt, "A modified regula falsi method for
        // computing the root of an equation", BIT 11, 1971).
        $stayed = 0;
        for ($i = 0; $i < 20; ++$i) {
            $at = ($low * $atHigh - $high * $atLow) / ($atHigh - $atLow);
            $off = $miss($at);
            if (abs($off) < 1e-6) {
                return Angle::wrap($at - $aim) + $aim;
            }
            if ($off > 0.0) {
                $low = $at;
                $atLow = $off;
                $atHigh = 1 === $stayed ? $atHigh / 2 : $atHigh;
                $stayed = 1;
            } else {
                $high = $at;
                $atHigh = $off;
                $atLow = -1 === $stayed ? $atLow / 2 : $atLow;
                $stayed = -1;
            }
        }

        return Angle::wrap(($low + $high) / 2 - $aim) + $aim;
    }

    /**
     * Through one, two or three points, flat beyond the outer ones' reach.
     *
     * @param list<array{float, float}> $p
     *
     * @return callable(float): float
     */
    private static function quadratic(array $p): callable
    {
        if (1 === \count($p)) {
            return static fn(float $at): float => $p[0][1];
        }
        $reach = 2.0 * abs($p[1][0]);
        if (2 === \count($p)) {
            $slope = ($p[1][1] - $p[0][1]) / ($p[1][0] - $p[0][0]);

            return static fn(float $at): float => $p[0][1] + $slope * max(-$reach, min($reach, $at));
        }
        $h = abs($p[1][0]);
        $first = ($p[2][1] - $p[1][1]) / (2 * $h);
        $second = ($p[2][1] - 2 * $p[0][1] + $p[1][1]) / (2 * $h * $h);

        return static function (float $at) use ($p, $first, $second, $reach): float {
            $at = max(-$reach, min($reach, $at));

            return $p[0][1] + ($first + $second * $at) * $at;
        };
    }
}
