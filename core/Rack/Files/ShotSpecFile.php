<?php

declare(strict_types=1);

namespace ZigLane\Core\Rack\Files;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Equipment\Rail;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Physics\Speed;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Rack\ShotSpec;
use ZigLane\Core\Settings\Defaults;
use ZigLane\Core\Shots\Intent;
use ZigLane\Core\Shots\ShotKind;

/**
 * A stated shot as a file has it.
 */
final class ShotSpecFile
{
    private function __construct() {}

    /**
     * @param mixed $data a decoded shot, objects as \stdClass
     *
     * @throws InvalidInput
     */
    public static function read(mixed $data, string $path = 'shot'): ShotSpec
    {
        $shot = new Fields($data, $path);
        $aim = null;
        $ball = null;
        $pocket = null;
        $offset = 0.0;
        $intent = new Intent();
        if (null !== $shot->raw('aimDeg')) {
            if (null !== $shot->raw('ball') || null !== $shot->raw('pocket')) {
                throw new InvalidInput($path, 'says both aimDeg and a ball or pocket; one of them decides the aim');
            }
            $aim = $shot->number('aimDeg', null, -360.0, 360.0, 'degrees');
            $intent = self::aimed($shot);
        } else {
            if (null === $shot->raw('ball') && null === $shot->raw('pocket')) {
                throw new InvalidInput($path, 'needs aimDeg, or ball and pocket');
            }
            $name = \is_int($shot->raw('ball')) ? (string) $shot->raw('ball') : $shot->text('ball');
            $ball = BallId::fromName($name);
            if (null === $ball || BallId::CUE === $ball) {
                throw new InvalidInput($shot->path('ball'), \sprintf('there is no object ball "%s"', mb_strimwidth($name, 0, 40, '…')));
            }
            $pocket = $shot->choice('pocket', Pocket::class);
            $offset = $shot->number('pocketOffset', 0.0, -1.0, 1.0);
            $intent = self::intent($shot, $ball);
            if ($intent->isSafety()) {
                throw new InvalidInput($shot->path('kind'), 'a safety is stated by aimDeg, without ball and pocket');
            }
        }
        $speed = self::speed($shot);
        $tip = $shot->object('tip');
        $side = $tip->number('side', 0.0, -1.0, 1.0, 'ball radii');
        $height = $tip->number('height', 0.0, -1.0, 1.0, 'ball radii');
        try {
            $where = new Tip($side, $height);
        } catch (InvalidInput $e) {
            throw new InvalidInput($shot->path('tip'), $e->problem);
        }
        $elevation = $shot->number('elevationDeg', 0.0, 0.0, Defaults::STEEPEST_DEG, 'degrees');

        return new ShotSpec($aim, $ball, $pocket, $offset, $speed, $where, $elevation, $intent, $shot->unknown());
    }

    /**
     * @return array<string, mixed>
     */
    public static function write(ShotSpec $shot): array
    {
        $aim = null !== $shot->aimDeg
            ? ['aimDeg' => $shot->aimDeg] + self::writeIntent($shot->intent)
            : ['ball' => BallId::name((int) $shot->ball), 'pocket' => $shot->pocket?->value, 'pocketOffset' => $shot->offset]
                + self::writeIntent($shot->intent);

        return $aim + [
            'speed' => null !== $shot->speed->mps ? ['mps' => $shot->speed->mps] : ['lengths' => $shot->speed->lengths],
            'tip' => ['side' => $shot->tip->side, 'height' => $shot->tip->height],
            'elevationDeg' => $shot->elevationDeg,
        ] + $shot->unknown;
    }

    /**
     * How a ball is meant to get into its pocket; nothing for straight.
     *
     * @return array<string, mixed>
     */
    public static function writeIntent(Intent $intent): array
    {
        if ($intent->isPlain()) {
            return [];
        }
        $how = ['kind' => $intent->kind->value];
        if ([] !== $intent->rails) {
            $how['rails'] = array_map(static fn(Rail $rail): string => $rail->value, $intent->rails);
        }

        if (null !== $intent->other) {
            $how[$intent->kind->otherKey()] = BallId::name($intent->other);
        }

        return null === $intent->then ? $how : $how + ['then' => BallId::name($intent->then)];
    }

    /**
     * What a stroke by its direction is for: a pot, unless it says that it is a safety.
     *
     * @throws InvalidInput
     */
    private static function aimed(Fields $shot): Intent
    {
        $kind = $shot->choice('kind', ShotKind::class, ShotKind::Pot->value);
        if (!\in_array($kind, [ShotKind::Pot, ShotKind::Safety], true)) {
            throw new InvalidInput($shot->path('kind'), \sprintf('a %s needs ball and pocket', $kind->value));
        }

        return new Intent($kind);
    }

    /**
     * How the ball is meant to get into its pocket: straight, unless said otherwise.
     *
     * @throws InvalidInput
     */
    private static function intent(Fields $shot, int $ball): Intent
    {
        $kind = $shot->choice('kind', ShotKind::class, ShotKind::Pot->value);
        $listed = $shot->raw('rails') ?? [];
        if (!\is_array($listed) || !array_is_list($listed)) {
            throw new InvalidInput($shot->path('rails'), 'must be a list of rails');
        }
        $rails = [];
        foreach ($listed as $n => $one) {
            $rail = \is_string($one) ? Rail::tryFrom($one) : null;
            $rails[] = $rail ?? throw new InvalidInput(
                $shot->path("rails[$n]"),
                'must be one of ' . implode(', ', array_column(Rail::cases(), 'value')),
            );
        }
        $key = $kind->otherKey();
        $other = self::other($shot, $key, $ball);
        $then = self::other($shot, 'then', $ball);
        try {
            return new Intent($kind, $rails, $other, $then);
        } catch (InvalidInput $e) {
            throw new InvalidInput($shot->path('other' === $e->path ? $key : $e->path), $e->problem);
        }
    }

    /**
     * Another object ball than the one to be potted; null when none is named.
     *
     * @throws InvalidInput
     */
    private static function other(Fields $shot, string $key, int $ball): ?int
    {
        $named = $shot->raw($key);
        if (null === $named) {
            return null;
        }
        $other = BallId::fromName(\is_int($named) ? (string) $named : $shot->text($key));
        if (null === $other || BallId::CUE === $other || $other === $ball) {
            throw new InvalidInput($shot->path($key), 'must be another object ball');
        }

        return $other;
    }

    /**
     * @throws InvalidInput
     */
    private static function speed(Fields $shot): Speed
    {
        $speed = $shot->object('speed');
        if (null !== $speed->raw('lengths')) {
            if (null !== $speed->raw('mps')) {
                throw new InvalidInput($shot->path('speed'), 'says both mps and lengths');
            }
            $lengths = $speed->number('lengths', null, 0.0, 100.0, 'table lengths');
            if (0.0 === $lengths) {
                throw new InvalidInput($speed->path('lengths'), 'must be above 0 table lengths');
            }

            return Speed::tableLengths($lengths);
        }
        $mps = $speed->number('mps', null, -INF, INF);
        if ($mps <= 0.0) {
            throw new InvalidInput($speed->path('mps'), 'must be above 0 m/s');
        }
        if ($mps > Defaults::MAX_CUE_SPEED) {
            throw new InvalidInput(
                $speed->path('mps'),
                \sprintf(
                    '%s m/s is faster than a person can swing a cue (limit %.0f m/s, a hard break)',
                    Fields::show($mps),
                    Defaults::MAX_CUE_SPEED,
                ),
            );
        }

        return Speed::metresPerSecond($mps);
    }
}
