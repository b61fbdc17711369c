# One supervisor for everything of an instance: MariaDB, php-fpm, nginx, the workers, the upkeep; sourced by bin/zig-lane.

workers_wanted() { printf '%s' "${ZIG_LANE_WORKERS:-$(nproc)}"; }

control() { supervisorctl -c "$HERE/supervisor.conf" "$@"; }
control_quiet() { control "$@" >>"$LOGS/start.log" 2>&1; }

# Whether a supervisor answers.
supervised() { [ -S "$RUN/supervisor.sock" ] && control pid >/dev/null 2>&1; }

# program NAME COMMAND [OPTION=VALUE …]
program() {
    local name=$1 command=$2 line
    shift 2
    cat <<EOF

[program:$name]
command="$ROOT/ops/service.sh" "$RUN" %(program_name)s-%(process_num)d ${command//%/%%}
process_name=%(program_name)s-%(process_num)d
autostart=true
autorestart=true
startsecs=1
startretries=1000000
stopsignal=TERM
stopwaitsecs=30
stopasgroup=false
killasgroup=true
redirect_stderr=true
stdout_logfile=$LOGS/$name.log
stdout_logfile_maxbytes=1MB
stdout_logfile_backups=4
EOF
    for line in "$@"; do printf '%s\n' "$line"; done
}

worker_command() {
    printf '%s ' php -d memory_limit=256M "${PHP_JIT[@]}" "$ROOT/bin/console" messenger:consume "$@" --limit=200 --memory-limit=200M --no-interaction -q
}

# supervisor_configure PART …: of database, web, workers; what is there says what runs after a restart, too.
supervisor_configure() {
    local parts=" $* " part many
    many=$(workers_wanted)
    {
        cat <<EOF
[unix_http_server]
file=$RUN/supervisor.sock
chmod=0600
[supervisord]
nodaemon=false
silent=true
umask=077
directory=$ROOT
pidfile=$RUN/supervisor.pid
logfile=$LOGS/supervisor.log
logfile_maxbytes=1MB
logfile_backups=4
environment=ZIG_LANE_INSTANCE="$INSTANCE"
[rpcinterface:supervisor]
supervisor.rpcinterface_factory=supervisor.rpcinterface:make_main_rpcinterface
[supervisorctl]
serverurl=unix://$RUN/supervisor.sock

[program:keeper]
command="$ROOT/ops/keeper.sh" "$ROOT" "$RUN" "$HERE/supervisor.conf"
autorestart=true
startretries=1000000
redirect_stderr=true
stdout_logfile=$LOGS/keeper.log
stdout_logfile_maxbytes=1MB
stdout_logfile_backups=1
EOF
        for part in database web workers; do
            [[ "$parts" == *" $part "* ]] || continue
            case "$part" in
                database) program mariadb "$(database_command)" stopwaitsecs=60 ;;
                web)
                    program php-fpm "$(fpm_command)"
                    program nginx "nginx -c $HERE/nginx.conf -e stderr"
                    ;;
                workers)
                    # What somebody waits for at the table has workers of its own, and comes before plans.
                    program planner "$(worker_command plans --sleep=0.25)" numprocs="$many" 'environment=ZIG_LANE_NICE="10"'
                    program reader "$(worker_command readings --sleep=0.08)" numprocs="$many"
                    program upkeep "$ROOT/ops/upkeep.sh $ROOT $INSTANCE"
                    ;;
            esac
        done
    } >"$HERE/supervisor.new"
    mv "$HERE/supervisor.new" "$HERE/supervisor.conf"
}

# Runs what is configured now; what is no longer configured, or otherwise, is ended.
supervisor_apply() {
    if supervised; then
        control_quiet update || fail "the supervisor refused; see var/$INSTANCE/log/start.log"
        return
    fi
    rm -f "$RUN/stopping"
    rm -rf "$RUN/beats"
    mkdir -p "$RUN/beats"
    setsid -f supervisord -c "$HERE/supervisor.conf" </dev/null >>"$LOGS/start.log" 2>&1 9>&-
    for _ in $(seq 100); do
        if supervised; then return 0; fi
        sleep 0.1
    done
    fail "the supervisor did not start; see var/$INSTANCE/log"
}

# The processes of this instance that still run: the supervisor, its services, and what is left of their groups.
supervisor_remains() {
    local file group
    for file in "$RUN"/*.group "$RUN/supervisor.pid"; do
        group=$(cat "$file" 2>/dev/null) || continue
        case "$group" in '' | *[!0-9]*) continue ;; esac
        if [ "${file##*/}" = supervisor.pid ]; then
            tr "\0" " " 2>/dev/null <"/proc/$group/cmdline" | grep -qF -- "$HERE/supervisor.conf" && printf '%s ' "$group"
        else
            for pid in $(pgrep -g "$group"); do
                # Only ours: the account's, and of the kinds that are run here (a number may be used again).
                [ -O "/proc/$pid" ] || continue
                case "$(readlink "/proc/$pid/exe" 2>/dev/null)" in
                    */mariadbd | */nginx | */php-fpm8.2 | */php8.2 | */php | */bash | */sleep | */mariadb-dump | */gzip) printf '%s ' "$pid" ;;
                esac
            done
        fi
    done
    return 0
}

supervisor_stop() {
    local left
    mkdir -p "$RUN"
    : >"$RUN/stopping"
    if supervised; then
        control_quiet shutdown || true
        for _ in $(seq 700); do
            [ -n "$(supervisor_remains)" ] || break
            sleep 0.1
        done
    fi
    # What did not follow, or belonged to a supervisor that was killed.
    left=$(supervisor_remains)
    if [ -n "$left" ]; then
        # shellcheck disable=SC2086
        kill -CONT $left 2>/dev/null || true
        # shellcheck disable=SC2086
        kill -TERM $left 2>/dev/null || true
        for _ in $(seq 300); do
            left=$(supervisor_remains)
            [ -n "$left" ] || break
            sleep 0.1
        done
        # shellcheck disable=SC2086
        [ -z "$left" ] || kill -KILL $left 2>/dev/null || true
    fi
    rm -f "$RUN"/*.group "$RUN"/supervisor.* "$RUN"/*.sock "$RUN"/*.pid
}
