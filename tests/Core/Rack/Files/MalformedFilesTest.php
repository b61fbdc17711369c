<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Rack\Files;

use PHPUnit\Framework\TestCase;
use ZigLane\Tools\MalformedFiles;

/**
 * The short run of tools/malformed.php.
 */
final class MalformedFilesTest extends TestCase
{
    public function testEveryReaderTakesAFileOrRefusesItInWords(): void
    {
        $found = (new MalformedFiles(7))->run(400);
        self::assertSame([], $found['faults']);
        foreach (MalformedFiles::READERS as $reader) {
            self::assertGreaterThan(40, $found['taken'][$reader], "$reader: some of the files are good");
            self::assertGreaterThan(100, $found['refused'][$reader], "$reader: many are not");
        }
    }
}
