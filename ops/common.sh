# Shared by the parts of bin/zig-lane; sourced, not run.

say() { printf '%s\n' "$*"; }
fail() {
    printf 'zig-lane: %s\n' "$*" >&2
    exit 1
}

# Everything of one running copy lies in var/NAME; "live" is the user's, "test" the tests'.
instance() {
    INSTANCE=$1
    HERE="$ROOT/var/$INSTANCE"
    export ZIG_LANE_INSTANCE=$INSTANCE
    mkdir -p "$HERE/run" "$HERE/log"
    chmod 700 "$HERE"
}

# Two starts at once would fight over the same files.
one_at_a_time() {
    exec 9>"$HERE/run/lock"
    flock -w 120 9 || fail "another start or stop is still at work"
}

as_root() {
    if [ "$(id -u)" = 0 ]; then
        "$@"
    elif command -v sudo >/dev/null; then
        sudo "$@"
    else
        fail "this needs root or sudo: $*"
    fi
}

# Whether the process in a pid file runs and its command line holds a word of ours (a pid may be used again).
runs() {
    local pid
    pid=$(cat "$1" 2>/dev/null) || return 1
    [ -n "$pid" ] && [ -r "/proc/$pid/cmdline" ] && tr '\0' ' ' <"/proc/$pid/cmdline" | grep -qF -- "$2"
}

# Ends a process kindly, and after half a minute unkindly.
end_process() {
    local pid
    pid=$(cat "$1" 2>/dev/null) || return 0
    kill -TERM "$pid" 2>/dev/null || true
    for _ in $(seq 300); do
        kill -0 "$pid" 2>/dev/null || return 0
        sleep 0.1
    done
    kill -KILL "$pid" 2>/dev/null || true
}

port_is_free() {
    php -r '$s = @stream_socket_server("tcp://127.0.0.1:" . $argv[1]); exit($s ? 0 : 1);' "$1"
}

any_free_port() {
    php -r '$s = stream_socket_server("tcp://127.0.0.1:0"); echo explode(":", stream_socket_get_name($s, false))[1];'
}

# The first of the wished ports that is free, else any.
choose_port() {
    local port
    for port in "$@"; do
        if [ -n "$port" ] && port_is_free "$port"; then
            printf '%s' "$port"
            return
        fi
    done
    any_free_port
}

# Starts something that outlives this command and holds none of its files.
detached() {
    setsid -f "$@" </dev/null >>"$HERE/log/start.log" 2>&1 9>&-
}

PHP_JIT=(-d opcache.enable=1 -d opcache.enable_cli=1 -d opcache.jit_buffer_size=64M -d opcache.jit=tracing)

console() { php "$ROOT/bin/console" "$@"; }

# The output of a step matters only when it fails.
console_quiet() {
    local out
    out=$(console "$@" 2>&1) || {
        printf '%s\n' "$out" >&2
        fail "bin/console $1 failed"
    }
}
