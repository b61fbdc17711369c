<?php

declare(strict_types=1);

namespace ZigLane\App;

use Symfony\Bundle\FrameworkBundle\Kernel\MicroKernelTrait;
use Symfony\Component\Dotenv\Dotenv;
use Symfony\Component\HttpKernel\Kernel as BaseKernel;

final class Kernel extends BaseKernel
{
    use MicroKernelTrait;

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
        return \dirname(__DIR__) . '/var/' . self::instance() . '/log';
    }

    /** Each running copy keeps its files in a folder of its own: "live", or "test" for the tests. */
    private static function instance(): string
    {
        return basename(getenv('ZIG_LANE_INSTANCE') ?: 'live');
    }
}
