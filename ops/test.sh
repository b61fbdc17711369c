# The tests; sourced by bin/zig-lane. They run on an instance of their own under var/test.

declare -A BESIDE=()
end_test_instance() {
    local pid
    for pid in "${BESIDE[@]}"; do kill -- "-$pid" 2>/dev/null || true; done
    as_account down >/dev/null
}

phpunit() { exec php "${PHP_JIT[@]}" vendor/bin/phpunit --testsuite "$1"; }

# What needs no server, or one of its own, runs beside the rest; what it says comes when it is waited for: begin_beside NAME COMMAND …
begin_beside() {
    setsid "${@:2}" >"$ROOT/var/$1-tests.log" 2>&1 &
    BESIDE[$1]=$!
}

end_beside() {
    local answer=0
    say "— $1"
    wait "${BESIDE[$1]}" || answer=$?
    unset "BESIDE[$1]"
    cat "$ROOT/var/$1-tests.log"
    return "$answer"
}

# Takes the processor time that others leave. Linux shares it among sessions first, where "nice" alone counts for nothing.
stand_back() {
    renice -n 10 -p $BASHPID >/dev/null
    (echo 10 >/proc/self/autogroup) 2>/dev/null || true
}

# The suites named that nobody has begun yet: two lanes share them, so that both end at about the same time. core_tests SUITE …
core_tests() {
    local suite
    for suite; do
        mkdir "$TAKEN/$suite" 2>/dev/null || continue
        say "— $suite"
        php "${PHP_JIT[@]}" vendor/bin/phpunit --testsuite "$suite" || return
    done
}

# What needs nothing but the code: check_STYLE and so on, one after the other. checks PART …
checks() {
    local part
    for part; do
        say "— $part"
        "check_$part" || return
    done
}

check_style() { vendor/bin/pint --test; }

check_analysis() {
    mkdir -p var/phpstan
    php -d memory_limit=1G vendor/bin/phpstan analyse --no-progress --memory-limit=1G
}

check_modules() {
    install_module_checks || return
    tests/Modules/node_modules/.bin/eslint -c tests/Modules/eslint.config.js public/app/*.mjs public/app/*/*.mjs public/table-worker.js tests/Modules/*.mjs || return
    node --test tests/Modules/*.test.mjs >var/modules-tests.log 2>&1 || {
        cat var/modules-tests.log
        fail "a test of the page's modules failed"
    }
}

prepare_test_instance() {
    install_packages $RUN_PACKAGES $TEST_PACKAGES
    make_account
    readable_copy "${COMMAND[@]}"
    install_libraries test
    instance "${1:-test}"
    hand_over
    export ZIG_LANE_NAME=$INSTANCE ZIG_LANE_LOG="$ROOT/var/phpunit.log"
    # Two suites run beside each other: a plan among them takes no processor from the other.
    export ZIG_LANE_PROCESSES=1
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

# The test instance, being served; over the local network, too, where that is this machine, with a passphrase for the tests.
serve_to_the_tests() {
    export ZIG_LANE_LAN_ADDRESS=127.0.0.1 ZIG_LANE_URL ZIG_LANE_LAN_URL ZIG_LANE_PASSPHRASE
    test_instance prod database web workers lan
    ZIG_LANE_URL=$(served_address)
    ZIG_LANE_LAN_URL=$(cat "$HERE/lan/address")
    ZIG_LANE_PASSPHRASE="tests $(head -c 12 /dev/urandom | sha256sum | cut -c1-16)"
    printf '%s\n' "$ZIG_LANE_PASSPHRASE" | as_account sign_in_anew >/dev/null
}

# The test instance with nothing but the demo racks in it, being served.
serve_the_demo() {
    prepare_test_instance
    test_instance prod database
    local table
    for table in shared_drill assignment posed_choice shared_plan table_photo own_drill drill_round plan message task rack_revision rack setting profile attempt play_session upload; do
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

wanted() { [ "$PART" = all ] || [[ " $* " == *" $PART "* ]]; }

run_test() {
    PART=${1:-all}
    local began=$SECONDS
    if [ "$PART" = survey ]; then
        PART=core
        export ZIG_LANE_SURVEY=1
    fi
    prepare_test_instance
    ! wanted analysis app || test_instance test database
    local suites=() checks=() part
    ! wanted core || suites=(planning core decision routes experiments)
    ! wanted core golden || suites+=(golden)
    for part in style analysis modules; do ! wanted "$part" || checks+=("$part"); done
    TAKEN=$ROOT/var/taken
    rm -rf "$TAKEN"
    mkdir -p "$TAKEN"
    # One lane checks the code and then the core, a second one the core alone, and this one has the tests that need a server, which often
    # only wait. They end at about the same time. Pages and browsers that are waited for go before the core: it takes what they leave.
    local functions
    functions=$(declare -f say fail stand_back install_module_checks checks check_style check_analysis check_modules core_tests && declare -p ROOT PHP_JIT TAKEN)
    if wanted core; then
        begin_beside core bash -c "$functions; stand_back; core_tests ${suites[*]}"
        begin_beside checks bash -c "$functions; stand_back; checks ${checks[*]} && core_tests ${suites[*]}"
    else
        checks "${checks[@]}"
    fi
    ! wanted operations || begin_beside operations ops/test-operations.sh
    ! wanted analysis app || console doctrine:schema:validate
    if wanted app; then
        say "— app"
        (phpunit app)
    fi
    if wanted browser; then
        say "— browser"
        serve_to_the_tests
        (phpunit browser)
        say "— bad requests"
        php tools/fuzz.php "$ZIG_LANE_URL" 800 1
        php tools/fuzz.php "$ZIG_LANE_LAN_URL" 150 2
    fi
    core_tests "${suites[@]}"
    ! wanted core || end_beside checks
    ! wanted core || end_beside core
    ! wanted operations || end_beside operations
    say "All of it passed in $((SECONDS - began)) s."
}
