<?php

declare(strict_types=1);

// Bad requests at every route of a running copy on this machine:
//   php tools/fuzz.php ADDRESS REQUESTS SEED
// The routes come from the router, the names of fields from the controllers and templates, so that what is new is met without being
// named here. The same seed sends the same requests. Fails on an answer of 500 and above, one that takes over 2 s, and on anything
// stored that cannot be read. An address with https is one that is served to the local network: there every request comes signed out, and it
// fails on anything that answers at all.

use ZigLane\Core\Numerics\Generator;

require dirname(__DIR__) . '/vendor/autoload.php';

const SLOW = 2.0; // s

[$_, $address, $requests, $seed] = $argv;
if (1 !== preg_match('#^https?://127\.0\.0\.1:\d+/?$#', $address)) {
    fwrite(STDERR, "Only copies on this machine are fuzzed.\n");
    exit(2);
}
$address = rtrim($address, '/');
$random = new Generator((int) $seed);
$signedOut = str_starts_with($address, 'https');

/**
 * @template T
 *
 * @param non-empty-list<T> $of
 *
 * @return T
 */
function one(Generator $random, array $of): mixed
{
    return $of[$random->integer(0, count($of) - 1)];
}

$chance = static fn(float $share): bool => $random->between(0.0, 1.0) < $share;

/** @var array<string, array{path: string, method: string, requirements: array<string, string>}> $routes */
$routes = json_decode((string) shell_exec(escapeshellarg(PHP_BINARY) . ' ' . escapeshellarg(dirname(__DIR__) . '/bin/console') . ' debug:router --format=json 2>/dev/null'), true, 64, JSON_THROW_ON_ERROR);
$routes = array_values(array_filter($routes, static fn(array $r): bool => !str_starts_with($r['path'], '/_')));

// Names of fields as the program knows them; those of its pages come in below.
$names = [];
foreach ([...(glob(dirname(__DIR__) . '/src/{Controller,Rack,Profile,Reading,Logbook,SignIn,AtTable,Share,Camera}/*.php', GLOB_BRACE) ?: []), ...(glob(dirname(__DIR__) . '/templates/*.twig') ?: [])] as $file) {
    preg_match_all('/(?:get(?:Int|String|Boolean)?|has|all|number)\((?:\$form, )?\'([a-zA-Z-]+)\'|name="([a-zA-Z-]+)"|MapQueryParameter\]\s+\??\w+ \$(\w+)/', (string) file_get_contents($file), $found);
    array_push($names, ...array_filter([...$found[1], ...$found[2], ...$found[3]]));
}
array_push($names, 'rail1', 'rail2', 'rail3');
preg_match_all("/^ +'([a-z-]+)'(?:, '([a-z-]+)')* =>/m", (string) file_get_contents(dirname(__DIR__) . '/src/Rack/RackEditor.php'), $found);
$ops = ['place', 'type', 'nudge', 'freeze', 'remove', 'hand', 'table', 'equip', 'rename', 'add-leg', 'leg', 'remove-leg', 'against', 'push-out', 'jumps', 'called', 'fouls', ...$found[1]];
$pockets = ['head-left', 'head-right', 'side-left', 'side-right', 'foot-left', 'foot-right'];
$games = ['nine-ball', 'ten-ball', 'eight-ball', 'straight-pool'];

