# php-fpm and nginx for one instance, loopback only; sourced by bin/zig-lane.

fpm_runs() { runs "$HERE/run/fpm.pid" "$HERE/fpm.conf"; }
nginx_runs() { runs "$HERE/run/nginx.pid" "$HERE/nginx.conf"; }
web_runs() { fpm_runs && nginx_runs; }

# What the application must know, for both php-fpm and the console.
write_settings() {
    [ -s "$HERE/app.secret" ] || (
        umask 077
        php -r 'echo bin2hex(random_bytes(24));' >"$HERE/app.secret"
    )
    (
        umask 077
        cat >"$HERE/env.new" <<EOF
APP_ENV=$1
APP_SECRET=$(cat "$HERE/app.secret")
ASSET_VERSION=$(find public -type f -not -name index.php -exec sha256sum {} + | sort | sha256sum | cut -c1-12)
DATABASE_URL="mysql://zig_lane:$(cat "$HERE/db.password")@127.0.0.1:$(cat "$HERE/db.port")/zig_lane?serverVersion=10.11.0-MariaDB&charset=utf8mb4"
EOF
    )
    mv "$HERE/env.new" "$HERE/env"
}

web_start() {
    local port fpm_port owner=''
    if web_runs; then
        # New code or settings: php-fpm takes them up without dropping a request.
        kill -USR2 "$(cat "$HERE/run/fpm.pid")"
        wait_for_web
        return
    fi
    web_stop
    port=$(choose_port "${ZIG_LANE_PORT:-8642}" "$(cat "$HERE/web.port" 2>/dev/null || true)")
    if [ "$INSTANCE" != test ] && [ "$port" != "${ZIG_LANE_PORT:-8642}" ]; then
        say "Port ${ZIG_LANE_PORT:-8642} is taken; using $port instead."
    fi
    fpm_port=$(any_free_port)
    while [ "$fpm_port" = "$port" ]; do fpm_port=$(any_free_port); done
    printf '%s' "$port" >"$HERE/web.port"
    local root_user=''
    [ "$(id -u)" != 0 ] || root_user=$'user = root\ngroup = root'
    cat >"$HERE/fpm.conf" <<EOF
[global]
pid = $HERE/run/fpm.pid
error_log = $HERE/log/fpm.log
daemonize = no
[web]
$root_user
listen = 127.0.0.1:$fpm_port
listen.allowed_clients = 127.0.0.1
pm = dynamic
pm.max_children = 8
pm.start_servers = 2
pm.min_spare_servers = 2
pm.max_spare_servers = 4
clear_env = yes
env[ZIG_LANE_INSTANCE] = $INSTANCE
php_admin_value[memory_limit] = 256M
php_admin_value[max_execution_time] = 30
php_admin_value[expose_php] = 0
EOF
    local root_flag=''
    [ "$(id -u)" != 0 ] || root_flag=-R
    detached php-fpm8.2 $root_flag --nodaemonize --fpm-config "$HERE/fpm.conf" \
        -d opcache.enable=1 -d opcache.jit_buffer_size=64M -d opcache.jit=tracing \
        -d opcache.validate_timestamps=1 -d opcache.revalidate_freq=0 -d display_errors=0
    [ "$(id -u)" != 0 ] || owner='user root;'
    mkdir -p "$HERE/run/nginx"
    cat >"$HERE/nginx.conf" <<EOF
$owner
worker_processes 1;
pid $HERE/run/nginx.pid;
error_log $HERE/log/nginx.log;
daemon on;
events { worker_connections 256; }
http {
    include /etc/nginx/mime.types;
    types { application/javascript mjs; }
    access_log off;
    server_tokens off;
    sendfile on;
    client_max_body_size 1m;
    client_body_temp_path $HERE/run/nginx/body;
    proxy_temp_path $HERE/run/nginx/proxy;
    fastcgi_temp_path $HERE/run/nginx/fastcgi;
    uwsgi_temp_path $HERE/run/nginx/uwsgi;
    scgi_temp_path $HERE/run/nginx/scgi;
    gzip on;
    gzip_types text/css application/javascript application/json image/svg+xml;
    fastcgi_buffers 32 32k;
    fastcgi_buffer_size 32k;
    server {
        listen 127.0.0.1:$port;
        root $ROOT/public;
        error_page 413 /too-large.html;
        location = /too-large.html { }
        location ~* \.(css|js|mjs|woff2|svg|png|ico)\$ {
            add_header Cache-Control "public, max-age=31536000, immutable";
            add_header X-Content-Type-Options nosniff;
            try_files \$uri =404;
        }
        location / {
            # Written out rather than included: the distribution's list drops the port from the host's name.
            fastcgi_param HTTP_HOST \$host:\$server_port;
            fastcgi_param GATEWAY_INTERFACE CGI/1.1;
            fastcgi_param QUERY_STRING \$query_string;
            fastcgi_param REQUEST_METHOD \$request_method;
            fastcgi_param REQUEST_URI \$request_uri;
            fastcgi_param REQUEST_SCHEME \$scheme;
            fastcgi_param CONTENT_TYPE \$content_type;
            fastcgi_param CONTENT_LENGTH \$content_length;
            fastcgi_param DOCUMENT_ROOT \$document_root;
            fastcgi_param SERVER_PROTOCOL \$server_protocol;
            fastcgi_param SERVER_ADDR \$server_addr;
            fastcgi_param SERVER_PORT \$server_port;
            fastcgi_param SERVER_NAME \$host;
            fastcgi_param REMOTE_ADDR \$remote_addr;
            fastcgi_param REMOTE_PORT \$remote_port;
            fastcgi_param REDIRECT_STATUS 200;
            fastcgi_param SCRIPT_FILENAME $ROOT/public/index.php;
            fastcgi_param SCRIPT_NAME /index.php;
            fastcgi_param HTTP_PROXY "";
            fastcgi_pass 127.0.0.1:$fpm_port;
        }
    }
}
EOF
    detached nginx -c "$HERE/nginx.conf" -e "$HERE/log/nginx.log"
    wait_for_web
}

wait_for_web() {
    local port
    port=$(cat "$HERE/web.port")
    for _ in $(seq 200); do
        if php -r '$c = stream_context_create(["http" => ["timeout" => 5]]); exit(@file_get_contents("http://127.0.0.1:$argv[1]/ready", false, $c) === "ready" ? 0 : 1);' "$port"; then
            return 0
        fi
        sleep 0.1
    done
    tail -n 5 "$HERE"/log/*.log >&2
    fail "the web server does not answer; see var/$INSTANCE/log"
}

web_stop() {
    if nginx_runs; then end_process "$HERE/run/nginx.pid"; fi
    if fpm_runs; then end_process "$HERE/run/fpm.pid"; fi
    rm -f "$HERE/run/nginx.pid" "$HERE/run/fpm.pid"
}
