<?php

declare(strict_types=1);

namespace ZigLane\Core\Logbook;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Rack\Files\Fields;
use ZigLane\Core\Rack\Files\JsonText;
use ZigLane\Core\Rack\Files\RackFile;
use ZigLane\Core\Rack\Files\ShotSpecFile;
use ZigLane\Core\Rack\Rack;

/**
 * Attempts as text: one JSON object a line, places in diamonds.
 */
final class AttemptFile
{
    /** Longest line, bytes. */
    private const LONGEST = 2 * RackFile::LARGEST_TEXT;

    private function __construct() {}

    /** One line, without its end. */
    public static function line(Attempt $attempt): string
    {
        $size = $attempt->rack->table->size;
        $moved = new \stdClass();
        foreach ($attempt->result->moved as $ball => $place) {
            $moved->{BallId::name($ball)} = LogbookFields::diamonds($place, $size);
        }

        $chalk = $attempt->result->chalk;
        $result = [
            'made' => $attempt->result->made,
            'cue' => LogbookFields::diamonds($attempt->result->cue, $size),
            'moved' => $moved,
            'missed' => $attempt->result->missed?->value,
        ] + (null === $chalk ? [] : ['chalk' => ['side' => $chalk->side, 'height' => $chalk->height]]) + $attempt->result->unknown;

        $line = array_filter([
            'key' => $attempt->key,
            'at' => LogbookFields::time($attempt->at),
            'session' => null === $attempt->session ? null : SessionFields::write($attempt->session),
            'run' => $attempt->run,
            'rack' => RackFile::write($attempt->rack),
            'meant' => ShotSpecFile::write($attempt->meant),
            'said' => $attempt->said,
            'plan' => null === $attempt->forecast ? null : (object) ForecastFields::write($attempt->forecast, $size),
            'result' => $result,
        ], static fn(mixed $value): bool => null !== $value);

        return json_encode(
            $line + $attempt->unknown,
            \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES | \JSON_PRESERVE_ZERO_FRACTION,
        );
    }

    /**
     * @return \Generator<int, Attempt> by number of the line, from 1; empty lines are passed over
     *
     * @throws InvalidInput that names the line and the path of the fault
     */
    public static function read(string $text): \Generator
    {
        foreach (explode("\n", $text) as $n => $line) {
            if ('' === trim($line)) {
                continue;
            }
            try {
                yield $n + 1 => self::of(JsonText::decode(rtrim($line, "\r"), self::LONGEST));
            } catch (InvalidInput $e) {
                throw new InvalidInput('line ' . ($n + 1), '' === $e->path ? $e->problem : "$e->path: $e->problem");
            }
        }
    }

    /**
     * An attempt from a decoded line.
     *
     * @param mixed $data objects as \stdClass
     *
     * @throws InvalidInput
     */
    public static function of(mixed $data): Attempt
    {
        $file = new Fields($data, '');
        $time = LogbookFields::readTime($file, 'at');
        try {
            $rack = RackFile::read($file->raw('rack') ?? throw new InvalidInput('', 'is missing'))->withLegs([]);
        } catch (InvalidInput $e) {
            throw $e->under('rack');
        }
        $meant = ShotSpecFile::read($file->raw('meant') ?? throw new InvalidInput('meant', 'is missing'), 'meant');
        if (null !== $meant->ball && !$rack->layout->has($meant->ball)) {
            throw new InvalidInput('meant.ball', \sprintf('the %d is not on the table', $meant->ball));
        }
        $size = $rack->table->size;
        $result = $file->object('result');
        $outcome = self::result($result, $rack);

        return new Attempt(
            $time,
            $rack,
            $meant,
            $outcome,
            // One that says nothing was once written as a list.
            forecast: \in_array($file->raw('plan'), [null, []], true) ? null : ForecastFields::read($file->object('plan'), $size),
            said: null === $file->raw('said') ? null : $file->number('said', null, 0.0, 1.0),
            key: null === $file->raw('key') ? null : LogbookFields::key($file),
            run: null === $file->raw('run') ? null : LogbookFields::key($file, 'run'),
            session: null === $file->raw('session') ? null : SessionFields::read($file->object('session')),
            unknown: $file->unknown(),
        );
    }

    /** @throws InvalidInput */
    private static function result(Fields $result, Rack $rack): AttemptResult
    {
        $size = $rack->table->size;
        $balls = $result->object('moved');
        $moved = [];
        foreach ($balls->keys() as $name) {
            $ball = BallId::fromName($name);
            if (null === $ball || BallId::CUE === $ball || !$rack->layout->has($ball)) {
                throw new InvalidInput($balls->path($name), 'is no object ball on the table');
            }
            $moved[$ball] = LogbookFields::place($balls->raw($name), $balls->path($name), $size);
        }
        if (!$result->has('made')) {
            throw new InvalidInput('result.made', 'is missing');
        }

        $chalk = null;
        if (null !== $result->raw('chalk')) {
            $tip = $result->object('chalk');
            $chalk = new Tip($tip->number('side', null, -1.0, 1.0, 'ball radii'), $tip->number('height', null, -1.0, 1.0, 'ball radii'));
        }

        return new AttemptResult(
            $result->flag('made', false),
            LogbookFields::place($result->raw('cue'), 'result.cue', $size),
            $moved,
            null === $result->raw('missed') ? null : $result->choice('missed', Miss::class),
            $result->unknown(),
            $chalk,
        );
    }
}
