#!/usr/bin/env bash
# Runs one service of an instance under its supervisor:
#   ops/service.sh RUN-FOLDER NAME COMMAND …
# What an earlier life of the same service left behind (a killed master's children hold its port, its socket, its files)
# is ended first. The service ends when its supervisor does.
set -u
run=$1 name=$2
shift 2
mine=$(readlink -f "$(command -v "$1")")

# Processes of the group that the last life led, if they still run the same program.
left_behind() {
    local group pid
    group=$(cat "$run/$name.group" 2>/dev/null) || return 0
    case "$group" in '' | *[!0-9]* | "$$") return 0 ;; esac
    for pid in $(pgrep -g "$group"); do
        [ "$(readlink "/proc/$pid/exe" 2>/dev/null)" != "$mine" ] || printf '%s ' "$pid"
    done
}

pids=$(left_behind)
if [ -n "$pids" ]; then
    echo "$name: ending what was left behind: $pids" >&2
    # shellcheck disable=SC2086
    kill -TERM $pids 2>/dev/null
    for _ in $(seq 50); do
        [ -n "$(left_behind)" ] || break
        sleep 0.1
    done
    pids=$(left_behind)
    # shellcheck disable=SC2086
    [ -z "$pids" ] || kill -KILL $pids 2>/dev/null
    while [ -n "$(left_behind)" ]; do sleep 0.1; done
fi
echo "$$" >"$run/$name.group"
[ -z "${ZIG_LANE_NICE:-}" ] || renice -n "$ZIG_LANE_NICE" -p $$ >/dev/null 2>&1
exec setpriv --pdeathsig TERM -- "$@"
