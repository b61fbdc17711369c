#!/usr/bin/env bash
# Keeps one worker of an instance going: starts it again whenever it ends. Ends with it on TERM.
#   ops/worker.sh var/NAME NUMBER
set -u
cd "$(dirname "$(readlink -f "${BASH_SOURCE[0]}")")/.."
here=$1
echo $$ >"$here/run/worker-$2.pid"
child=''
trap '[ -z "$child" ] || kill -TERM "$child" 2>/dev/null; wait; exit 0' TERM INT
while true; do
    began=$SECONDS
    php -d memory_limit=256M -d opcache.enable=1 -d opcache.enable_cli=1 -d opcache.jit_buffer_size=64M -d opcache.jit=tracing \
        bin/console zig-lane:work >>"$here/log/worker.log" 2>&1 &
    child=$!
    wait "$child"
    # One that ends at once would only be started again and again.
    [ $((SECONDS - began)) -gt 1 ] || sleep 2 &
    wait $!
done
