<?php

declare(strict_types=1);

namespace ZigLane\App\Command;

use ZigLane\Core\InvalidInput;
use ZigLane\Core\Rack\Files\JsonText;

/**
 * The JSON file that a command is given; - is standard input.
 */
final class JsonFile
{
    private function __construct() {}

    /**
     * @param int<0, max> $largest bytes
     *
     * @return mixed objects as \stdClass
     *
     * @throws InvalidInput when it cannot be read
     */
    public static function read(string $file, int $largest): mixed
    {
        return JsonText::decode(self::text($file, $largest), $largest);
    }

    /**
     * The text of a file; one byte more than allowed is enough to see that it is too large.
     *
     * @param int<0, max> $largest bytes
     *
     * @throws InvalidInput when it cannot be read
     */
    public static function text(string $file, int $largest): string
    {
        if ('-' !== $file && (!is_file($file) || !is_readable($file))) {
            throw new InvalidInput('', "$file: there is no such file, or it cannot be read");
        }
        $text = file_get_contents('-' === $file ? 'php://stdin' : $file, length: $largest + 1);
        if (false === $text) {
            throw new InvalidInput('', "$file: cannot be read");
        }
        if (\strlen($text) > $largest) {
            throw new InvalidInput('', \sprintf('the file has %d bytes (limit %d)', \strlen($text), $largest));
        }

        return $text;
    }
}
