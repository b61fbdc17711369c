<?php

declare(strict_types=1);

namespace ZigLane\Core\Files;

use ZigLane\Core\Decision\Advice;
use ZigLane\Core\Decision\OptionKind;
use ZigLane\Core\Decision\Tried;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Rack\Files\ShotSpecFile;
use ZigLane\Core\Rack\ShotSpec;
use ZigLane\Core\Wording\AdviceWording;

/**
 * Advice to go or to play safe as JSON: chances to win the rack 0–1, and the strokes.
 *
 * @phpstan-type Shown array{choice: OptionKind, another: bool, win: float, headline: string, says: list<string>,
 *                           shots: array<string, ShotSpec>}
 */
final class AdviceFile
{
    private function __construct() {}

    /**
     * @return array<string, mixed> ready for json_encode
     */
    public static function describe(Advice $advice): array
    {
        $share = static fn(?float $share): ?float => null === $share ? null : round($share, 4);

        return [
            'choice' => $advice->choice->value,
            'go' => $share($advice->of(OptionKind::Go)?->win()),
            'safe' => $share($advice->of(OptionKind::Safe)?->win()),
            'twoWay' => $share($advice->of(OptionKind::TwoWay)?->win()),
            'pushOut' => $share($advice->of(OptionKind::PushOut)?->win()),
            'pass' => $share($advice->pass),
            'win' => $share($advice->win()),
            'even' => $advice->even,
            'another' => $advice->another,
            'headline' => AdviceWording::headline($advice),
            'says' => AdviceWording::says($advice),
            'shots' => (object) array_map(ShotSpecFile::write(...), self::specs($advice)),
        ];
    }

    /**
     * What a page shows of it: the same as read() gives of what describe() wrote.
     *
     * @return Shown
     */
    public static function shown(Advice $advice): array
    {
        return [
            'choice' => $advice->choice,
            'another' => $advice->another,
            'win' => $advice->win(),
            'headline' => AdviceWording::headline($advice),
            'says' => AdviceWording::says($advice),
            'shots' => self::specs($advice),
        ];
    }

    /**
     * The strokes of the options, but of a push-out, which is a place.
     *
     * @return array<string, ShotSpec> by the option
     */
    private static function specs(Advice $advice): array
    {
        return array_map(
            static fn(Tried $one): ShotSpec => $one->spec(),
            array_diff_key($advice->options, [OptionKind::PushOut->value => true]),
        );
    }

    /**
     * What a page shows of what describe() wrote.
     *
     * @return Shown
     *
     * @throws InvalidInput when it is none
     */
    public static function read(\stdClass $data): array
    {
        $text = static fn(string $key): string => \is_string($data->{$key} ?? null)
            ? $data->{$key}
            : throw new InvalidInput("plan.advice.$key", 'is no text');
        $shots = [];
        foreach ((array) ($data->shots ?? []) as $kind => $shot) {
            $shots[(string) $kind] = ShotSpecFile::read($shot, "plan.advice.shots.$kind");
        }

        return [
            'choice' => OptionKind::tryFrom($text('choice')) ?? throw new InvalidInput('plan.advice.choice', 'is none that is known'),
            'another' => true === ($data->another ?? null),
            'win' => \is_int($data->win ?? null) || \is_float($data->win ?? null)
                ? (float) $data->win
                : throw new InvalidInput('plan.advice.win', 'is no number'),
            'headline' => $text('headline'),
            'says' => array_values(array_filter(\is_array($data->says ?? null) ? $data->says : [], is_string(...))),
            'shots' => $shots,
        ];
    }
}
