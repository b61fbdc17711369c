# Debian's packages and Composer's; sourced by bin/zig-lane.

RUN_PACKAGES="php8.2-cli php8.2-fpm php8.2-mysql php8.2-mbstring php8.2-xml php8.2-intl php8.2-curl php8.2-zip
    php8.2-gd php8.2-apcu php8.2-opcache mariadb-server nginx-light composer unzip git ca-certificates procps util-linux
    supervisor gzip passwd"
LAN_PACKAGES="mkcert qrencode"
TEST_PACKAGES="mkcert qrencode chromium chromium-driver nodejs npm"

install_packages() {
    mkdir -p "$ROOT/var"
    local missing=() name
    for name in "$@"; do
        dpkg-query -W -f '${Status}' "$name" 2>/dev/null | grep -q 'ok installed' || missing+=("$name")
    done
    # these may have come another way
    local other
    for other in composer npm; do
        if command -v "$other" >/dev/null; then
            missing=("${missing[@]/#$other/}")
        fi
    done
    local wanted=()
    for name in "${missing[@]}"; do [ -z "$name" ] || wanted+=("$name"); done
    [ ${#wanted[@]} -gt 0 ] || return 0
    say "Installing ${wanted[*]} …"
    # Debian starts servers as it installs them; ours run on their own, on loopback, so that is held back meanwhile.
    local held=''
    if [ ! -e /usr/sbin/policy-rc.d ]; then
        printf '#!/bin/sh\nexit 101\n' | as_root tee /usr/sbin/policy-rc.d >/dev/null
        as_root chmod +x /usr/sbin/policy-rc.d
        held=yes
    fi
    local failed=''
    as_root apt-get update -qq >>"$ROOT/var/install.log" 2>&1 || true
    as_root env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "${wanted[@]}" \
        >>"$ROOT/var/install.log" 2>&1 || failed=yes
    [ -z "$held" ] || as_root rm -f /usr/sbin/policy-rc.d
    if [ -n "$failed" ]; then
        tail -n 20 "$ROOT/var/install.log" >&2
        fail "some packages could not be installed"
    fi
}

# Composer's packages, pinned in composer.json; "run" leaves out what only tests need, "test" has all.
install_libraries() {
    local want have flags=()
    want="$(cat composer.json ops/pinned/*/composer.json | sha256sum | cut -c1-64)"
    have="$(cat vendor/.zig-lane 2>/dev/null || true)"
    [ "$have" != "$want test" ] || return 0
    if [ "$1" = run ]; then
        [ "$have" != "$want run" ] || return 0
        flags=(--no-dev)
    fi
    mkdir -p "$ROOT/var"
    say "Installing PHP libraries …"
    COMPOSER_ALLOW_SUPERUSER=1 composer update --no-interaction --no-progress --no-scripts --optimize-autoloader \
        "${flags[@]}" >>"$ROOT/var/install.log" 2>&1 || {
        tail -n 20 "$ROOT/var/install.log" >&2
        fail "the PHP libraries could not be installed"
    }
    # Packages bring modes of their own; the account that runs the program must read them.
    chmod -R a+rX vendor
    printf '%s %s' "$want" "$1" >vendor/.zig-lane
}

# What checks the page's modules, pinned in tests/Modules/package-lock.json.
install_module_checks() {
    local want
    want="$(sha256sum tests/Modules/package-lock.json | cut -c1-64)"
    [ "$(cat tests/Modules/node_modules/.zig-lane 2>/dev/null || true)" != "$want" ] || return 0
    mkdir -p "$ROOT/var"
    say "Installing what checks the modules …"
    (cd tests/Modules && npm ci --no-audit --no-fund --ignore-scripts) >>"$ROOT/var/install.log" 2>&1 || {
        tail -n 20 "$ROOT/var/install.log" >&2
        fail "what checks the modules could not be installed"
    }
    printf '%s' "$want" >tests/Modules/node_modules/.zig-lane
}
