<?php

declare(strict_types=1);

namespace ZigLane\App;

use Composer\Autoload\ClassLoader;

/**
 * Lets the just-in-time compiler at the core alone.
 *
 * The core's loops need it; the rest gains nothing, and PHP 8.2's tracing compiler has been seen to miscompile Twig's
 * compiler ("Call to a member function on bool" in the middle of a sound method). What is loaded while the compiler is off
 * stays out of its reach for good, so it is on only while a class of the core is being loaded.
 */
final class CoreJit
{
    private const CORE = 'ZigLane\Core\\';

    /** The compiler's setting while the core is loaded; "off" when there is none. */
    private static string $mode = 'off';

    private function __construct() {}

    public static function mode(): string
    {
        return self::$mode;
    }

    /** To be called before any other class is loaded. Does nothing when PHP runs without the compiler. */
    public static function restrict(): void
    {
        $loaders = array_values(ClassLoader::getRegisteredLoaders());
        $wanted = (string) \ini_get('opcache.jit');
        if (!\function_exists('opcache_get_status') || \in_array(
            $wanted,
            ['', '0', 'off', 'disable', 'no', 'false'],
            true,
        ) || 0 === (int) \ini_get('opcache.jit_buffer_size')) {
            return;
        }
        self::$mode = $wanted;
        ini_set('opcache.jit', 'off');
        spl_autoload_register(static function (string $class) use ($loaders, $wanted): void {
            if (!str_starts_with($class, self::CORE)) {
                return;
            }
            ini_set('opcache.jit', $wanted);
            try {
                foreach ($loaders as $loader) {
                    $loader->loadClass($class);
                }
            } finally {
                // A class that needs another of the core's has ended this already; once more does no harm.
                ini_set('opcache.jit', 'off');
            }
        }, prepend: true);
    }
}
