<?php

declare(strict_types=1);

namespace ZigLane\Tests\App;

use Symfony\Component\Process\Process;

/**
 * A lane command as it is typed: a process of its own, with no database to talk to.
 */
final class LaneProcess
{
    private const NO_DATABASE = [
        'APP_ENV' => 'prod', 'ZIG_LANE_INSTANCE' => 'none', 'DATABASE_URL' => 'mysql://nobody@127.0.0.1:1/none?serverVersion=10.11.0-MariaDB', 'SYMFONY_DOTENV_VARS' => '',
    ];

    /** As the workers have it: plans are quicker so. */
    private const QUICK = ['-d', 'opcache.enable_cli=1', '-d', 'opcache.jit_buffer_size=64M', '-d', 'opcache.jit=tracing'];

    private const LONGEST = 120;

    private function __construct() {}

    /** Runs it to its end. */
    public static function run(string $input, string ...$words): Process
    {
        $process = new Process([\PHP_BINARY, ...self::QUICK, 'bin/console', ...$words], \dirname(__DIR__, 2), self::NO_DATABASE, $input, self::LONGEST);
        $process->run();

        return $process;
    }
}
