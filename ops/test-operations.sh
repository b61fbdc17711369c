#!/usr/bin/env bash
# Starts, starts again, kills and stops a copy of its own (var/operations), and looks whether anything was lost.
set -euo pipefail
cd "$(dirname "$0")/.."
export ZIG_LANE_NAME=operations ZIG_LANE_PORT
ZIG_LANE_PORT=$(php -r '$s = stream_socket_server("tcp://127.0.0.1:0"); echo explode(":", stream_socket_get_name($s, false))[1];')
HERE=$PWD/var/operations
passed=0

clean_up() {
    bin/zig-lane stop >/dev/null 2>&1 || true
    rm -rf "$HERE"
    [ -z "${squatter:-}" ] || kill "$squatter" 2>/dev/null || true
}
trap clean_up EXIT

check() {
    if ! "${@:2}"; then
        echo "FAILED: $1" >&2
        tail -n 5 "$HERE"/log/*.log >&2 || true
        exit 1
    fi
    passed=$((passed + 1))
}
says() { grep -qF -- "$2" <<<"$1"; }
page() { php -r 'echo (string) @file_get_contents($argv[1]);' "$1"; }
has_rack() { says "$(page "$url")" "Kept through everything"; }
# Ports that processes of this copy listen on anywhere but on loopback.
only_loopback() {
    local port hex
    for port in $(cat "$HERE/web.port" "$HERE/db.port") $(grep -oP 'listen = 127\.0\.0\.1:\K\d+' "$HERE/fpm.conf"); do
        hex=$(printf '%04X' "$port")
        ! awk -v p=":$hex" '$4 == "0A" && substr($2, length($2) - 4) == p && $2 !~ /^0100007F/ && $2 !~ /^0000000000000000FFFF00000100007F/ {found = 1} END {exit !found}' \
            /proc/net/tcp /proc/net/tcp6 2>/dev/null || return 1
    done
}
kill_everything() {
    local file pid all=''
    for file in "$HERE"/run/*.pid; do
        pid=$(cat "$file")
        all="$all $pid $(pgrep -P "$pid" || true)"
    done
    # shellcheck disable=SC2086
    kill -9 $all
    sleep 0.3
}

out=$(bin/zig-lane start)
url="http://127.0.0.1:$ZIG_LANE_PORT/"
check "start prints the address" says "$out" "Zig Lane is at $url"
check "the demo racks are there" says "$(page "$url")" "Nine legs home"
check "everything listens on loopback only" only_loopback

php -r 'file_get_contents($argv[1] . "racks", false, stream_context_create(["http" => ["method" => "POST", "header" => "Content-Type: application/x-www-form-urlencoded", "content" => "game=nine-ball&name=Kept+through+everything", "follow_location" => 0]]));' "$url"
check "a rack is made" has_rack

out=$(bin/zig-lane start)
check "starting twice is harmless" says "$out" "Zig Lane is at $url"
check "and keeps the rack" has_rack

for round in 1 2; do
    kill_everything
    check "after a kill nothing runs ($round)" eval '! bin/zig-lane status >/dev/null'
    out=$(bin/zig-lane start)
    check "it starts after a kill ($round)" says "$out" "Zig Lane is at $url"
    check "and has lost nothing ($round)" has_rack
done

# In the middle of planning everything is killed, worker, web server and database; the plan is asked for once and finished all the same.
post() { php -r 'file_get_contents($argv[1], false, stream_context_create(["http" => ["method" => "POST", "header" => "Content-Type: application/x-www-form-urlencoded", "content" => $argv[2] ?? "", "follow_location" => 0]])); foreach ($http_response_header as $h) { if (stripos($h, "Location: ") === 0) { echo substr($h, 10); } }' "$@"; }
fresh=$(post "${url}racks/break" "game=nine-ball&number=4")
rack=${fresh%%\?*}
plan=$(post "${url%/}$rack/plans")
plan_says() { says "$(page "${url%/}$plan")" "$1"; }
wait_for() { for _ in $(seq "$1"); do if "${@:2}"; then return 0; fi; sleep 0.3; done; return 1; }
check "a plan is under way" wait_for 60 plan_says "Getting better"
kill_everything
check "it is killed with everything else" eval '! bin/zig-lane status >/dev/null'
out=$(bin/zig-lane start)
check "its first line is still there" eval '! plan_says "Nothing planned yet"'
check "it is taken up again and settled" wait_for 300 plan_says "Settled after"
worker=$(pgrep -P "$(cat "$HERE/run/worker-1.pid")" | head -n 1)
kill -9 "$worker"
check "a worker that is killed is replaced" wait_for 30 eval '[ -n "$(pgrep -P "$(cat "$HERE/run/worker-1.pid")" php || true)" ] && ! kill -0 "$worker" 2>/dev/null'

kill -9 "$(cat "$HERE/run/db.pid")"
sleep 0.3
out=$(bin/zig-lane start)
check "it starts when only the database was killed" has_rack

php -r '$body = "--x\r\nContent-Disposition: form-data; name=\"file\"; filename=\"big.json\"\r\n\r\n" . str_repeat("x", 3000000) . "\r\n--x--\r\n"; echo file_get_contents($argv[1] . "racks/import", false, stream_context_create(["http" => ["method" => "POST", "ignore_errors" => true, "header" => "Content-Type: multipart/form-data; boundary=x", "content" => $body]]));' "$url" >"$HERE/log/answer.html"
check "a file of 3 MB is refused in words" grep -q 'limit' "$HERE/log/answer.html"

out=$(bin/zig-lane stop)
check "it stops" says "$out" "has stopped"
check "stopping twice is harmless" bin/zig-lane stop
check "nothing answers then" eval '[ -z "$(page "$url")" ]'

php -r '$s = stream_socket_server("tcp://127.0.0.1:$argv[1]"); sleep(600);' "$ZIG_LANE_PORT" &
squatter=$!
sleep 0.5
out=$(bin/zig-lane start)
check "a taken port is said" says "$out" "Port $ZIG_LANE_PORT is taken; using"
url=$(grep -oE 'http://[^ ]+' <<<"$out" | tail -n 1)
check "and another one is used" has_rack
echo "$passed passed, 0 failed"
