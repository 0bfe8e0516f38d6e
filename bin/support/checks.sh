# The parts of bin/test: what each runs, in the background or in sight, and the count of what passed.
# Sourced by bin/test, which sets $filter, $keep and $files.

PARTS="style static core front app browser"

passed=0
failed=0

# Compiled while it runs, Pint takes a quarter less time.
style() {
    php -d opcache.enable_cli=1 -d opcache.jit=tracing -d opcache.jit_buffer_size=64M vendor/bin/pint --test || return 1
    php bin/support/long-lines.php
}

static() {
    vendor/bin/phpstan analyse -c phpstan-core.neon --no-progress --memory-limit=1G || return 1
    vendor/bin/phpstan analyse -c phpstan.neon --no-progress --memory-limit=1G
}

core() { vendor/bin/pest --testsuite=Core,Architecture --compact ${filter:+--filter="$filter"} ${files[@]+"${files[@]}"}; }

# The modules of the pages and the simulated services, without a browser.
front() { node --test --test-reporter=spec tests/Front; }

# The stories begin from the demo store as it is loaded: what earlier ones did is taken back.
demo() {
    local made_from
    # Of another key, nothing secret in it could be read.
    made_from=$(date +%F; setting APP_KEY | sha256sum; find app/Demo database standins -type f -newer "$VAR/snapshot/made" -print -quit 2>&1)
    if [ "$(cat "$VAR/snapshot/made" 2>/dev/null)" = "$made_from" ]; then
        restore_snapshot
    else
        forget_contents
        prepare_application
        start_standins
        load_demo --without-past
        keep_snapshot "$made_from"
    fi
}

keep_snapshot() {
    rm -rf "$VAR/snapshot"
    mkdir -p "$VAR/snapshot"
    mariadb-dump --no-defaults --socket="$DB_SOCKET" -uroot --single-transaction cairnfield > "$VAR/snapshot/database.sql" || return 1
    cp -r "$VAR/standins" "$VAR/snapshot/standins"
    cp -a "$(mailboxes)" "$VAR/snapshot/mail"
    say "$1" > "$VAR/snapshot/made"
}

restore_snapshot() {
    forget_contents
    database cairnfield < "$VAR/snapshot/database.sql" || return 1
    cp -r "$VAR/snapshot/standins" "$VAR/standins"
    cp -a "$VAR/snapshot/mail/." "$(mailboxes)"
    start_standins
}

# What is stored, while database and mail servers stay up.
forget_contents() {
    stop_services $WORKERS $(printf 'standin-%s ' $STANDINS)
    find "$(mailboxes)" -mindepth 1 -delete
    rm -rf "$VAR/standins"
    database -e 'DROP DATABASE IF EXISTS cairnfield; CREATE DATABASE cairnfield'
}


# Routes, settings and pages are read anew for each test: they are kept compiled.
app() {
    mkdir -p "$VAR/php"
    printf 'opcache.enable_cli=1\nopcache.memory_consumption=192\nopcache.revalidate_freq=0\n' > "$VAR/php/opcache.ini"
    local -x PHP_INI_SCAN_DIR=":$VAR/php"
    if [ -n "$filter" ] || [ ${#files[@]} -gt 0 ]; then
        vendor/bin/pest --testsuite=App --compact ${filter:+--filter="$filter"} ${files[@]+"${files[@]}"}
    else
        vendor/bin/pest --testsuite=App --parallel --processes=2 --compact
    fi
}

# Ordinary stories by two workers; those in which servers fail, workers are killed or everything is changed at once, alone; last
# the one in which everything is killed.
browser() {
    local status=0
    if [ -n "$filter" ] || [ ${#files[@]} -gt 0 ]; then
        stories --workers=2 ${filter:+--grep="$filter"} ${files[@]+"${files[@]}"}
        return
    fi
    stories --project=ordinary --workers=2 || status=1
    stories --project=alone --project=looking --workers=2 || status=1
    stories --project=chaos --workers=1 || status=1
    return $status
}

stories() { node_modules/.bin/playwright test --config tests/Browser/playwright.config.js "$@"; }

# Which test runs which line is measured by an extension that would slow everything else down: it is loaded here only.
# --filter names a place or a file of the core, such as Hours or Hours/Calendar.php, and FILE the tests that are to notice.
mutate() {
    install_debian_packages php8.2-pcov
    phpdismod -v 8.2 pcov
    mkdir -p "$VAR/pcov" vendor/pestphp/pest-plugin-mutate/.temp/mutations
    printf 'extension=pcov.so\npcov.enabled=1\npcov.directory=%s\n' "$ROOT/core" > "$VAR/pcov/pcov.ini"
    local which="<directory>$ROOT/tests/Core</directory>"
    [ ${#files[@]} -eq 0 ] || which=$(printf "<file>$ROOT/%s</file>" "${files[@]}")
    # Side by side, tests are named by one folder or by a suite: several files are made a suite.
    sed "s|<directory>tests/Core</directory>|$which|; s|\"vendor/|\"$ROOT/vendor/|; s|\"var/|\"$ROOT/var/|; s|>core<|>$ROOT/core<|" \
        phpunit.xml > "$VAR/mutate.xml"
    # Not with --processes: it is handed on to each try, which then fails for it, and every change would count as noticed.
    PHP_INI_SCAN_DIR=":$VAR/pcov" vendor/bin/pest --mutate --everything --covered-only --configuration="$VAR/mutate.xml" \
        --testsuite=Core --parallel --path="core${filter:+/$filter}" --ignore=**/data
}

title() {
    case "$1" in
        style) say 'Style (Pint)' ;;
        static) say 'Static analysis (PHPStan)' ;;
        core) say 'The core and the rings (Pest)' ;;
        front) say 'Scripts and simulated services (node --test)' ;;
        app) say 'The application (Pest)' ;;
        browser) say 'The browser (Playwright)' ;;
        demo) say 'The demo store' ;;
        mutate) say 'Changes that no test of the core notices (Pest)' ;;
    esac
}

