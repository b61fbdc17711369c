<?php

declare(strict_types=1);

namespace ZigLane\Tests\Architecture;

use PHPUnit\Framework\TestCase;

/**
 * Lines of the core and the application are at most 140 characters long, but for a line that is one piece of text; every public method
 * of the core says what it is.
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

    public function testEveryPublicMethodOfTheCoreSaysWhatItIs(): void
    {
        $silent = [];
        $core = \dirname(__DIR__, 2) . '/core';
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($core, \FilesystemIterator::SKIP_DOTS)) as $file) {
            self::assertInstanceOf(\SplFileInfo::class, $file);
            $name = 'ZigLane\\Core\\' . strtr(substr($file->getPathname(), \strlen($core) + 1, -4), '/', '\\');
            self::assertTrue(class_exists($name) || interface_exists($name) || trait_exists($name), $name);
            $class = new \ReflectionClass($name);
            $above = array_filter([...$class->getInterfaces(), $class->getParentClass()]);
            foreach ($class->getMethods(\ReflectionMethod::IS_PUBLIC) as $method) {
                $own = $method->getDeclaringClass()->getName() === $name && $method->isUserDefined() && !$method->isConstructor();
                $inherits = [] !== array_filter($above, static fn(\ReflectionClass $c): bool => $c->hasMethod($method->getName()));
                if ($own && !$inherits && false === $method->getDocComment()) {
                    $silent[] = $class->getShortName() . '::' . $method->getName();
                }
            }
        }
        self::assertSame([], $silent);
    }
}
