# php-fpm behind a socket and nginx on loopback for one instance; sourced by bin/zig-lane.

# What the application must know, for both php-fpm and the console: write_settings ENVIRONMENT BUILD
write_settings() {
    [ -s "$HERE/app.secret" ] || php -r 'echo bin2hex(random_bytes(24));' >"$HERE/app.secret"
    cat >"$HERE/env.new" <<EOF
APP_ENV=$1
ZIG_LANE_BUILD=$1-$2
APP_SECRET=$(cat "$HERE/app.secret")
ZIG_LANE_LAN_HOSTS='$(lan_hosts)'
ASSET_VERSION=$(find public -type f -not -name index.php -exec sha256sum {} + | sort | sha256sum | cut -c1-12)
ZIG_LANE_RUN="$RUN"
DATABASE_URL="mysql://$DATABASE_ACCOUNT:$(cat "$HERE/db.password")@localhost/zig_lane?unix_socket=$RUN/db.sock&serverVersion=10.11.0-MariaDB&charset=utf8mb4"
EOF
    mv "$HERE/env.new" "$HERE/env"
}

# The port that is served: the one it had, unless another is wished for.
web_port() {
    local wished=${ZIG_LANE_PORT:-8642} had
    had=$(cat "$HERE/web.port" 2>/dev/null || true)
    # Its own nginx holds it; another instance's would look just as taken.
    if [ -n "$had" ] && supervised && control status 'nginx:*' 2>/dev/null | grep -q RUNNING && { [ "$had" = "$wished" ] || ! port_is_free "$wished"; }; then
        printf '%s' "$had"
    else
        choose_port "$wished" "$had"
    fi
}

web_prepare() {
    local port=$1
    printf '%s' "$port" >"$HERE/web.port"
    cat >"$HERE/fpm.conf" <<EOF
[global]
error_log = /proc/self/fd/2
daemonize = no
log_limit = 65536
; A restart lets requests end first.
process_control_timeout = 30s
[zig-lane-$INSTANCE]
listen = $RUN/fpm.sock
listen.mode = 0600
listen.backlog = 1024
pm = dynamic
pm.max_children = 12
pm.start_servers = 4
pm.min_spare_servers = 2
pm.max_spare_servers = 6
pm.max_requests = 20000
clear_env = yes
catch_workers_output = yes
decorate_workers_output = no
env[ZIG_LANE_INSTANCE] = $INSTANCE
env[PATH] = /usr/bin:/bin
php_admin_value[memory_limit] = 256M
php_admin_value[max_execution_time] = 30
php_admin_value[expose_php] = 0
php_admin_value[upload_max_filesize] = 8M
php_admin_value[post_max_size] = 9M
EOF
    mkdir -p "$RUN/nginx"
    local name
    for name in nginx nginx-server; do
        sed -e "s|@RUN@|$RUN|g" -e "s|@ROOT@|$ROOT|g" -e "s|@HERE@|$HERE|g" -e "s|@PORT@|$port|g" "ops/$name.conf.template" >"$HERE/$name.conf"
    done
}

# What php-fpm is run with.
fpm_command() {
    local stamps=0
    [ "$INSTANCE" = live ] || stamps=1
    printf '%s ' php-fpm8.2 --nodaemonize --fpm-config "$HERE/fpm.conf" -d opcache.enable=1 -d opcache.jit_buffer_size=64M \
        -d opcache.jit=tracing -d opcache.validate_timestamps=$stamps -d opcache.revalidate_freq=0 -d display_errors=0
}

web_answers() {
    php -r '$c = stream_context_create(["http" => ["timeout" => 5]]); exit(@file_get_contents("http://127.0.0.1:$argv[1]/ready", false, $c) === "ready" ? 0 : 1);' "$(cat "$HERE/web.port")"
}

web_wait() {
    for _ in $(seq 200); do
        if web_answers; then return 0; fi
        sleep 0.1
    done
    tail -n 5 "$LOGS"/{nginx,php-fpm}.log >&2
    fail "the web server does not answer; see var/$INSTANCE/log"
}
