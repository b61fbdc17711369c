# The tests; sourced by bin/zig-lane. They run on an instance of their own under var/test.

PLANNING_TESTS=
end_test_instance() {
    [ -z "$PLANNING_TESTS" ] || kill "$PLANNING_TESTS" 2>/dev/null || true
    as_account down >/dev/null
}

phpunit() { exec php "${PHP_JIT[@]}" vendor/bin/phpunit --testsuite "$1"; }

# The planning tests need nothing but the processor: they run beside the others, and what they say comes when they are done.
planning_tests_begin() {
    phpunit planning >"$ROOT/var/planning-tests.log" 2>&1 &
    PLANNING_TESTS=$!
}

planning_tests_end() {
    local answer=0
    say "— core, routes and plans"
    wait "$PLANNING_TESTS" || answer=$?
    PLANNING_TESTS=
    cat "$ROOT/var/planning-tests.log"
    return "$answer"
}

prepare_test_instance() {
    install_packages $RUN_PACKAGES $TEST_PACKAGES
    make_account
    readable_copy "${COMMAND[@]}"
    install_libraries test
    instance "${1:-test}"
    hand_over
    export ZIG_LANE_NAME=$INSTANCE ZIG_LANE_LOG="$ROOT/var/phpunit.log"
    : >"$ZIG_LANE_LOG"
    trap end_test_instance EXIT
}

# up ENVIRONMENT PART …; what it says goes to where it is looked for when it fails.
test_instance() {
    (
        unset ZIG_LANE_LOG
        as_account up "$@"
    ) >"$ROOT/var/test-instance.log" 2>&1 || {
        cat "$ROOT/var/test-instance.log" >&2
        fail "the tests' instance did not start"
    }
}

served_address() { printf 'http://127.0.0.1:%s' "$(cat "$HERE/web.port")"; }

# The test instance with nothing but the demo racks in it, being served.
serve_the_demo() {
    prepare_test_instance
    test_instance prod database
    local table
    for table in plan message task rack_revision rack setting profile; do
        (unset ZIG_LANE_LOG && console dbal:run-sql --quiet "DELETE FROM $table")
    done
    test_instance prod database web workers
    ZIG_LANE_URL=$(served_address)
    export ZIG_LANE_URL
}

run_screenshots() {
    serve_the_demo
    php vendor/bin/phpunit tests/Browser/Screenshots.php
}

run_measure() {
    serve_the_demo
    php ops/measure-redraw.php "$ZIG_LANE_URL"
}

run_fuzz() {
    serve_the_demo
    php tools/fuzz.php "$ZIG_LANE_URL" "${1:-2000}" "${2:-1}"
}

run_clients() {
    serve_the_demo
    local path
    for path in / /racks/1 /racks/3 '/racks/3?leg=1'; do
        printf '%s ' "$path"
        php tools/load.php "$ZIG_LANE_URL" "${1:-100}" 10 read "$path"
    done
}

run_test() {
    local part=${1:-all} began=$SECONDS
    prepare_test_instance
    case "$part" in
        all | analysis | app) test_instance test database ;;
    esac
    if [ "$part" = all ] || [ "$part" = core ]; then
        planning_tests_begin
    fi
    if [ "$part" = all ] || [ "$part" = style ]; then
        say "— style"
        vendor/bin/pint --test
    fi
    if [ "$part" = all ] || [ "$part" = analysis ]; then
        say "— analysis"
        mkdir -p var/phpstan
        php -d memory_limit=1G vendor/bin/phpstan analyse --no-progress --memory-limit=1G
        console doctrine:schema:validate
    fi
    if [ "$part" = all ] || [ "$part" = app ]; then
        say "— app"
        (phpunit app)
    fi
    if [ "$part" = all ] || [ "$part" = core ]; then
        say "— core"
        (phpunit core)
        planning_tests_end
    fi
    if [ "$part" = all ] || [ "$part" = browser ]; then
        say "— browser"
        test_instance prod database web workers
        (ZIG_LANE_URL=$(served_address) phpunit browser)
        say "— bad requests"
        php tools/fuzz.php "$(served_address)" 800 1
    fi
    as_account down >/dev/null
    if [ "$part" = all ] || [ "$part" = operations ]; then
        say "— operations"
        ops/test-operations.sh
    fi
    say "All of it passed in $((SECONDS - began)) s."
}
