# Who runs an instance: the caller, or, when that is root, an account of its own without any rights; sourced by bin/zig-lane.

ACCOUNT=${ZIG_LANE_ACCOUNT:-zig-lane}

is_root() { [ "$(id -u)" = 0 ]; }

# The number of the account that runs, or will run, the instance.
account_number() { if is_root; then id -u "$ACCOUNT" 2>/dev/null || echo 0; else id -u; fi; }

as_root() {
    if is_root; then
        "$@"
    elif command -v sudo >/dev/null; then
        sudo "$@"
    else
        fail "this needs root or sudo: $*"
    fi
}

make_account() {
    is_root || return 0
    id "$ACCOUNT" >/dev/null 2>&1 ||
        useradd --system --user-group --home-dir /nonexistent --no-create-home --shell /usr/sbin/nologin "$ACCOUNT" ||
        fail "the account $ACCOUNT could not be made"
    [ "$(id -u "$ACCOUNT")" != 0 ] || fail "the account $ACCOUNT is root's"
}

# Runs this very command, as the account: bin/zig-lane as_account up live
as_account() {
    if is_root; then
        setpriv --reuid "$ACCOUNT" --regid "$ACCOUNT" --init-groups --inh-caps=-all --bounding-set=-all \
            env HOME="$HERE" "$ROOT/bin/zig-lane" "$@" 9>&-
    else
        "$ROOT/bin/zig-lane" "$@" 9>&-
    fi
}

# Files of an instance that an earlier version, or root by mistake, left to root are handed over.
hand_over() {
    mkdir -p "$ROOT/var"
    is_root || return 0
    chmod a+rx "$ROOT/var"
    mkdir -p "$HERE"
    find "$HERE" \( ! -user "$ACCOUNT" -o ! -group "$ACCOUNT" \) -exec chown -h "$ACCOUNT:$ACCOUNT" {} +
}

# Where the account may not read this folder (a home of root's, say), the program runs from a copy that it can read.
readable_copy() {
    is_root || return 0
    if setpriv --reuid "$ACCOUNT" --regid "$ACCOUNT" --init-groups test -r "$ROOT/public/index.php" -a -r "$ROOT/core/InvalidInput.php" -a -x "$ROOT/bin/zig-lane"; then
        return 0
    fi
    local copy name
    copy="/var/lib/zig-lane/$(printf '%s' "$ROOT" | sha256sum | cut -c1-16)"
    say "The account $ACCOUNT cannot read $ROOT: Zig Lane runs from its copy in $copy."
    mkdir -p "$copy"
    chmod 755 /var/lib/zig-lane "$copy"
    for name in $(ls -A "$ROOT"); do
        case "$name" in
            .git | var) ;;
            vendor) [ -e "$copy/vendor" ] || cp -R "$ROOT/vendor" "$copy/" ;;
            *)
                rm -rf "${copy:?}/$name"
                cp -R "$ROOT/$name" "$copy/"
                ;;
        esac
    done
    chmod -R a+rX "$copy" 2>/dev/null || true
    exec "$copy/bin/zig-lane" "$@"
}
