# Listening on the local network: TLS by an authority of this machine's own, the address as a code; sourced by bin/zig-lane.

# The address to listen on: what was asked for, or that of the interface that was, else the first private one.
lan_address() {
    local wished=${ZIG_LANE_LAN_ADDRESS:-} found
    if [[ "$wished" =~ ^[0-9a-fA-F.:]+$ ]] && [[ "$wished" == *[.:]* ]]; then
        printf '%s' "$wished"
        return
    fi
    found=$(php -r '
        foreach (net_get_interfaces() as $name => $interface) {
            foreach ($interface["unicast"] ?? [] as $one) {
                $address = $one["address"] ?? "";
                if ($argv[1] === "" ? ($name !== "lo" && filter_var($address, FILTER_VALIDATE_IP, FILTER_FLAG_IPV4)) : ($name === $argv[1] && $address !== "")) {
                    exit(print $address);
                }
            }
        }' "$wished")
    [ -n "$found" ] || fail "no address ${wished:+of $wished }to listen on; say which: ZIG_LANE_LAN_ADDRESS=192.168.1.5 bin/zig-lane start --lan"
    printf '%s' "$found"
}

# Names under which the application answers there, as one pattern; nothing when it does not listen there.
lan_hosts() {
    [ -s "$HERE/lan/names" ] || {
        printf '^$'
        return
    }
    sed -e 's/[][\.*^$]/\\&/g' "$HERE/lan/names" | paste -sd'|' | sed -e 's/^/^(/' -e 's/$/)$/'
}

lan_port() {
    local had
    had=$(cat "$HERE/lan/port" 2>/dev/null || true)
    if [ -n "$had" ] && supervised && control status 'nginx:*' 2>/dev/null | grep -q RUNNING; then
        printf '%s' "$had"
    else
        choose_port "${ZIG_LANE_LAN_PORT:-8643}" "$had"
    fi
}

lan_prepare() {
    local address port shown
    command -v mkcert >/dev/null && command -v qrencode >/dev/null || fail "mkcert and qrencode are missing: bin/zig-lane start --lan installs them"
    address=$(lan_address)
    mkdir -p "$HERE/lan/authority"
    port=$(lan_port)
    shown=$address
    [[ "$address" != *:* ]] || shown="[$address]"
    # Another address or name needs another certificate; the authority stays.
    printf '%s\n%s.local\n' "$shown" "$(hostname -s)" >"$HERE/lan/names.new"
    if ! cmp -s "$HERE/lan/names.new" "$HERE/lan/names" || [ ! -s "$HERE/lan/key.pem" ] || ! openssl_is_good "$HERE/lan/certificate.pem"; then
        CAROOT="$HERE/lan/authority" mkcert -cert-file "$HERE/lan/certificate.pem" -key-file "$HERE/lan/key.pem" "$address" "$(hostname -s).local" >>"$LOGS/start.log" 2>&1 ||
            fail "the certificate could not be made; see var/$INSTANCE/log/start.log"
        mv "$HERE/lan/names.new" "$HERE/lan/names"
    fi
    rm -f "$HERE/lan/names.new"
    printf '%s' "$port" >"$HERE/lan/port"
    printf 'https://%s:%s/' "$shown" "$port" >"$HERE/lan/address"
    qrencode -t SVG -m 1 -o "$HERE/lan/code.svg" "$(cat "$HERE/lan/address")"
    cat >"$HERE/lan.conf" <<EOF
server {
    listen $shown:$port ssl;
    ssl_certificate $HERE/lan/certificate.pem;
    ssl_certificate_key $HERE/lan/key.pem;
    ssl_protocols TLSv1.2 TLSv1.3;
    ssl_session_cache shared:lan:2m;
    # Who comes without TLS is sent to where it is.
    error_page 497 =301 https://\$host:\$server_port\$request_uri;
    set \$lan 1;
    include $HERE/nginx-server.conf;
}
EOF
}

# Whether a certificate lasts another week.
openssl_is_good() {
    php -r '$c = @openssl_x509_parse((string) @file_get_contents($argv[1])); exit($c && $c["validTo_time_t"] > time() + 604800 ? 0 : 1);' "$1"
}

# The authority and its certificate stay: phones that trust it need not be told again.
lan_end() { rm -f "$HERE/lan.conf" "$HERE/lan/names" "$HERE/lan/address"; }

lan_say() {
    local address
    address=$(cat "$HERE/lan/address")
    say "On the local network it is at $address"
    qrencode -t ANSIUTF8 -m 1 "$address"
    say "How a phone comes to trust it: http://127.0.0.1:$(cat "$HERE/web.port")/phone"
}

# Asked for where a person sits; what is typed does not show.
ask_passphrase() {
    local words=''
    [ ! -t 0 ] || printf 'Another passphrase (nothing: one is made): ' >&2
    read -rs words || true
    [ ! -t 0 ] || printf '\n' >&2
    printf '%s\n' "$words" | as_account sign_in_anew
}

run_sign_in_anew() {
    local words
    supervised || fail "Zig Lane is not running; start it first"
    read -r words || true
    if [ -n "$words" ]; then
        printf '%s\n' "$words" | console zig-lane:passphrase
    else
        console zig-lane:passphrase --make
    fi
}
