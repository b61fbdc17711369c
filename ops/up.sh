# Starting and stopping an instance, and the copies of its database. All run_… run as the account, never as root;
# sourced by bin/zig-lane.

# A start on a full disk would fail halfway with a tool's own words.
assert_room() {
    local free
    free=$(df -Pm "$HERE" | awk 'NR == 2 {print $4}')
    [ "$free" -ge "$ROOM" ] || fail "only $free MB are left on the disk of $HERE: free at least $ROOM MB and start again"
}
ROOM=100

# run_up ENVIRONMENT PART …
run_up() {
    local environment=$1 running='' build port
    shift
    assert_room
    one_at_a_time
    [ ! -e "$RUN/supervisor.sock" ] || ! supervised || running=yes
    if [ -z "$running" ]; then
        # Left over from an instance whose supervisor was killed.
        supervisor_stop
        database_prepare
        supervisor_configure database
        supervisor_apply
    fi
    database_wait
    # The compiled application is kept by what it was made from, so that the one that runs is not pulled away under its feet.
    build=$(find bin config core src templates tools composer.json -type f -exec sha256sum {} + | LC_ALL=C sort | sha256sum | cut -c1-12)
    if [[ " $* " == *" lan "* ]]; then lan_prepare; else lan_end; fi
    write_settings "$environment" "$build"
    console_quiet cache:warmup
    [ -z "$running" ] || control_quiet stop 'planner:*' 'reader:*' 'upkeep:*' || true
    database_migrate
    console zig-lane:demo
    [ ! -e "$HERE/lan.conf" ] || console zig-lane:passphrase --make --if-none
    port=
    if [[ " $* " == *" web "* ]]; then
        port=$(web_port)
        if [ "$INSTANCE" != test ] && [ "$port" != "${ZIG_LANE_PORT:-8642}" ]; then
            say "Port ${ZIG_LANE_PORT:-8642} is taken; using $port instead."
        fi
        web_prepare "$port"
    fi
    supervisor_configure "$@"
    supervisor_apply
    if [ -n "$running" ]; then
        # New code or settings: requests under way end first.
        control_quiet signal USR2 'php-fpm:*' || true
        control_quiet signal HUP 'nginx:*' || true
        control_quiet start all || true
    fi
    [ -z "$port" ] || web_wait
    find "$HERE/cache" -mindepth 1 -maxdepth 1 ! -name "$environment-$build-u*" -exec rm -rf {} + 2>/dev/null || true
    [ -z "$port" ] || say "Zig Lane is at http://127.0.0.1:$port/"
    [ -z "$port" ] || [ ! -e "$HERE/lan.conf" ] || lan_say
}

run_down() {
    one_at_a_time
    supervisor_stop
    say "Zig Lane has stopped."
}

run_state() {
    if supervised && ! control status | grep -vq RUNNING && web_answers; then
        say "Zig Lane is at http://127.0.0.1:$(cat "$HERE/web.port")/"
    else
        say "Zig Lane is not running."
        exit 1
    fi
}

# The database alone, for as long as one command needs it, when the instance does not run.
with_database() {
    local answer=0
    if supervised; then
        database_wait
        "$@"
        return
    fi
    supervisor_stop
    database_prepare
    supervisor_configure database
    supervisor_apply
    database_wait
    ("$@") || answer=$?
    supervisor_stop
    return "$answer"
}

# Writes a copy to standard output.
run_dump() {
    local copy="$HERE/backups/asked-for.sql.gz"
    one_at_a_time
    with_database database_dump "$copy" >&2
    cat "$copy"
    rm -f "$copy"
}

run_nightly() {
    database_dump "$HERE/backups/nightly-$(date +%Y%m%d).sql.gz"
    keep_newest 7 "$HERE"/backups/nightly-*.sql.gz
}

# Puts the copy that comes on standard input in the place of what is stored; what was stored is kept as a copy.
run_load() {
    local copy="$HERE/backups/asked-for.sql.gz"
    one_at_a_time
    cat >"$copy"
    with_database restore_database "$copy" >&2
    rm -f "$copy"
}

restore_database() {
    local before running=''
    [ ! -e "$HERE/web.port" ] || ! supervised || running=yes
    copy_is_whole "$1"
    before="$HERE/backups/before-restore-$(date +%Y%m%d-%H%M%S).sql.gz"
    database_dump "$before"
    keep_newest 3 "$HERE"/backups/before-restore-*.sql.gz
    [ -z "$running" ] || control_quiet stop 'planner:*' 'reader:*' 'upkeep:*' 'php-fpm:*' || true
    database_load "$1"
    [ ! -s "$HERE/env" ] || database_migrate
    [ -z "$running" ] || control_quiet start all || true
    say "Restored. What was stored until now is kept in var/$INSTANCE/backups/$(basename "$before")."
}

# The file is the caller's, who may be root; the copy is made by the account.
backup_file() {
    as_account dump >"$1.part" || {
        rm -f "$1.part"
        fail "no copy was made"
    }
    mv "$1.part" "$1"
    say "Everything that is stored was copied to $1."
}

restore_file() {
    [ -r "$1" ] || fail "$1 cannot be read"
    as_account load <"$1"
}
