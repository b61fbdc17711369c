#!/usr/bin/env bash
# Run by the supervisor, and keeps it in turn: when the supervisor dies without having been told to stop, a new one is begun.
# Also ends workers that hang: each touches a file of its own every second.
#   ops/keeper.sh ROOT RUN-FOLDER CONFIGURATION
set -u
root=$1 run=$2 configuration=$3
parent=$PPID
silent=${ZIG_LANE_SILENT:-15} # s without a beat

while sleep 1; do
    # Field 4 of the process's own record is its parent: another one took over when the first died.
    if [ "$(awk '{print $4}' "/proc/$$/stat")" != "$parent" ]; then
        [ -e "$run/stopping" ] || setsid -f supervisord -c "$configuration" </dev/null >/dev/null 2>&1
        exit 0
    fi
    now=$(date +%s)
    for beat in "$run"/beats/*; do
        [ -e "$beat" ] || continue
        pid=${beat##*/}
        if ! [ -d "/proc/$pid" ]; then
            rm -f "$beat"
        elif [ $((now - $(stat -c %Y "$beat"))) -gt "$silent" ] && tr '\0' ' ' <"/proc/$pid/cmdline" | grep -qF -- "$root/bin/console messenger:consume"; then
            echo "worker $pid has hung for more than $silent s: ended"
            kill -KILL "$pid"
            rm -f "$beat"
        fi
    done
done