sum() { grep -oE '[0-9]+' | awk '{ sum += $1 } END { print sum + 0 }'; }

plain() { sed 's/\x1b\[[0-9;]*m//g'; }

# in_background PART: begins it; await shows what it printed.
in_background() {
    local part=$1
    rm -f "$LOGS/test-$part.status"
    ( from=$SECONDS; "$part" > "$LOGS/test-$part.log" 2>&1; printf '%s %s\n' $? $((SECONDS - from)) > "$LOGS/test-$part.status" ) &
    printf '%s' $! > "$RUN/test-$part.pid"
}

# aside PART: in the background, too, one after the other, and with what the processor has left over: there is much of
# it while stories wait for servers that fail.
aside() {
    local part=$1
    rm -f "$LOGS/test-$part.status"
    ( exec 8> "$RUN/background.lock"; flock 8
      renice -n 19 "$BASHPID" > /dev/null
      from=$SECONDS; "$part" > "$LOGS/test-$part.log" 2>&1 8>&-; printf '%s %s\n' $? $((SECONDS - from)) > "$LOGS/test-$part.status" ) &
    printf '%s' $! > "$RUN/test-$part.pid"
}

await() {
    local part pid status seconds
    for part in "$@"; do
        pid=$(cat "$RUN/test-$part.pid" 2>/dev/null) || continue
        rm -f "$RUN/test-$part.pid"
        wait "$pid"
        read -r status seconds < "$LOGS/test-$part.status" || { status=1 seconds=0; }
        cat "$LOGS/test-$part.log"
        count "$part" "$status" "$seconds"
    done
}

# here PART: runs it in sight.
here() {
    local part=$1 from=$SECONDS
    "$part" 2>&1 | tee "$LOGS/test-$part.log"
    count "$part" "${PIPESTATUS[0]}" $((SECONDS - from))
}

# count PART STATUS SECONDS: its tests, or itself where it counts none.
count() {
    local part=$1 status=$2 seconds=$3 of_part
    say "── $(title "$part"): $([ "$status" = 0 ] && say passed || say FAILED) $seconds s"
    [ "$part" = demo ] && [ "$status" = 0 ] && return 0
    # The lines in which Pest, Playwright and Node count.
    of_part=$(plain < "$LOGS/test-$part.log" | grep -E '^ *(Tests: |[0-9]+ (passed|failed|flaky)|ℹ (pass|fail) )' \
        | grep -oE '([0-9]+ (passed|failed)|(pass|fail) [0-9]+)')
    local good bad
    good=$(say "$of_part" | grep pass | sum)
    bad=$(say "$of_part" | grep fail | sum)
    if [ "$status" = 0 ]; then
        passed=$((passed + (good > 0 ? good : 1)))
    else
        passed=$((passed + good))
        failed=$((failed + (bad > 0 ? bad : 1)))
    fi
}

end_background() {
    local pid
    for pid in $(cat "$RUN"/test-*.pid 2>/dev/null); do
        kill -TERM "$pid" 2>/dev/null
    done
    rm -f "$RUN"/test-*.pid
}

# Only what the checks need that were asked for.
install_for_checks() {
    exec 9> "$ROOT/var/install.lock"
    flock 9
    local packages=$DEBIAN_PACKAGES
    { wants app || wants browser; } && packages="$packages $DEBIAN_PACKAGES_FOR_TESTS"
    # Both wait for the network most of the time.
    local of_node=''
    if wants front || wants app || wants browser; then
        install_node_packages &
        of_node=$!
    fi
    install_debian_packages $packages
    { wants style || wants static || wants core || wants app || wants browser || wants mutate; } && install_php_libraries
    [ -z "$of_node" ] || wait "$of_node" || exit 1
    flock -u 9
    exec 9>&-
}

# What the tests of the application need beside them: database, Redis and mail, and nothing that looks for work by itself.
prepare_installation() {
    wants browser && build_front_end
    write_environment
    start_supervision
    start_mariadb
    CAIRNFIELD_REDIS=yes start_redis
    export TEST_REDIS_URL=redis://127.0.0.1:$REDIS_PORT
    start_mail_standin
}

# The rest of it, for the browser.
open_installation() {
    start_php_fpm
    start_nginx
    start_workers
}
