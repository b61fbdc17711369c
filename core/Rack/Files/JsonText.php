<?php

declare(strict_types=1);

namespace ZigLane\Core\Rack\Files;

use ZigLane\Core\InvalidInput;

/**
 * Decodes JSON text; where it is not JSON, says at which line and column. Also refuses a key given twice in one object,
 * which decoders pass over silently: two places for one ball would lose one of them.
 */
final class JsonText
{
    private const DEEPEST = 32;

    /** Pattern of a string in its quotes. */
    private const TEXT = '"(?:[^"\\\\\x00-\x1f]|\\\\(?:["\\\\\/bfnrt]|u[0-9a-fA-F]{4}))*+"';

    private int $at = 0;

    private function __construct(private readonly string $text) {}

    /**
     * @param int $largest bytes
     *
     * @return mixed objects as \stdClass
     *
     * @throws InvalidInput
     */
    public static function decode(string $text, int $largest = RackFile::LARGEST_TEXT): mixed
    {
        if (\strlen($text) > $largest) {
            throw new InvalidInput('', \sprintf('the file has %d bytes (limit %d)', \strlen($text), $largest));
        }
        if (!mb_check_encoding($text, 'UTF-8')) {
            throw new InvalidInput('', 'the file is not UTF-8 text');
        }
        if (str_starts_with($text, "\u{FEFF}")) {
            $text = substr($text, 3);
        }
        $scan = new self($text);
        $scan->value('', 0);
        $scan->space();
        if ($scan->at < \strlen($text)) {
            throw $scan->fault('text after the end of the document');
        }
        try {
            return json_decode($text, false, self::DEEPEST + 2, \JSON_THROW_ON_ERROR);
        } catch (\JsonException $e) {
            throw new InvalidInput('', 'not valid JSON: ' . $e->getMessage());
        }
    }

    private function value(string $path, int $depth): void
    {
        if ($depth > self::DEEPEST) {
            throw $this->fault(\sprintf('nested deeper than %d', self::DEEPEST));
        }
        $this->space();
        $next = $this->text[$this->at] ?? '';
        if ('{' === $next) {
            $this->collection($path, $depth, '}', true);
        } elseif ('[' === $next) {
            $this->collection($path, $depth, ']', false);
        } else {
            $found = $this->match('/' . self::TEXT . '|-?(?:0|[1-9]\d*)(?:\.\d+)?(?:[eE][-+]?\d+)?|true|false|null/A')
                ?? throw $this->fault('a value was expected');
            if (is_numeric($found) && !is_finite((float) $found)) {
                throw new InvalidInput(
                    $path,
                    \sprintf('%s is too large a number, at %s', mb_strimwidth($found, 0, 20, '…'), $this->place()),
                );
            }
        }
    }

    private function collection(string $path, int $depth, string $close, bool $keyed): void
    {
        ++$this->at;
        $this->space();
        if ($close === ($this->text[$this->at] ?? '')) {
            ++$this->at;

            return;
        }
        $seen = [];
        for ($index = 0; ; ++$index) {
            $inner = $path . "[$index]";
            if ($keyed) {
                $this->space();
                $key = $this->match('/' . self::TEXT . '/A');
                if (null === $key) {
                    throw $this->fault('a key in double quotes was expected');
                }
                $name = json_decode($key);
                $name = \is_string($name) ? $name : $key;
                $inner = ltrim($path . '.' . $name, '.');
                if (isset($seen[$name])) {
                    throw new InvalidInput($inner, 'is given twice, again at ' . $this->place());
                }
                $seen[$name] = true;
                $this->space();
                if (':' !== ($this->text[$this->at] ?? '')) {
                    throw $this->fault('":" was expected');
                }
                ++$this->at;
            }
            $this->value($inner, $depth + 1);
            $this->space();
            $next = $this->text[$this->at] ?? '';
            if ($next === $close) {
                ++$this->at;

                return;
            }
            if (',' !== $next) {
                throw $this->fault("\",\" or \"$close\" was expected");
            }
            ++$this->at;
        }
    }

    private function match(string $pattern): ?string
    {
        if (1 !== preg_match($pattern, $this->text, $found, 0, $this->at)) {
            return null;
        }
        $this->at += \strlen($found[0]);

        return $found[0];
    }

    private function space(): void
    {
        $this->at += strspn($this->text, " \t\r\n", $this->at);
    }

    private function place(): string
    {
        $before = substr($this->text, 0, $this->at);
        $line = substr_count($before, "\n") + 1;
        $start = strrpos($before, "\n");

        return \sprintf('line %d, column %d', $line, mb_strlen(substr($before, false === $start ? 0 : $start + 1)) + 1);
    }

    private function fault(string $problem): InvalidInput
    {
        $found = mb_substr(substr($this->text, $this->at, 40), 0, 8);

        return new InvalidInput('', \sprintf(
            'not valid JSON at %s: %s%s',
            $this->place(),
            $problem,
            '' === $found ? ', but the file ends here' : \sprintf(', but found "%s"', $found),
        ));
    }
}
