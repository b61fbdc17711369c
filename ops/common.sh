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
    LOGS="$HERE/log"
    export ZIG_LANE_INSTANCE=$INSTANCE
    RUN="$HERE/run"
    # A socket's path may have at most 107 bytes: with a longer one, its folder lies elsewhere.
    if [ ${#RUN} -gt 80 ]; then
        RUN="/tmp/zig-lane-$(account_number)-$(printf '%s' "$HERE" | sha256sum | cut -c1-16)"
    fi
}

# The folders of the instance, nobody else's; run by the account that runs the instance.
instance_folders() {
    umask 077
    mkdir -p "$HERE/log" "$HERE/backups" "$RUN"
    if [ ! -O "$RUN" ] || [ -L "$RUN" ]; then fail "$RUN belongs to someone else"; fi
    chmod 700 "$HERE" "$RUN"
}

# Two starts at once would fight over the same files.
one_at_a_time() {
    exec 9>"$HERE/lock"
    flock -w 120 9 || fail "another start or stop is still at work"
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
