<?php

declare(strict_types=1);

use Symfony\Component\Dotenv\Dotenv;
use ZigLane\App\CoreJit;

require dirname(__DIR__) . '/vendor/autoload.php';

CoreJit::restrict();

// The instance that the test command started; core tests need none.
$settings = dirname(__DIR__) . '/var/test/env';
putenv('ZIG_LANE_INSTANCE=test');
if (is_file($settings)) {
    (new Dotenv())->load($settings);
}
