<?php

declare(strict_types=1);

namespace ZigLane\App;

use Symfony\Bundle\FrameworkBundle\Kernel\MicroKernelTrait;
use Symfony\Component\Dotenv\Dotenv;
use Symfony\Component\HttpKernel\Kernel as BaseKernel;

final class Kernel extends BaseKernel
{
    use MicroKernelTrait;

    /** Decided once: making the log's folder makes the instance's. */
    private ?string $cache = null;

    /** The kernel for this process: settings from the environment, else from var/NAME/env, else from .env. */
    public static function fromEnvironment(): self
    {
        $root = \dirname(__DIR__);
        $dotenv = new Dotenv();
        foreach (["$root/.env", "$root/var/" . self::instance() . "/env"] as $file) {
            if (is_file($file)) {
                $dotenv->load($file);
            }
        }
        $environment = \is_string($_SERVER['APP_ENV'] ?? null) ? $_SERVER['APP_ENV'] : 'prod';

        return new self($environment, 'dev' === $environment);
    }

    public function getProjectDir(): string
    {
        return \dirname(__DIR__);
    }

    public function getLogDir(): string
    {
        return self::home() . '/log';
    }

    /**
     * What is compiled is kept by environment, by what it was made from, and by who runs: root's console and the account of the
     * running copy do not write each other's files, and a new build does not disturb the one that still runs.
     */
    public function getCacheDir(): string
    {
        if (null !== $this->cache) {
            return $this->cache;
        }
        $build = $_SERVER['ZIG_LANE_BUILD'] ?? null;
        $build = \is_string($build) ? basename($build) : 'none';
        $folder = is_writable(self::home())
            ? self::home() . '/cache'
            : (getenv('XDG_CACHE_HOME') ?: (getenv('HOME') ?: \dirname(__DIR__) . '/var') . '/.cache') . '/zig-lane';

        return $this->cache = \sprintf('%s/%s-u%d', $folder, $build, posix_geteuid());
    }

    private static function home(): string
    {
        return \dirname(__DIR__) . '/var/' . self::instance();
    }

    /** Each running copy keeps its files in a folder of its own: "live", or "test" for the tests. */
    private static function instance(): string
    {
        return basename(getenv('ZIG_LANE_INSTANCE') ?: 'live');
    }
}
