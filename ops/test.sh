# The tests; sourced by bin/zig-lane. They run on an instance of their own under var/test.

PLANNING_TESTS=
end_test_instance() {
    [ -z "$PLANNING_TESTS" ] || kill "$PLANNING_TESTS" 2>/dev/null || true
    workers_stop
    web_stop
    database_stop
}

phpunit() { exec php "${PHP_JIT[@]}" vendor/bin/phpunit --testsuite "$1"; }

# The planning tests need nothing but the processor: they run beside the others, and what they say comes when they are done.
planning_tests_begin() {
    mkdir -p "$HERE/log"
    phpunit planning >"$HERE/log/planning-tests" 2>&1 &
    PLANNING_TESTS=$!
}

planning_tests_end() {
    local answer=0
    say "— core, routes and plans"
    wait "$PLANNING_TESTS" || answer=$?
    PLANNING_TESTS=
    cat "$HERE/log/planning-tests"
    return "$answer"
}

prepare_test_instance() {
    instance test
    one_at_a_time
    install_packages $RUN_PACKAGES $TEST_PACKAGES
    install_libraries test
    rm -rf var/cache/test
}

start_test_database() {
    trap end_test_instance EXIT
    database_start
    write_settings test
    console_quiet doctrine:migrations:migrate --no-interaction --allow-no-migration
}

# The test instance with nothing but the demo racks in it, being served.
serve_the_demo() {
    prepare_test_instance
    start_test_database
    local table
    for table in plan rack_revision rack setting profile; do console dbal:run-sql --quiet "DELETE FROM $table"; done
    console zig-lane:demo
    web_start
    workers_start
    export ZIG_LANE_URL="http://127.0.0.1:$(cat "$HERE/web.port")"
}

take_screenshots() {
    serve_the_demo
    php vendor/bin/phpunit tests/Browser/Screenshots.php
}

measure_redraw() {
    serve_the_demo
    php ops/measure-redraw.php "$ZIG_LANE_URL"
}

run_tests() {
    local part=${1:-all} began=$SECONDS
    prepare_test_instance
    case "$part" in
        all | analysis | app | browser) start_test_database ;;
        core) trap end_test_instance EXIT ;;
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
        web_start
        workers_start
        (ZIG_LANE_URL="http://127.0.0.1:$(cat "$HERE/web.port")" phpunit browser)
    fi
    if [ "$part" = all ] || [ "$part" = operations ]; then
        say "— operations"
        ops/test-operations.sh
    fi
    say "All of it passed in $((SECONDS - began)) s."
}
