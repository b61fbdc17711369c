<?php

declare(strict_types=1);

use Symfony\Component\HttpFoundation\Request;
use ZigLane\App\CoreJit;
use ZigLane\App\Kernel;

require dirname(__DIR__) . '/vendor/autoload.php';

CoreJit::restrict();

$kernel = Kernel::fromEnvironment();
$request = Request::createFromGlobals();
$response = $kernel->handle($request);
$response->send();
$kernel->terminate($request, $response);