// Values that have broken programs before.
$nasty = [
    '', ' ', '0', '-1', '1', '9', '15', '16', '1e308', '1.7976931348623157e308', '-1e400', '1e-320', 'NaN', 'INF', '0x1F', '007', '9999999999999999999', '2147483648', '-2147483649',
    '1,5', '½', '٣', "\u{FF11}", 'null', 'true', '[]', '{}', "\0", "a\0b", "line\nbreak", "\r\nX-Injected: 1", '<script>alert(1)</script>', '"><img src=x onerror=alert(1)>', "' OR 1=1 -- ", '${7*7}', '{{7*7}}',
    '../../etc/passwd', '%2e%2e%2f', "\u{202E}dlrow", "\u{1F3B1}", str_repeat('😀', 60), str_repeat('x', 5000), "\xff\xfe", "\u{FEFF}", '1 2', '4.0001, -0.02', '8.07, 4.07', '4, -0.05', '-0.08 -0.08', 'cue', 'x,y', '5@foot-left', 'table', '1;DROP TABLE rack',
];
$value = static function (string $name) use ($chance, $random, $nasty, $ops, $pockets, $games): string|array {
    if ($chance(0.03)) {
        return [one($random, $nasty), $name => one($random, $nasty)];
    }
    if ($chance(0.45)) {
        return one($random, $nasty);
    }

    return match ($name) {
        'op' => one($random, $ops),
        'line' => implode(' ', array_map(static fn(): string => one($random, ['cue', '1', '7', '12', 'frozen', 'foot', 'left', 'spot', 'off', '2.5', '½', '4 1/2', '1/0', ',', 'the', '🎱']), range(1, $random->integer(1, 12)))),
        'fouls' => one($random, ['0,2', '2,1', '3,3', '1', '-1,0']),
        'ball', 'first' => one($random, ['cue', (string) $random->integer(1, 15), (string) $random->integer(1, 15)]),
        'pocket' => one($random, $pockets),
        'game' => one($random, $games),
        'size' => one($random, ['7ft', '8ft', '9ft']),
        'rail', 'rail1', 'rail2', 'rail3' => one($random, ['head', 'foot', 'left', 'right']),
        'kind' => one($random, ['table', 'cue', 'player', 'pot', 'bank', 'kick', 'combination', 'carom']),
        'level', 'profile' => one($random, ['league', 'professional', (string) $random->integer(0, 9)]),
        'read' => one($random, ['table', (string) $random->integer(1, 9), '3@foot-left']),
        'at' => sprintf('%.3f, %.3f', $random->between(-0.2, 8.2), $random->between(-0.2, 4.2)),
        'x' => sprintf('%.3f', $random->between(-0.2, 8.2)),
        'y' => sprintf('%.3f', $random->between(-0.2, 4.2)),
        'corner', 'side' => sprintf('%.2f', $random->between(3.5, 6.0)),
        'outcome' => one($random, ['made', 'missed', 'in', 'out', 'scratched']),
        'by' => one($random, ['cut', 'distance', 'speed', 'rails', 'spin', 'pocket', 'kind']),
        'spin' => one($random, ['draw', 'follow with side']),
        'from', 'to' => sprintf('2026-%02d-%02d', $random->integer(0, 13), $random->integer(0, 32)),
        'cue' => sprintf('%.2f, %.2f', $random->between(-0.3, 8.3), $random->between(-0.3, 4.3)),
        'name' => 'fuzz ' . $random->integer(1, 99),
        'number', 'leg', 'chosen', 'plan', 'page' => (string) $random->integer(0, 12),
        default => sprintf('%.2f', $random->between(-1.0, 3.0)),
    };
};
/** A text with something wrong in it, more often than not. */
$broken = static function (string $text) use ($chance, $random, $nasty): string {
    while ($chance(0.4)) {
        $at = $random->integer(0, max(0, strlen($text) - 1));
        $text = substr($text, 0, $at) . one($random, [...$nasty, '{', '}', '[', ']', ',', '"', ':', '1e400', '\\ud800']) . substr($text, $at + $random->integer(0, 4));
    }

    return $text;
};
$rackFile = static function () use ($chance, $random, $broken, $games): string {
    $balls = ['cue' => [$random->between(0.1, 7.9), $random->between(0.1, 3.9)]];
    for ($n = $random->integer(0, 9); $n > 0; --$n) {
        $balls[(string) $random->integer(1, 9)] = [$random->between(-0.1, 8.1), $random->between(-0.1, 4.1)];
    }
    $document = ['format' => 'zig-lane/rack', 'version' => 1, 'name' => 'fuzz file', 'game' => one($random, $games), 'balls' => $balls];
    if ($chance(0.5)) {
        $document['legs'] = [['ball' => '1', 'pocket' => 'foot-left', 'speed' => ['lengths' => $random->between(0.1, 9.0)], 'tip' => ['side' => $random->between(-0.6, 0.6)]]];
        $document['legs'][0] += one($random, [[], [], ['kind' => 'bank', 'rails' => ['left']], ['kind' => 'kick', 'rails' => ['foot', 'right', 'head']], ['kind' => 'carom', 'first' => '2'], ['kind' => 'combination', 'first' => 3], ['rails' => 7]]);
    }
    if ($chance(0.4)) {
        $document[one($random, ['player', 'table', 'cue', 'legs', 'balls', 'group', 'name', 'foo', 'ballInHand', 'fouls', 'ballInHand'])] = one($random, ['kitchen', ['player' => 2], ['opponent' => 1.5], [], new stdClass(), 7, one($random, ['x', 'y']), null, true, ['level' => 'pro'], ['size' => '9ft', 'cloth' => ['roll' => 99]]]);
    }
    return $broken(json_encode($document, JSON_THROW_ON_ERROR));
};
/** A shot as a device sends it or a file has it, more or less. */
$attempt = static function (bool $whole) use ($chance, $random, $nasty): array {
    $number = static fn(float $from, float $to): float => round($random->between($from, $to), 3);
    $attempt = [
        'key' => 'fuzz-' . $random->integer(1, 400), 'at' => sprintf('2026-11-%02dT19:%02d:00Z', $random->integer(1, 30), $random->integer(0, 59)),
        'session' => ['key' => 'fuzz-session-' . $random->integer(1, 5), 'at' => '2026-11-25T19:00:00Z', 'kind' => 'practice', 'player' => one($random, ['', 'Fuzz', '<b>']), 'notes' => one($random, ['', "a\nb", '=1+1'])],
        'run' => 'fuzz-run-' . $random->integer(1, 9),
        'rack' => ['format' => 'zig-lane/rack', 'version' => 1, 'game' => one($random, ['nine-ball', 'eight-ball', 'straight-pool']), 'balls' => ['cue' => [2, 2], '1' => [5.5, 1.25], '9' => [6, 3.1]]],
        'meant' => one($random, [['ball' => '1', 'pocket' => 'foot-left', 'speed' => ['lengths' => $number(0.3, 5)]], ['aimDeg' => $number(-180, 180), 'kind' => 'safety', 'speed' => ['mps' => $number(0.2, 5)]], ['ball' => '1', 'pocket' => 'side-right', 'kind' => 'bank', 'rails' => ['left'], 'speed' => ['lengths' => 2], 'tip' => ['side' => $number(-0.5, 0.5)]]]),
        'plan' => ['pot' => $number(0, 1), 'position' => $number(0, 1), 'runOut' => $number(0, 1), 'rest' => [$number(0, 8), $number(0, 4)], 'headingDeg' => $number(-360, 360), 'rails' => $random->integer(0, 5), 'zone' => [[[1, 1], [3, 1], [3, 3]]]],
        'result' => ['made' => $chance(0.5), 'cue' => one($random, [null, [$number(-0.1, 8.1), $number(-0.1, 4.1)]]), 'moved' => one($random, [['1' => null], ['1' => [$number(0, 8), $number(0, 4)]], new stdClass()]), 'missed' => one($random, [null, 'thin', 'rattled'])],
    ];
    if (!$whole) {
        $key = one($random, ['at', 'session', 'rack', 'meant', 'plan', 'result', 'said', 'run', 'key']);
        $attempt[$key] = one($random, [null, [], 7, 'x', new stdClass(), ['made' => true], ['key' => 'short'], '2026-02-30T00:00:00Z', mb_scrub(one($random, $nasty))]);
    }

    return $attempt;
};
/** What a device posts, or a file of attempts. */
$attempts = static function (string $path) use ($attempt, $broken, $chance, $random): string {
    $whole = $chance(0.6);
    $text = match (true) {
        str_contains($path, 'entries') => json_encode(['entries' => array_map(static fn(): array => ['key' => 'fuzz-entry-' . $random->integer(1, 400), 'edition' => $random->integer(0, 4), 'attempt' => $chance(0.9) ? $attempt($whole) : null], range(1, $random->integer(1, 4)))], JSON_THROW_ON_ERROR),
        str_contains($path, 'import') => implode("\n", array_map(static fn(): string => json_encode($attempt($whole), JSON_THROW_ON_ERROR), range(1, $random->integer(1, 6)))),
        default => json_encode($attempt($whole), JSON_THROW_ON_ERROR),
    };

    return $chance(0.7) ? $text : $broken($text);
};

