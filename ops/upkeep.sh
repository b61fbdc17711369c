#!/usr/bin/env bash
# Looks after an instance while it runs: once a minute what has had its time is removed, once a day a copy of everything is made
# (the last seven are kept).   ops/upkeep.sh ROOT INSTANCE
set -u
root=$1 instance=$2
backups="$root/var/$instance/backups"
export ZIG_LANE_INSTANCE=$instance
trap 'kill $! 2>/dev/null; exit 0' TERM
while true; do
    php "$root/bin/console" zig-lane:upkeep --no-interaction || true
    if [ -z "$(find "$backups" -name 'nightly-*.sql.gz' -mmin -1380 2>/dev/null)" ]; then
        ZIG_LANE_NAME=$instance "$root/bin/zig-lane" nightly || true
    fi
    sleep 60 &
    wait $!
done
