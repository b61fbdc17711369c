<?php

declare(strict_types=1);

namespace ZigLane\Core\Camera;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\TableSize;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Logbook\LogbookFields;
use ZigLane\Core\Rack\Files\Fields;

/**
 * A frame as a camera sends it: { "format": "zig-lane/frame", "version": 1, "at": "…Z", "balls": [ { "ball": "3" | "cue" | null,
 * "at": [x, y], "sure": 0.9 }, … ] }, places in diamonds.
 */
final class FrameFile
{
    private const FORMAT = 'zig-lane/frame';
    private const VERSION = 1;

    /** Balls in one frame at most: what sees more has gone wrong. */
    private const MOST = 40;

    private function __construct() {}

    /**
     * @param mixed $data decoded JSON, objects as \stdClass
     *
     * @throws InvalidInput
     */
    public static function read(mixed $data, TableSize $size): Frame
    {
        $file = new Fields($data, '');
        if (self::FORMAT !== $file->text('format') || self::VERSION !== $file->whole('version', 0, 0, 1_000_000)) {
            throw new InvalidInput('format', \sprintf('must be "%s", version %d', self::FORMAT, self::VERSION));
        }
        $rows = $file->raw('balls');
        if (!\is_array($rows) || !array_is_list($rows) || \count($rows) > self::MOST) {
            throw new InvalidInput('balls', \sprintf('must be a list of up to %d balls', self::MOST));
        }
        $detections = [];
        foreach ($rows as $n => $row) {
            $ball = new Fields($row, "balls[$n]");
            $name = null === $ball->raw('ball') ? null : $ball->text('ball');
            $number = null === $name ? null : BallId::fromName($name) ?? throw new InvalidInput($ball->path('ball'), 'is no ball');
            $place = LogbookFields::place($ball->raw('at'), $ball->path('at'), $size)
                ?? throw new InvalidInput($ball->path('at'), 'is missing');
            $detections[] = new Detection($number, $place, $ball->number('sure', 1.0, 0.0, 1.0));
        }

        return new Frame(LogbookFields::readTime($file, 'at'), $detections);
    }

    /**
     * @return array<string, mixed> ready for json_encode
     */
    public static function write(Frame $frame, TableSize $size): array
    {
        return [
            'format' => self::FORMAT,
            'version' => self::VERSION,
            'at' => LogbookFields::time($frame->at),
            'balls' => array_map(static fn(Detection $d): array => [
                'ball' => null === $d->ball ? null : BallId::name($d->ball),
                'at' => LogbookFields::diamonds($d->at, $size, 4),
                'sure' => round($d->sure, 3),
            ], $frame->detections),
        ];
    }
}