$handle = curl_init();
/**
 * @param string|array<string, CURLStringFile>|null $body
 * @param list<string> $headers
 *
 * @return array{int, float, string, string} code, seconds, body, Location
 */
$send = static function (string $method, string $path, string|array|null $body, array $headers) use ($address, $handle): array {
    assert('' !== $method && '' !== $address);
    curl_reset($handle);
    /** @var list<string> $headers */
    curl_setopt_array($handle, [CURLOPT_SSL_VERIFYPEER => false, CURLOPT_URL => $address . $path, CURLOPT_CUSTOMREQUEST => $method, CURLOPT_RETURNTRANSFER => true, CURLOPT_TIMEOUT => 30, CURLOPT_HEADER => true, CURLOPT_HTTPHEADER => $headers, CURLOPT_NOBODY => 'HEAD' === $method, CURLOPT_PATH_AS_IS => true]);
    if (null !== $body) {
        curl_setopt($handle, CURLOPT_POSTFIELDS, $body);
    }
    $answer = (string) curl_exec($handle);
    $head = substr($answer, 0, (int) curl_getinfo($handle, CURLINFO_HEADER_SIZE));

    return [(int) curl_getinfo($handle, CURLINFO_RESPONSE_CODE), curl_getinfo($handle, CURLINFO_TOTAL_TIME), substr($answer, strlen($head)), 1 === preg_match('/^Location: (.*?)\r?$/mi', $head, $m) ? $m[1] : ''];
};

