<?php

declare(strict_types=1);

namespace ZigLane\App;

use Symfony\Bundle\FrameworkBundle\Kernel\MicroKernelTrait;
use Symfony\Component\Dotenv\Dotenv;
use Symfony\Component\HttpKernel\Kernel as BaseKernel;

final class Kernel extends BaseKernel
{
    use MicroKernelTrait;

    /** The kernel for this process: settings from the environment, then from var/env, then from .env. */
    public static function fromEnvironment(): self
    {
        $root = \dirname(__DIR__);
        $instance = getenv("ZIG_LANE_INSTANCE") ?: "live";
        $dotenv = new Dotenv();
        foreach (["$root/var/$instance/env", "$root/.env"] as $file) {
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
}
