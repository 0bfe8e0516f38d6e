# Installs what is missing: Debian packages, PHP libraries, Node packages, the built front end.
# Each step looks first and does nothing where nothing is missing.

DEBIAN_PACKAGES="mariadb-server php8.2-mysql php8.2-fpm php8.2-curl php8.2-zip php8.2-gd php8.2-imap php8.2-redis \
php8.2-bcmath php8.2-intl php8.2-mbstring php8.2-xml nginx-light curl procps runit dovecot-imapd php-league-config fonts-dejavu-core"
DEBIAN_PACKAGES_FOR_TESTS="redis-server chromium-headless-shell mutt swaks"

install_debian_packages() {
    local missing=() package
    for package in "$@"; do
        dpkg-query -W -f '${Status}' "$package" 2>/dev/null | grep -q 'install ok installed' || missing+=("$package")
    done
    [ ${#missing[@]} -eq 0 ] && return 0
    [ "$(id -u)" = 0 ] || fail "These Debian packages are missing, and installing them takes root: ${missing[*]}"
    say "Installing ${missing[*]} …"
    # Packages must not start services of their own: this project starts its own, under var/.
    local policy=/usr/sbin/policy-rc.d made=''
    if [ ! -e $policy ]; then
        printf '#!/bin/sh\nexit 101\n' > $policy && chmod +x $policy && made=yes
    fi
    { apt-get update && DEBIAN_FRONTEND=noninteractive apt-get install -y --no-install-recommends "${missing[@]}"; } \
        > "$LOGS/install.log" 2>&1 || { [ -n "$made" ] && rm -f $policy; fail 'Installing Debian packages failed.' "$LOGS/install.log"; }
    [ -n "$made" ] && rm -f $policy
    return 0
}

# Runs a command only when the files it depends on changed since it last succeeded.
when_changed() {
    local stamp=$ROOT/var/stamps/$1 depends=$2
    shift 2
    mkdir -p "$ROOT/var/stamps"
    local now
    now=$(cd "$ROOT" && find $depends -type f -print0 | sort -z | xargs -0 sha256sum | sha256sum)
    [ -f "$stamp" ] && [ "$(cat "$stamp")" = "$now" ] && return 0
    "$@" || return 1
    printf '%s' "$now" > "$stamp"
}

install_php_libraries() {
    [ -f "$ROOT/vendor/autoload.php" ] || rm -f "$ROOT/var/stamps/composer"
    when_changed composer 'composer.json substitutes' compose \
        || fail 'Installing the PHP libraries failed.' "$LOGS/composer.log"
}

compose() {
    say 'Installing the PHP libraries …'
    (cd "$ROOT" && rm -f composer.lock && composer update --no-progress --no-scripts --optimize-autoloader) > "$LOGS/composer.log" 2>&1
}

install_node_packages() {
    [ -d "$ROOT/node_modules" ] || rm -f "$ROOT/var/stamps/npm"
    when_changed npm 'package.json package-lock.json' node_packages \
        || fail 'Installing the Node packages failed.' "$LOGS/npm.log"
}

node_packages() {
    say 'Installing the Node packages …'
    (cd "$ROOT" && npm ci --no-audit --no-fund --ignore-scripts) > "$LOGS/npm.log" 2>&1
}

build_front_end() {
    [ -f "$ROOT/public/build/manifest.json" ] || rm -f "$ROOT/var/stamps/build"
    when_changed build 'resources/js resources/scss vite.config.js package-lock.json' front_end \
        || fail 'Building the front end failed.' "$LOGS/build.log"
}

front_end() {
    say 'Building the front end …'
    (cd "$ROOT" && npm run build) > "$LOGS/build.log" 2>&1
}

install_all() {
    mkdir -p "$LOGS" "$RUN"
    # One installation at a time: two starts may run side by side.
    exec 9> "$ROOT/var/install.lock"
    flock 9
    install_debian_packages $DEBIAN_PACKAGES "$@"
    install_php_libraries
    install_node_packages
    build_front_end
    flock -u 9
    exec 9>&-
}
