<?php

declare(strict_types=1);

namespace ZigLane\Tests\Architecture;

use PHPUnit\Framework\TestCase;

/**
 * composer.json requires just what our own code uses, in exact versions. What those packages need in turn is pinned in ops/pinned.
 */
final class PackagesTest extends TestCase
{
    /** Used without a class of theirs being named in our code. */
    private const BY_CONFIGURATION = [
        'symfony/asset' => 'asset() in the templates',
        'symfony/doctrine-messenger' => 'config/packages/messenger.yaml',
        'symfony/yaml' => 'config',
        'zig-lane/pinned-run' => 'ops/pinned',
        'laravel/pint' => 'ops/test.sh',
        'phpstan/phpstan' => 'ops/test.sh',
        'phpstan/phpstan-phpunit' => 'phpstan.neon.dist',
        'phpstan/phpstan-symfony' => 'phpstan.neon.dist',
        'symfony/css-selector' => 'filter() of the crawler',
        'symfony/dom-crawler' => 'the crawler that the test browser gives back',
        'zig-lane/pinned-test' => 'ops/pinned',
    ];

    private static function root(): string
    {
        return \dirname(__DIR__, 2);
    }

    /**
     * @return array<string, mixed>
     */
    private static function json(string $file): array
    {
        $data = json_decode((string) file_get_contents(self::root() . "/$file"), true, 64, \JSON_THROW_ON_ERROR);
        self::assertIsArray($data);

        /** @var array<string, mixed> */
        return $data;
    }

    /**
     * @param list<string> $paths
     *
     * @return list<string> packages whose classes are named in the files, sorted
     */
    private static function used(array $paths): array
    {
        $prefixes = [];
        /** @var list<array{name: string, autoload?: array{psr-4?: array<string, mixed>}}> $installed */
        $installed = self::json('vendor/composer/installed.json')['packages'];
        foreach ($installed as $package) {
            foreach (array_keys($package['autoload']['psr-4'] ?? []) as $prefix) {
                $prefixes[$prefix] = $package['name'];
            }
        }
        // PHPUnit's classes are listed, not found by their names.
        $prefixes['PHPUnit\\Framework\\'] = 'phpunit/phpunit';
        krsort($prefixes);
        $used = [];
        foreach ($paths as $path) {
            $files = is_dir(self::root() . "/$path") ? new \RegexIterator(new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(self::root() . "/$path")), '/\.php$/') : [self::root() . "/$path"];
            foreach ($files as $file) {
                self::assertTrue(\is_string($file) || $file instanceof \SplFileInfo);
                preg_match_all('/^use ([\w\\\\]+)|\b([A-Z]\w+(?:\\\\\w+)+)::class/m', (string) file_get_contents((string) $file), $found);
                foreach (array_filter([...$found[1], ...$found[2]]) as $class) {
                    foreach ($prefixes as $prefix => $package) {
                        if (str_starts_with($class, $prefix)) {
                            $used[$package] = true;
                            break;
                        }
                    }
                }
            }
        }
        unset($used['zig-lane/zig-lane']);
        ksort($used);

        return array_keys($used);
    }

    public function testWhatIsUsedIsRequiredAndNothingElse(): void
    {
        $composer = self::json('composer.json');
        $packages = static function (string $key) use ($composer): array {
            self::assertIsArray($composer[$key]);

            return array_values(array_filter(array_keys($composer[$key]), static fn(int|string $name): bool => str_contains((string) $name, '/')));
        };
        $run = self::used(['core', 'src', 'tools', 'config/bundles.php', 'public/index.php', 'bin/console']);
        $test = array_values(array_diff(self::used(['tests']), $run));
        foreach (['require' => $run, 'require-dev' => $test] as $key => $used) {
            self::assertSame([], array_values(array_diff($used, $packages($key))), "used, but not in $key");
            self::assertSame([], array_values(array_diff($packages($key), $used, array_keys(self::BY_CONFIGURATION))), "in $key, but not used");
        }
    }

    public function testVersionsAreExactAndPinnedOnce(): void
    {
        $seen = [];
        foreach (['composer.json', 'ops/pinned/run/composer.json', 'ops/pinned/test/composer.json'] as $file) {
            $data = self::json($file);
            foreach (['require', 'require-dev'] as $key) {
                $list = $data[$key] ?? [];
                self::assertIsArray($list);
                foreach ($list as $name => $version) {
                    if (str_contains((string) $name, '/')) {
                        self::assertIsString($version);
                        self::assertMatchesRegularExpression('/^v?\d+\.\d+\.\d+(\.\d+)?$/', $version, "$name in $file");
                        self::assertArrayNotHasKey($name, $seen, "$name is in {$file} and in another");
                        $seen[$name] = $version;
                    }
                }
            }
        }
        /** @var list<array{name: string, version: string}> $installed */
        $installed = self::json('vendor/composer/installed.json')['packages'];
        foreach ($installed as $package) {
            self::assertSame($seen[$package['name']] ?? 'not pinned', $package['version'], $package['name']);
        }
    }
}
