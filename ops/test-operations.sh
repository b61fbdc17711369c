#!/usr/bin/env bash
# Starts, kills, hangs, stops, backs up and restores a copy of its own (var/operations), and looks whether anything was lost.
set -euo pipefail
cd "$(dirname "$0")/.."
export ZIG_LANE_NAME=operations ZIG_LANE_PORT ZIG_LANE_SILENT=6
# Clients that wait as people do: something is always being stored, and the tests beside this one come to their turn too.
export ZIG_LANE_PAUSE=0.4
unset ZIG_LANE_LOG
ZIG_LANE_PORT=$(php -r '$s = stream_socket_server("tcp://127.0.0.1:0"); echo explode(":", stream_socket_get_name($s, false))[1];')
HERE=$PWD/var/operations
CLIENTS=${ZIG_LANE_CLIENTS:-20}
ACCOUNT=${ZIG_LANE_ACCOUNT:-zig-lane}
passed=0
small_disk=
set -E
trap 'echo "FAILED: line $LINENO of $0" >&2' ERR

clean_up() {
    bin/zig-lane stop >/dev/null 2>&1 || true
    if [ -n "$small_disk" ]; then umount "$HERE" || umount -l "$HERE"; fi
    [ -z "${ZIG_LANE_KEEP:-}" ] && rm -rf "$HERE"
    rm -f "$HERE.sql.gz" "$HERE.bad.gz" "$HERE.load"
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
page() { php -r 'echo (string) @file_get_contents($argv[1], false, stream_context_create(["http" => ["ignore_errors" => true, "timeout" => 20]]));' "$1"; }
code() { php -r '@file_get_contents($argv[1], false, stream_context_create(["http" => ["ignore_errors" => true, "timeout" => 20]])); echo explode(" ", $http_response_header[0] ?? "none none")[1];' "$1"; }
post() { php -r 'file_get_contents($argv[1], false, stream_context_create(["http" => ["method" => "POST", "header" => "Content-Type: application/x-www-form-urlencoded", "content" => $argv[2] ?? "", "follow_location" => 0]])); foreach ($http_response_header as $h) { if (stripos($h, "Location: ") === 0) { echo substr($h, 10); } }' "$@"; }
wait_for() { for _ in $(seq "$1"); do if "${@:2}"; then return 0; fi; sleep 0.2; done; return 1; }
has_rack() { says "$(page "${url%/}$kept")" "Kept through everything"; }
is_back() { [ "$(page "${url}ready")" = ready ]; }
sql() { mariadb --defaults-file="$HERE/db.cnf" zig_lane -e "$1"; }

# Processes of this copy: what its supervisor's tree and its groups hold.
process() { pgrep -f "$1" | head -n 1; }
supervisor() { process "supervisord -c $HERE/supervisor.conf"; }
of_kind() {
    case "$1" in
        mariadb) process "datadir=$HERE/db" ;;
        php-fpm) process "php-fpm: master process .$HERE/fpm.conf" ;;
        nginx) process "nginx: master process nginx -c $HERE/nginx.conf" ;;
        planner) cat "$HERE/run/planner-0.group" ;;
        reader) cat "$HERE/run/reader-0.group" ;;
        keeper) process "keeper.sh $PWD $HERE/run" ;;
        supervisor) supervisor ;;
    esac
}
everything() {
    local pid
    for pid in $(cat "$HERE"/run/*.group 2>/dev/null); do pgrep -g "$pid" || true; done
    for pid in mariadb php-fpm nginx keeper supervisor; do of_kind "$pid" || true; done
}
kill_everything() {
    # shellcheck disable=SC2046
    kill -9 $(everything | sort -u) 2>/dev/null || true
    sleep 0.5
}
nobody_left() { [ -z "$(pgrep -f "$HERE/" | grep -vx $$)" ] && [ -z "$(pgrep -f 'php-fpm: pool zig-lane-operations')" ]; }
# Whether nothing but one port on loopback is listened on by TCP.
listens_only_there() {
    local inodes pid
    inodes=$(for pid in $(everything | sort -u); do ls -l "/proc/$pid/fd" 2>/dev/null | grep -o 'socket:\[[0-9]*\]' | tr -d 'socket:[]'; done | sort -u)
    awk -v inodes="$inodes" 'BEGIN {split(inodes, a, "\n"); for (i in a) mine[a[i]] = 1} $4 == "0A" && ($10 in mine) {print $2}' /proc/net/tcp /proc/net/tcp6 | sort -u |
        awk -v port="$(printf ':%04X' "$(cat "$HERE/web.port")")" '{all++} $1 == "0100007F" port {good++} END {exit !(all == 1 && good == 1)}'
}
runs_without_rights() {
    local pid user
    for pid in $(everything | sort -u); do
        user=$(stat -c %U "/proc/$pid" 2>/dev/null) || continue
        [ "$user" != root ] || return 1
        [ "$(id -u)" != 0 ] || [ "$user" = "$ACCOUNT" ] || return 1
    done
}

# A disk of its own, in memory, that can be filled; only root can have one.
if [ "$(id -u)" = 0 ] && mkdir -p "$HERE" && mount -t tmpfs -o size=600m tmpfs "$HERE" 2>/dev/null; then small_disk=yes; fi

out=$(bin/zig-lane start)
url="http://127.0.0.1:$ZIG_LANE_PORT/"
check "start prints the address" says "$out" "Zig Lane is at $url"
check "the demo racks are there" says "$(page "$url")" "Nine legs home"
check "nothing but one port on loopback listens" listens_only_there
check "nothing runs as root" runs_without_rights
if [ "$(id -u)" = 0 ]; then
    check "another account cannot speak to php-fpm" eval '! setpriv --reuid 65534 --regid 65534 --clear-groups test -r "$HERE/run/fpm.sock"'
    check "nor to the database" eval '! setpriv --reuid 65534 --regid 65534 --clear-groups test -r "$HERE/db.password"'
fi

kept=$(post "${url}racks" "game=nine-ball&name=Kept+through+everything")
check "a rack is made" has_rack
out=$(bin/zig-lane start)
check "starting twice is harmless" says "$out" "Zig Lane is at $url"
check "and keeps the rack" has_rack

# Each kind of process is killed under load: back within ten seconds at the same address, nothing acknowledged is lost.
for kind in mariadb php-fpm nginx planner reader keeper supervisor; do
    before=$(of_kind "$kind")
    check "the $kind runs" test -n "$before"
    php tools/load.php "$url" "$CLIENTS" 5 write >"$HERE.load" &
    load=$!
    sleep 1
    kill -9 "$before"
    # shellcheck disable=SC2016
    check "the $kind is back within 10 s after kill -9" wait_for 50 eval '[ -n "$(of_kind '"$kind"')" ] && [ "$(of_kind '"$kind"')" != '"$before"' ] && is_back'
    check "nothing that was acknowledged is lost with the $kind" wait "$load"
    check "the same address answers" has_rack
done
check "still nothing runs as root" runs_without_rights

# A restart lets requests end.
php tools/load.php "$url" 4 9 read /racks/1 >"$HERE.load" &
load=$!
bin/zig-lane start >/dev/null
wait "$load"
check "a restart drops no request" grep -qE '"codes":\{"200":[0-9]+\}' "$HERE.load"

# A full disk: what is there can be looked at, what cannot be stored is said, and nothing that was acknowledged is lost.
if [ -n "$small_disk" ]; then
    head -c 900M /dev/zero >"$HERE/filler" 2>/dev/null || true
    ZIG_LANE_PAUSE=0 php tools/load.php "$url" "$CLIENTS" 12 write >"$HERE.load" &
    load=$!
    sleep 3
    check "a page is shown, or says what is wrong" eval '[[ "$(code "${url}racks/1")" =~ ^(200|503)$ ]]'
    check "a start on a full disk says why it does not go" says "$(bin/zig-lane start 2>&1 || true)" "MB are left on the disk"
    check "no half copy is made" eval '! bin/zig-lane backup "$HERE.sql.gz" >/dev/null 2>&1 && [ ! -e "$HERE.sql.gz" ]'
    # On a busy machine it takes a while until the tables must grow.
    sleep 5
    rm "$HERE/filler"
    check "nothing that was acknowledged is lost on a full disk" wait "$load"
    check "what could not be stored was said" grep -q '"503":' "$HERE.load"
    check "and nothing failed without a word" eval '! grep -qE "\"(500|502|504|0)\":" "$HERE.load"'
    check "with room again it goes on by itself" wait_for 400 is_back
    check "and stores again" says "$(post "${url}racks" "game=nine-ball&name=After+the+full+disk")" /racks/
else
    echo "(not root: a full disk was not tried)"
fi

kill_everything
check "after a kill of everything nothing runs" eval '! bin/zig-lane status >/dev/null'
out=$(bin/zig-lane start)
check "it starts after it" says "$out" "Zig Lane is at $url"
check "and has lost nothing" has_rack

# A plan outlives restarts, kills and hangs of its worker.
fresh=$(post "${url}racks/break" "game=nine-ball&number=71")
rack=${fresh%%\?*}
plan=$(post "${url%/}$rack/plans")
plan_says() { says "$(page "${url%/}$plan")" "$1"; }
check "a plan is under way" wait_for 60 plan_says "<span>Shot "
for _ in 1 2 3 4 5; do
    kill -TERM "$(of_kind planner)" "$(cat "$HERE/run/planner-1.group" 2>/dev/null || of_kind planner)" 2>/dev/null || true
    sleep 1.5
done
check "five restarts of its workers do not fail it" wait_for 200 plan_says "Settled after"
plan=$(post "${url%/}$rack/plans" "again=1")
check "another is under way" wait_for 60 plan_says "<span>Shot "
for n in "$HERE"/run/planner-*.group; do kill -STOP "$(cat "$n")"; done
stopped=$(post "${url%/}${plan%%\?*}/plans/${plan##*plan=}/stop")
check "it is stopped at once though its worker hangs" plan_says "Stopped after"
plan=$(post "${url%/}$rack/plans" "again=1")
check "hung workers are noticed and the next plan is made all the same" wait_for 300 plan_says "Settled after"

# While the database is away pages say so and try again by themselves.
kill -STOP "$(supervisor)"
kill -9 "$(of_kind mariadb)"
sleep 0.5
check "without the database a page answers 503" test "$(code "${url}racks/1")" = 503
check "and tries again by itself" says "$(page "${url}racks/1")" 'http-equiv="refresh"'
kill -CONT "$(supervisor)"
check "the database is back" wait_for 60 is_back
check "with everything" has_rack

# Copies, and databases of other versions.
bin/zig-lane backup "$HERE.sql.gz" >/dev/null
post "${url}racks" "game=nine-ball&name=Made+after+the+copy" >/dev/null
check "a rack is made after the copy" says "$(page "$url")" "Made after the copy"
head -c 2000 "$HERE.sql.gz" >"$HERE.bad.gz"
check "half a copy is refused" eval '! bin/zig-lane restore "$HERE.bad.gz" >/dev/null 2>&1'
check "and changes nothing" says "$(page "$url")" "Made after the copy"
bin/zig-lane restore "$HERE.sql.gz" >/dev/null
check "restoring brings the copy back" wait_for 50 eval 'is_back && has_rack && ! says "$(page "$url")" "Made after the copy"'
check "what was there before is kept" test -n "$(ls "$HERE"/backups/before-restore-*.sql.gz)"
check "a nightly copy was made" wait_for 100 eval 'ls "$HERE"/backups/nightly-*.sql.gz >/dev/null 2>&1'

sql "DELETE FROM doctrine_migration_versions ORDER BY version DESC LIMIT 1"
out=$(bin/zig-lane start)
check "a change that was cut off is brought to its end" says "$out" "Zig Lane is at $url"
check "after a copy was made" test -n "$(ls "$HERE"/backups/before-change-*.sql.gz)"
check "and loses nothing" has_rack
sql "INSERT INTO doctrine_migration_versions (version) VALUES ('ZigLane\\\\App\\\\Migration\\\\Version29990101000000')"
check "a newer database is not started on" eval '! out=$(bin/zig-lane start 2>&1)'
check "and that is said" says "$(bin/zig-lane start 2>&1 || true)" "newer version of Zig Lane (Version29990101000000)"
sql "DELETE FROM doctrine_migration_versions WHERE version LIKE '%2999%'"
bin/zig-lane start >/dev/null

php -r '$body = "--x\r\nContent-Disposition: form-data; name=\"file\"; filename=\"big.json\"\r\n\r\n" . str_repeat("x", 3000000) . "\r\n--x--\r\n"; echo file_get_contents($argv[1] . "racks/import", false, stream_context_create(["http" => ["method" => "POST", "ignore_errors" => true, "header" => "Content-Type: multipart/form-data; boundary=x", "content" => $body]]));' "$url" >"$HERE/log/answer.html"
check "a file of 3 MB is refused in words" grep -q 'limit' "$HERE/log/answer.html"

out=$(bin/zig-lane stop)
check "it stops" says "$out" "has stopped"
check "and leaves no process" wait_for 20 nobody_left
check "stopping twice is harmless" bin/zig-lane stop
bin/zig-lane backup "$HERE.sql.gz" >/dev/null
bin/zig-lane restore "$HERE.sql.gz" >/dev/null
check "a copy can be put back while it stands still, and nothing runs after it" wait_for 20 nobody_left
check "nothing answers then" eval '[ -z "$(page "$url")" ]'

php -r '$s = stream_socket_server("tcp://127.0.0.1:$argv[1]"); sleep(600);' "$ZIG_LANE_PORT" &
squatter=$!
sleep 0.5
out=$(bin/zig-lane start)
check "a taken port is said" says "$out" "Port $ZIG_LANE_PORT is taken; using"
url=$(grep -oE 'http://[^ ]+' <<<"$out" | tail -n 1)
check "and another one is used" has_rack
echo "$passed passed, 0 failed"
