# The workers that plan, one for each core; sourced by bin/zig-lane. Each is started again when it ends.

workers_wanted() { printf '%s' "${ZIG_LANE_WORKERS:-$(nproc)}"; }

worker_runs() { runs "$HERE/run/worker-$1.pid" "ops/worker.sh $HERE"; }

workers_run() {
    local n
    for n in $(seq "$(workers_wanted)"); do worker_runs "$n" || return 1; done
}

workers_start() {
    # New code: the old ones end when they have finished, or at once when idle.
    workers_stop
    local n
    for n in $(seq "$(workers_wanted)"); do
        detached bash "$ROOT/ops/worker.sh" "$HERE" "$n"
    done
    for _ in $(seq 50); do
        if workers_run; then return 0; fi
        sleep 0.1
    done
    fail "the workers do not start; see var/$INSTANCE/log/worker.log"
}

workers_stop() {
    local file
    for file in "$HERE"/run/worker-*.pid; do
        [ -e "$file" ] || continue
        if runs "$file" "ops/worker.sh $HERE"; then end_process "$file"; fi
        rm -f "$file"
    done
}
