<?php

// Measures how long the running application takes to answer a changed tip or speed: php ops/measure-redraw.php URL
// Fifty tries (nothing is stored) and fifty kept changes on the first rack of the list, alternating tip and speed.

declare(strict_types=1);

$base = rtrim($argv[1] ?? '', '/');
$post = static function (string $path, array $form) use ($base): array {
    $began = hrtime(true);
    $context = stream_context_create(['http' => [
        'method' => 'POST', 'ignore_errors' => true, 'content' => http_build_query($form),
        'header' => "Content-Type: application/x-www-form-urlencoded\r\nHX-Request: true\r\nSec-Fetch-Site: same-origin\r\nConnection: close",
    ]]);
    $body = (string) file_get_contents($base . $path, false, $context);
    $status = (int) substr($http_response_header[0] ?? '', 9, 3);
    if (200 !== $status) {
        exit("The application answered $status.\n$body\n");
    }

    return [(hrtime(true) - $began) / 1e6, $body];
};
preg_match('~href="(/racks/\d+)"~', (string) file_get_contents("$base/"), $found) || exit("There is no rack.\n");
$rack = $found[1];
preg_match_all('~<strong>(\d+) → ([a-z]+) ([a-z]+)</strong>~', (string) file_get_contents($base . $rack), $legs, \PREG_SET_ORDER) || exit("The rack has no legs.\n");
printf("%d legs planned, leg 1 changed\n", count($legs));
$form = ['op' => 'leg', 'number' => 1, 'chosen' => 1, 'ball' => $legs[0][1], 'pocket' => $legs[0][2] . '-' . $legs[0][3], 'offset' => 0, 'mps' => '', 'lengthsWere' => '', 'lengths' => 2, 'side' => 0, 'height' => 0, 'elevation' => 0];
foreach (['tries' => '/try', 'kept changes' => '/edit'] as $what => $path) {
    $times = [];
    for ($i = 0; $i < 50; ++$i) {
        $form[0 === $i % 2 ? 'height' : 'lengths'] = 0 === $i % 2 ? 0.3 * sin($i) : 1.5 + 0.02 * $i;
        $times[] = $post($rack . $path, $form)[0];
    }
    $first = $times[0];
    sort($times);
    printf("%-13s median %5.1f ms, slowest %5.1f ms, the first %5.1f ms\n", $what, $times[25], $times[49], $first);
}
