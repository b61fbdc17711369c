# MariaDB for one instance: data in var/NAME/db, loopback only; sourced by bin/zig-lane.

database_runs() { runs "$HERE/run/db.pid" "--datadir=$HERE/db"; }

database_start() {
    [ -s "$HERE/db.password" ] || (
        umask 077
        php -r 'echo bin2hex(random_bytes(20));' >"$HERE/db.password"
    )
    if ! database_runs; then
        if [ ! -d "$HERE/db/mysql" ]; then
            rm -rf "$HERE/db.new"
            mkdir -p "$HERE/db.new"
            mariadb-install-db --no-defaults --auth-root-authentication-method=normal --skip-test-db \
                --user="$(id -un)" --datadir="$HERE/db.new" >"$HERE/log/db-install.log" 2>&1 ||
                fail "the database could not be set up; see var/$INSTANCE/log/db-install.log"
            # Only a finished set-up gets the real name.
            mv "$HERE/db.new" "$HERE/db"
        fi
        local password
        password=$(cat "$HERE/db.password")
        (
            umask 077
            cat >"$HERE/run/db-init.sql" <<EOF
CREATE DATABASE IF NOT EXISTS zig_lane CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_520_ci;
CREATE USER IF NOT EXISTS 'zig_lane'@'127.0.0.1';
ALTER USER 'zig_lane'@'127.0.0.1' IDENTIFIED BY '$password';
GRANT ALL ON zig_lane.* TO 'zig_lane'@'127.0.0.1';
DROP USER IF EXISTS 'root'@'127.0.0.1', 'root'@'::1', 'root'@'$(hostname)', ''@'localhost', ''@'$(hostname)';
ALTER USER 'root'@'localhost' IDENTIFIED BY '$password';
EOF
        )
        local port socket="$HERE/run/db.sock"
        # A socket's path may have at most 107 bytes.
        if [ ${#socket} -gt 100 ]; then
            socket="/tmp/zig-lane-$(printf '%s' "$HERE" | sha256sum | cut -c1-16).sock"
        fi
        port=$(choose_port "$(cat "$HERE/db.port" 2>/dev/null || true)")
        printf '%s' "$port" >"$HERE/db.port"
        rm -f "$HERE/run/db.pid"
        detached mariadbd --no-defaults --user="$(id -un)" --datadir="$HERE/db" --port="$port" \
            --bind-address=127.0.0.1 --socket="$socket" --pid-file="$HERE/run/db.pid" \
            --log-error="$HERE/log/db.log" --init-file="$HERE/run/db-init.sql" --skip-name-resolve \
            --character-set-server=utf8mb4 --innodb-buffer-pool-size=64M --performance-schema=OFF \
            --skip-log-bin --max-connections=60
    fi
    # After a kill the log is replayed first, so this may take a while.
    for _ in $(seq 600); do
        if php -r '$p = trim(file_get_contents($argv[1])); try { new PDO("mysql:host=127.0.0.1;port=$argv[2];dbname=zig_lane", "zig_lane", $p); } catch (PDOException) { exit(1); }' \
            "$HERE/db.password" "$(cat "$HERE/db.port")" 2>/dev/null; then
            return 0
        fi
        sleep 0.1
    done
    tail -n 20 "$HERE/log/db.log" >&2
    fail "the database did not start; see var/$INSTANCE/log/db.log"
}

database_stop() {
    database_runs && end_process "$HERE/run/db.pid"
    rm -f "$HERE/run/db.pid"
}
