<?php

declare(strict_types=1);

// Files that are nearly right for every file reader: php tools/malformed.php FILES SEED (FILES for each reader). Prints JSON; fails
// on anything but taken or refused in words.

use ZigLane\Tools\MalformedFiles;

require dirname(__DIR__) . '/vendor/autoload.php';

$files = max(1, (int) ($argv[1] ?? 2500));
$seed = (int) ($argv[2] ?? 1);
$found = (new MalformedFiles($seed))->run($files);
echo json_encode(['files' => $files * count(MalformedFiles::READERS), 'seed' => $seed, 'slowest' => round($found['slowest'], 3)] + $found, JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE), "\n";
exit([] === $found['faults'] ? 0 : 1);
