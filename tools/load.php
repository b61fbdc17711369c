<?php

declare(strict_types=1);

// Clients at once against a running copy on this machine, for a stated time:
//   php tools/load.php ADDRESS CLIENTS SECONDS read PATH      how long a page takes
//   php tools/load.php ADDRESS CLIENTS SECONDS write          racks are made; every one that was acknowledged must be there in the end
// ZIG_LANE_PAUSE=0.1 lets every client wait so many seconds before it asks again.
// Prints JSON: answers by code, requests a second, quantiles in s, racks made and missing.

[$_, $address, $clients, $seconds, $mode] = $argv;
$path = $argv[5] ?? '/';
if (1 !== preg_match('#^http://(127\.0\.0\.1|localhost)(:\d+)?/?$#', $address)) {
    fwrite(STDERR, "Only copies on this machine are put under load.\n");
    exit(2);
}
$address = rtrim($address, '/');
$clients = min(200, (int) $clients);
$seconds = min(300.0, (float) $seconds);
$pause = (float) getenv('ZIG_LANE_PAUSE');

$all = curl_multi_init();
$times = $codes = $made = [];
$counter = 0;
$begin = static function (int $client) use ($all, $address, $mode, $path, &$counter): void {
    $handle = curl_init();
    assert('' !== $address);
    $options = [CURLOPT_RETURNTRANSFER => true, CURLOPT_TIMEOUT => 60, CURLOPT_HEADER => true, CURLOPT_PRIVATE => (string) $client];
    if ('write' === $mode) {
        $name = 'load ' . getmypid() . ' ' . ++$counter;
        $options += [CURLOPT_URL => "$address/racks", CURLOPT_POST => true, CURLOPT_POSTFIELDS => http_build_query(['game' => 'nine-ball', 'name' => $name])];
    } else {
        $options += [CURLOPT_URL => $address . $path];
    }
    curl_setopt_array($handle, $options);
    curl_multi_add_handle($all, $handle);
};

$start = microtime(true);
$later = [];
for ($i = 0; $i < $clients; ++$i) {
    $begin($i);
}
$open = $clients;
while ($open > 0 || [] !== $later) {
    curl_multi_exec($all, $running);
    if ($open > 0) {
        curl_multi_select($all, 0.02);
    } else {
        usleep(10_000);
    }
    while (false !== $done = curl_multi_info_read($all)) {
        $handle = $done['handle'];
        assert($handle instanceof CurlHandle);
        --$open;
        $code = (int) curl_getinfo($handle, CURLINFO_RESPONSE_CODE);
        $codes[$code] = ($codes[$code] ?? 0) + 1;
        $times[] = curl_getinfo($handle, CURLINFO_TOTAL_TIME);
        $client = curl_getinfo($handle, CURLINFO_PRIVATE);
        assert(is_string($client));
        $client = (int) $client;
        if ('write' === $mode && 303 === $code && 1 === preg_match('#^Location: .*/racks/(\d+)#mi', (string) curl_multi_getcontent($handle), $found)) {
            $made[] = (int) $found[1];
        }
        curl_multi_remove_handle($all, $handle);
        curl_close($handle);
        if (microtime(true) - $start < $seconds) {
            // One that was turned away comes again a little later.
            $later[] = [$client, microtime(true) + max($pause, in_array($code, [200, 303], true) ? 0.0 : 0.1)];
        }
    }
    foreach ($later as $key => [$client, $when]) {
        if (microtime(true) >= $when) {
            unset($later[$key]);
            $begin($client);
            ++$open;
        }
    }
}
$took = microtime(true) - $start;

// What was acknowledged must be there, once the application is back: after a full disk on a busy machine that takes a while.
$missing = [];
for ($tries = 0; $tries < 1200 && 'ready' !== @file_get_contents("$address/ready"); ++$tries) {
    usleep(100_000);
}
foreach (array_chunk($made, 16) as $some) {
    $handles = [];
    foreach ($some as $id) {
        $handles[$id] = curl_init("$address/racks/$id/rack.json");
        curl_setopt_array($handles[$id], [CURLOPT_RETURNTRANSFER => true, CURLOPT_TIMEOUT => 30]);
        curl_multi_add_handle($all, $handles[$id]);
    }
    do {
        curl_multi_exec($all, $running);
        curl_multi_select($all, 0.1);
    } while ($running > 0);
    foreach ($handles as $id => $handle) {
        if (!str_contains((string) curl_multi_getcontent($handle), '"load ' . getmypid())) {
            $missing[] = $id;
        }
        curl_multi_remove_handle($all, $handle);
    }
}
sort($times);
$quantile = static fn(float $share): float => round($times[(int) min(count($times) - 1, floor($share * count($times)))] ?? 0.0, 3);
ksort($codes);
echo json_encode([
    'clients' => $clients, 'seconds' => round($took, 1), 'answers' => count($times), 'codes' => (object) $codes, 'aSecond' => round(count($times) / $took, 1),
    'p50' => $quantile(0.5), 'p95' => $quantile(0.95), 'p99' => $quantile(0.99), 'made' => count($made), 'missing' => $missing,
], JSON_THROW_ON_ERROR), "\n";
exit([] === $missing ? 0 : 1);