// Something to work on.
$racks = [];
foreach ($signedOut ? [] : $games as $game) {
    [, , , $location] = $send('POST', '/racks/break', http_build_query(['game' => $game, 'number' => 3]), []);
    if (1 === preg_match('#/racks/(\d+)#', $location, $m)) {
        $racks[] = $m[1];
    }
}
foreach (['/', '/measure', '/profiles', '/profiles/new/table', '/profiles/new/player', '/profiles/new/cue', ...array_map(static fn(string $id): string => "/racks/$id?read=table&plan=1", $racks)] as $page) {
    preg_match_all('/\bname="([\w\[\]-]+)"/', $send('GET', $page, null, [])[2], $found);
    array_push($names, ...$found[1]);
}
$names = array_values(array_unique($names));
sort($names);
if ($signedOut) {
    $racks = ['1', '2'];
}
if ([] === $racks || [] === $routes) {
    fwrite(STDERR, "There is nothing to fuzz.\n");
    exit(2);
}
$version = static fn(string $rack): string => 1 === preg_match('/name="version" value="(\d+)"/', $send('GET', "/racks/$rack", null, [])[2], $m) ? $m[1] : '1';

$codes = $bad = [];
$slowest = 0.0;
for ($n = 1; $n <= (int) $requests; ++$n) {
    $route = one($random, $routes);
    $rack = one($random, $racks);
    $path = preg_replace_callback('/\{(\w+)\}/', static fn(array $m): string => $chance(0.85)
        ? match ($m[1]) {
            'id' => str_contains($route['path'], '/racks/') ? $rack : (string) $random->integer(1, 40),
            'kind' => one($random, ['table', 'cue', 'player']),
            'key' => 'fuzz-run-' . $random->integer(1, 9),
            'token' => str_repeat('a', 32),
            'format' => one($random, ['csv', 'jsonl']),
            default => (string) $random->integer(1, 9),
        }
        : rawurlencode(one($random, $nasty)), $route['path']) ?? '/';
    $declared = explode('|', 'ANY' === $route['method'] ? 'GET|POST' : $route['method']);
    $method = $chance(0.93) ? one($random, $declared) : one($random, ['GET', 'POST', 'PUT', 'DELETE', 'PATCH', 'OPTIONS', 'HEAD']);
    $fields = [];
    for ($k = $random->integer(0, 9); $k > 0; --$k) {
        $name = one($random, $names);
        $fields[$name] = $value($name);
    }
    $headers = [];
    if ($chance(0.4)) {
        $headers[] = 'HX-Request: true';
    }
    if ($chance(0.1)) {
        $headers[] = one($random, ['Origin: http://evil.example', 'Origin: null', 'Sec-Fetch-Site: cross-site', 'Cookie: units=' . one($random, ['metric', '%00', '[]']), 'Cookie: visitor=x.y', 'Referer: //', 'Accept: application/json', 'X-HTTP-Method-Override: DELETE', 'Content-Type: application/json']);
    }
    $body = null;
    if ('POST' === $method) {
        if (str_contains($path, '/edit') || str_contains($path, '/try') || str_contains($path, 'undo')) {
            $fields += ['op' => $value('op')] + array_combine(['ball', 'at', 'x', 'y', 'dx', 'dy', 'number'], array_map($value, ['ball', 'at', 'x', 'y', 'dx', 'dy', 'number']));
        }
        if ($chance(0.5) && 1 === preg_match('#^/racks/(\d+)/#', $path, $m)) {
            $fields['version'] = $version($m[1]);
        }
        if (str_contains($path, 'camera/frame') && $chance(0.95)) {
            $body = $broken(json_encode(['format' => 'zig-lane/frame', 'version' => 1, 'at' => '2026-11-26T15:00:00Z', 'balls' => array_map(static fn(): array => ['ball' => one($random, ['cue', '1', '3', '9', null]), 'at' => [round($random->between(-0.3, 8.3), 3), round($random->between(-0.3, 4.3), 3)], 'sure' => round($random->between(0.0, 1.0), 2)], range(1, $random->integer(1, 9)))], JSON_THROW_ON_ERROR));
            $headers[] = 'Content-Type: application/json';
        } elseif ((str_contains($path, 'entries') || str_contains($path, '/table/sheet')) && $chance(0.95)) {
            $body = $attempts($path);
            $headers[] = 'Content-Type: application/json';
        } elseif (str_contains($path, 'import') && $chance(0.9)) {
            $body = ['file' => new CURLStringFile(str_contains($path, 'logbook') ? $attempts($path) : $rackFile(), one($random, ['a.json', '../../x', "\u{202E}nosj", '<b>.json', str_repeat('n', 300)]))];
        } else {
            $body = http_build_query($fields);
        }
    } elseif ([] !== $fields) {
        $path .= '?' . http_build_query($fields);
    }
    [$code, $took, $text, $location] = $send($method, $path, $body, $headers);
    $codes[$code] = ($codes[$code] ?? 0) + 1;
    $slowest = max($slowest, $took);
    $open = $signedOut && !(in_array($code, [400, 401, 403, 404, 405, 413, 414], true) || (in_array($code, [302, 303], true) && str_ends_with($location, '/sign-in'))
        || ('/sign-in' === (parse_url($path, PHP_URL_PATH) ?: '') && 200 === $code) || ('OPTIONS' === $method && '' === $text));
    if ($open || $code >= 500 || 0 === $code || $took > SLOW || str_contains($text, 'Fatal error')) {
        $bad[] = sprintf('%d %.2f s  %s %s  %s', $code, $took, $method, substr($path, 0, 300), is_string($body) ? substr($body, 0, 500) : ($body ? 'file' : ''));
    }
    if (303 === $code && 1 === preg_match('#/racks/(\d+)#', $location, $m) && !in_array($m[1], $racks, true)) {
        $racks[] = $m[1];
        $racks = array_slice($racks, -12);
    }
}

