<?php

declare(strict_types=1);

namespace ZigLane\Tests\Architecture;

use PHPUnit\Framework\TestCase;

/**
 * Lines of the core and the application are at most 140 characters long, but for a line that is one piece of text.
 */
final class SizesTest extends TestCase
{
    private const LONGEST = 140;

    /** One string, perhaps returned or handed on; a migration's statement. */
    private const TEXT = '/^\s*(return |throw new \w+\()?[\'"].*[\'"][,;)]*$/';

    public function testLinesAreShort(): void
    {
        $long = [];
        foreach (['core', 'src'] as $folder) {
            $files = new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(\dirname(__DIR__, 2) . "/$folder", \FilesystemIterator::SKIP_DOTS));
            foreach ($files as $file) {
                self::assertInstanceOf(\SplFileInfo::class, $file);
                foreach (explode("\n", (string) file_get_contents($file->getPathname())) as $n => $line) {
                    if (mb_strlen($line) > self::LONGEST && 1 !== preg_match(self::TEXT, $line)) {
                        $long[] = \sprintf('%s line %d: %d', $file->getFilename(), $n + 1, mb_strlen($line));
                    }
                }
            }
        }
        self::assertSame([], $long);
    }
}
