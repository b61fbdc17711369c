<?php

declare(strict_types=1);

namespace ZigLane\App\Photo;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Rail;
use ZigLane\Core\Equipment\TableSize;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Photo\ConfirmedBall;
use ZigLane\Core\Photo\Taps;
use ZigLane\Core\Rack\Files\Fields;
use ZigLane\Core\Rack\Files\JsonText;

/**
 * Reads what the page asks of a picture: { "tips": { name: [u, v] }, "at": [u, v] }, and the balls that are taken over in the end.
 */
final class PhotoQuestion
{
    /** Bytes. */
    private const LONGEST = 20_000;

    /** Balls in one picture. */
    private const MOST = 40;

    private function __construct() {}

    /** @throws InvalidInput */
    public static function of(string $body): Fields
    {
        return new Fields(JsonText::decode($body, self::LONGEST), '');
    }

    /** @throws InvalidInput */
    public static function taps(Fields $question, int $width, int $height): Taps
    {
        $at = [];
        $tips = $question->object('tips');
        foreach ($tips->keys() as $name) {
            $at[$name] = self::pair($tips->raw($name), "tips.$name", Taps::LARGEST);
        }

        return new Taps($width, $height, $at);
    }

    /**
     * @return array{float, float} px
     *
     * @throws InvalidInput
     */
    public static function at(Fields $question): array
    {
        return self::pair($question->raw('at'), 'at', Taps::LARGEST);
    }

    /**
     * The balls that were found before: a list of [x, y, circle].
     *
     * @return list<array{float, float, float}> mm
     *
     * @throws InvalidInput
     */
    public static function others(Fields $question): array
    {
        $rows = $question->raw('others') ?? [];
        if (!\is_array($rows) || !array_is_list($rows) || \count($rows) > self::MOST) {
            throw new InvalidInput('others', 'must be a list of balls');
        }
        $others = [];
        foreach ($rows as $n => $row) {
            if (!\is_array($row) || !array_is_list($row) || 3 !== \count($row)) {
                throw new InvalidInput("others[$n]", 'must be three numbers');
            }
            [$x, $y, $circle] = array_map(static fn(mixed $v): float => Fields::finite($v, "others[$n]", -1e6, 1e6), $row);
            $others[] = [$x, $y, $circle];
        }

        return $others;
    }

    /**
     * The balls of a list of { "ball", "at": diamonds, "rail": name or absent, "touches": ball or absent }.
     *
     * @return list<ConfirmedBall>
     *
     * @throws InvalidInput
     */
    public static function balls(string $text, TableSize $size): array
    {
        $rows = JsonText::decode($text, self::LONGEST);
        if (!\is_array($rows) || !array_is_list($rows) || \count($rows) > self::MOST) {
            throw new InvalidInput('balls', 'must be a list of balls');
        }
        $balls = [];
        foreach ($rows as $n => $row) {
            $file = new Fields($row, "balls[$n]");
            [$x, $y] = self::pair($file->raw('at'), "balls[$n].at", 9.0, -1.0);
            $touches = $file->text('touches', '');
            $balls[] = new ConfirmedBall(
                BallId::fromName($file->text('ball', '')) ?? throw new InvalidInput("balls[$n].ball", 'Say which ball it is'),
                $size->pointAt($x, $y),
                $file->has('rail') ? $file->choice('rail', Rail::class) : null,
                '' === $touches ? null : BallId::fromName($touches) ?? throw new InvalidInput("balls[$n].touches", 'There is no such ball'),
            );
        }

        return $balls;
    }

    /**
     * @return array{float, float}
     *
     * @throws InvalidInput
     */
    private static function pair(mixed $value, string $path, float $most, float $least = 0.0): array
    {
        if (!\is_array($value) || !array_is_list($value) || 2 !== \count($value)) {
            throw new InvalidInput($path, 'must be two numbers');
        }

        return [Fields::finite($value[0], "{$path}[0]", $least, $most), Fields::finite($value[1], "{$path}[1]", $least, $most)];
    }
}