// All that is stored now can be read.
$unreadable = [];
$read = 0;
foreach ($signedOut ? [] : ['', '&deleted=1'] as $which) {
    for ($page = 1; $page < 500; ++$page) {
        [$code, , $list] = $send('GET', "/?page=$page$which", null, []);
        if (200 !== $code || str_contains($list, 'Damaged:')) {
            $unreadable[] = "list, page $page$which ($code)";
        }
        preg_match_all('#href="/racks/(\d+)"#', $list, $m);
        foreach ('' === $which ? $m[1] : [] as $id) {
            ++$read;
            foreach (["/racks/$id", "/racks/$id/rack.json"] as $path) {
                [$code] = $send('GET', $path, null, []);
                if (200 !== $code) {
                    $unreadable[] = "$path ($code)";
                }
            }
        }
        if (!str_contains($list, 'rel="next"')) {
            break;
        }
    }
}
foreach ($signedOut ? [] : ['/profiles', '/logbook', '/logbook/shots', '/logbook/percentages', '/logbook/shots.csv', '/logbook/shots.jsonl'] as $page) {
    [$code, , $text] = $send('GET', $page, null, []);
    if (200 !== $code) {
        $unreadable[] = "$page ($code)";
    }
    preg_match_all('#href="(/logbook/(?:shots|sessions)/\d+)"#', $text, $m);
    foreach ($m[1] as $one) {
        [$code] = $send('GET', $one, null, []);
        if (200 !== $code) {
            $unreadable[] = "$one ($code)";
        }
    }
}
ksort($codes);
echo json_encode(['requests' => (int) $requests, 'seed' => (int) $seed, 'routes' => count($routes), 'fields' => count($names), 'codes' => (object) $codes, 'slowest' => round($slowest, 2), 'bad' => count($bad), 'racksRead' => $read, 'unreadable' => $unreadable], JSON_THROW_ON_ERROR), "\n";
foreach (array_slice($bad, 0, 30) as $line) {
    fwrite(STDERR, "BAD $line\n");
}
exit([] === $bad && [] === $unreadable ? 0 : 1);
