# MariaDB for one instance: data in var/NAME/db, reached through a socket in its own folder only; sourced by bin/zig-lane.

DATABASE_ACCOUNT=zig_lane

# What mariadbd is run with.
database_command() {
    printf '%s ' mariadbd --no-defaults --datadir="$HERE/db" --skip-networking --socket="$RUN/db.sock" --pid-file="$RUN/db.pid" \
        --init-file="$HERE/db-init.sql" --skip-name-resolve --character-set-server=utf8mb4 --innodb-buffer-pool-size=64M \
        --performance-schema=OFF --skip-log-bin --max-connections=80
}

database_prepare() {
    [ -s "$HERE/db.password" ] || php -r 'echo bin2hex(random_bytes(20));' >"$HERE/db.password"
    if [ ! -d "$HERE/db/mysql" ]; then
        rm -rf "$HERE/db.new"
        mkdir -p "$HERE/db.new"
        mariadb-install-db --no-defaults --auth-root-authentication-method=normal --skip-test-db \
            --datadir="$HERE/db.new" >"$LOGS/db-install.log" 2>&1 ||
            fail "the database could not be set up; see var/$INSTANCE/log/db-install.log"
        # Only a finished set-up gets the real name.
        mv "$HERE/db.new" "$HERE/db"
    fi
    local password
    password=$(cat "$HERE/db.password")
    cat >"$HERE/db-init.sql" <<EOF
CREATE DATABASE IF NOT EXISTS zig_lane CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_520_ci;
CREATE USER IF NOT EXISTS '$DATABASE_ACCOUNT'@'localhost';
ALTER USER '$DATABASE_ACCOUNT'@'localhost' IDENTIFIED BY '$password';
GRANT ALL ON zig_lane.* TO '$DATABASE_ACCOUNT'@'localhost';
DROP USER IF EXISTS '$DATABASE_ACCOUNT'@'127.0.0.1', 'root'@'127.0.0.1', 'root'@'::1', 'root'@'$(hostname)', ''@'localhost', ''@'$(hostname)';
ALTER USER 'root'@'localhost' IDENTIFIED BY '$password';
EOF
}

database_answers() {
    php -r 'try { new PDO("mysql:host=localhost;unix_socket=$argv[2];dbname=zig_lane", "zig_lane", trim(file_get_contents($argv[1]))); } catch (PDOException) { exit(1); }' \
        "$HERE/db.password" "$RUN/db.sock" 2>/dev/null
}

# After a kill the log is replayed first, so this may take a while.
database_wait() {
    for _ in $(seq 600); do
        if database_answers; then return 0; fi
        sleep 0.1
    done
    tail -n 20 "$LOGS/mariadb.log" >&2
    fail "the database did not start; see var/$INSTANCE/log/mariadb.log"
}

# Who the database's own programs sign in as; the password stays out of the list of processes.
database_options() {
    printf '[client]\nsocket=%s\nuser=%s\npassword=%s\n' "$RUN/db.sock" "$DATABASE_ACCOUNT" "$(cat "$HERE/db.password")" >"$HERE/db.cnf"
    printf '%s' "--defaults-file=$HERE/db.cnf"
}

# Everything that is stored, as one compressed file of SQL. Written whole or not at all.
database_dump() {
    local to=$1
    mariadb-dump "$(database_options)" --single-transaction --quick --routines --add-drop-table --hex-blob --default-character-set=utf8mb4 zig_lane \
        2>"$LOGS/backup.log" | gzip >"$to.part" || {
        rm -f "$to.part"
        tail -n 5 "$LOGS/backup.log" >&2
        fail "the copy could not be written to $to"
    }
    # mariadb-dump ends a whole copy with a line that says so.
    if ! gzip -dc "$to.part" | tail -n 1 | grep -q 'Dump completed'; then
        rm -f "$to.part"
        fail "the copy could not be written to $to"
    fi
    mv "$to.part" "$to"
}

# Refuses anything but a copy that was written to its end.
copy_is_whole() {
    if ! gzip -t "$1" 2>/dev/null || ! gzip -dc "$1" | tail -n 1 | grep -q 'Dump completed'; then
        fail "this is not a whole copy made by bin/zig-lane backup; nothing was changed"
    fi
    [ "$(gzip -dc "$1" | grep -c '^CREATE TABLE `rack')" -ge 2 ] || fail "this is not a copy of Zig Lane's database; nothing was changed"
}

# Puts a copy in the place of everything that is stored.
database_load() {
    local from=$1 options
    options=$(database_options)
    mariadb "$options" -e 'DROP DATABASE zig_lane; CREATE DATABASE zig_lane CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_520_ci;'
    gzip -dc "$from" | mariadb "$options" zig_lane || fail "the copy could not be read in"
}

# Only the newest so many of the files that a pattern names are kept.
keep_newest() {
    local many=$1
    shift
    ls -1t "$@" 2>/dev/null | tail -n +$((many + 1)) | while IFS= read -r file; do rm -f "$file"; done
}

# Brings the tables to what this program needs. Nothing is changed before a copy is made.
database_migrate() {
    local state copy
    state=$(console zig-lane:schema) || {
        printf '%s\n' "$state" >&2
        exit 1
    }
    case "$state" in
        current) return 0 ;;
        empty) ;;
        behind)
            copy="$HERE/backups/before-change-$(date +%Y%m%d-%H%M%S).sql.gz"
            database_dump "$copy"
            keep_newest 3 "$HERE"/backups/before-change-*.sql.gz
            say "The database is from an earlier version: it is changed now. What was there before is kept in var/$INSTANCE/backups/$(basename "$copy")."
            ;;
    esac
    local out
    out=$(console doctrine:migrations:migrate --no-interaction --allow-no-migration 2>&1) || {
        printf '%s\n' "$out" >"$LOGS/migration.log"
        grep -m1 -E 'SQLSTATE|Exception' "$LOGS/migration.log" >&2 || true
        fail "the database could not be changed to what this version needs; see var/$INSTANCE/log/migration.log.${copy:+
Everything as it was before is in $copy. To go back to it: bin/zig-lane restore $copy}"
    }
}
