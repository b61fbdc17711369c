<?php

declare(strict_types=1);

use Symfony\Bundle\FrameworkBundle\Console\Application;
use ZigLane\App\Kernel;

require dirname(__DIR__) . '/vendor/autoload.php';

return new Application(Kernel::fromEnvironment());
