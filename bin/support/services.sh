# What is started, with which settings, and in which order: each keeps its log in var/logs.
. "$ROOT/bin/support/supervision.sh"

# wait_until NAME SECONDS COMMAND...: until the command succeeds, or say plainly which one did not answer.
wait_until() {
    local name=$1 seconds=$2 deadline
    shift 2
    deadline=$(($(date +%s) + seconds))
    until "$@" > /dev/null 2>&1; do
        [ "$(date +%s)" -lt $deadline ] || fail "$name did not answer within $seconds seconds." "$LOGS/$name.log"
        sleep 0.2
    done
}

port_is_taken() { (exec 3<> "/dev/tcp/127.0.0.1/$1") 2> /dev/null; }

refuse_foreign_port() {
    local wait
    clear_left "$1"
    # A process that was killed a moment ago may hold it still.
    for wait in 1 2 3 4 5; do
        port_is_taken "$2" || return 0
        sleep 0.2
    done
    ! port_is_taken "$2" || fail "Port $2, which $1 needs, is used by another program. Stop that, or set CAIRNFIELD_PORT to a free range of twenty."
}

database() { mariadb --no-defaults --socket="$DB_SOCKET" -uroot "$@"; }

start_mariadb() {
    if ! is_alive mariadb; then
        refuse_foreign_port mariadb "$DB_PORT"
        if [ ! -d "$VAR/mariadb/data/mysql" ]; then
            rm -rf "$VAR/mariadb"
            mkdir -p "$VAR/mariadb/tmp"
            mariadb-install-db --no-defaults --user=root --datadir="$VAR/mariadb/data" \
                --auth-root-authentication-method=normal --skip-test-db > "$LOGS/mariadb.log" 2>&1 \
                || fail 'The database could not be set up.' "$LOGS/mariadb.log"
        fi
        launch mariadb mariadbd --no-defaults --user=root --datadir="$VAR/mariadb/data" --tmpdir="$VAR/mariadb/tmp" \
            --bind-address=127.0.0.1 --port="$DB_PORT" --socket="$DB_SOCKET" --innodb-flush-log-at-trx-commit=1 \
            --character-set-server=utf8mb4 --collation-server=utf8mb4_unicode_ci --max-allowed-packet=64M \
            --innodb-buffer-pool-size=256M --skip-log-bin \
            --innodb-ft-min-token-size=1 --innodb-ft-enable-stopword=OFF ${CAIRNFIELD_DATABASE_OPTIONS:-}
    fi
    wait_until mariadb 60 database -e 'SELECT 1'
    database -e "CREATE DATABASE IF NOT EXISTS cairnfield;
        CREATE USER IF NOT EXISTS 'cairnfield'@'127.0.0.1' IDENTIFIED BY '$(setting DB_PASSWORD)';
        ALTER USER 'cairnfield'@'127.0.0.1' IDENTIFIED BY '$(setting DB_PASSWORD)';
        GRANT ALL ON \`cairnfield%\`.* TO 'cairnfield'@'127.0.0.1';" || fail 'The database could not be prepared.' "$LOGS/mariadb.log"
}

start_redis() {
    [ -n "${CAIRNFIELD_REDIS:-}" ] || return 0
    if ! is_alive redis; then
        mkdir -p "$VAR/redis"
        launch redis redis-server --bind 127.0.0.1 --port "$REDIS_PORT" --dir "$VAR/redis" --save '' --appendonly yes
    fi
    wait_until redis 20 redis-cli -p "$REDIS_PORT" ping
}

setting() { sed -n "s/^$1=//p" "$VAR/.env" | tail -n 1; }

write_environment() {
    mkdir -p "$VAR/storage/logs" "$VAR/storage/views" "$VAR/storage/files" "$VAR/storage/framework" "$VAR/cache"
    [ -f "$VAR/.env" ] && return 0
    local key password
    key=$(head -c 32 /dev/urandom | base64 -w0)
    password=$(head -c 18 /dev/urandom | base64 -w0 | tr '+/' 'xy')
    (umask 077 && cat > "$VAR/.env" <<ENV
APP_ENV=production
APP_KEY=base64:$key
APP_URL=http://127.0.0.1:$WEB_PORT
DB_HOST=127.0.0.1
DB_PORT=$DB_PORT
DB_DATABASE=cairnfield
DB_USERNAME=cairnfield
DB_PASSWORD=$password
STANDIN_SMTP_PORT=$SMTP_PORT
STANDIN_IMAP_PORT=$IMAP_PORT
STANDIN_PASSWORD=kites-$WEB_PORT
STANDINS_PORT=$STANDINS_PORT
${CAIRNFIELD_REDIS:+REDIS_URL=redis://127.0.0.1:$REDIS_PORT}
${CAIRNFIELD_ENVIRONMENT:-}
ENV
    ) || fail 'The settings could not be written.'
}

prepare_application() {
    (cd "$ROOT" && php artisan migrate --force) > "$LOGS/migrate.log" 2>&1 \
        || fail 'The database could not be brought up to date.' "$LOGS/migrate.log"
}

# load_demo [--without-past]
load_demo() {
    (cd "$ROOT" && php artisan demo:load "$@") > "$LOGS/demo.log" 2>&1 || fail 'The demo data could not be loaded.' "$LOGS/demo.log"
}

# Settings and routes, read once for all requests. Kept apart from where tests and commands look, which read them anew.
compile_settings() {
    export APP_CONFIG_CACHE=$VAR/cache/served/config.php APP_ROUTES_CACHE=$VAR/cache/served/routes.php
    mkdir -p "$VAR/cache/served"
    (cd "$ROOT" && php artisan config:cache && php artisan route:cache) > "$LOGS/compile.log" 2>&1 \
        || fail 'The settings and routes could not be read.' "$LOGS/compile.log"
}

# php_fpm_pool NAME CHILDREN SPARE: a pool of PHP processes of its own, with its own socket.
php_fpm_pool() {
    cat <<CONF
[$1]
listen = $RUN/php-fpm-$1.sock
listen.mode = 0600
$([ "$(id -u)" = 0 ] && printf 'user = root\ngroup = root')
pm = dynamic
pm.max_children = $2
pm.start_servers = $3
pm.min_spare_servers = 1
pm.max_spare_servers = $(($3 + 1))
pm.max_requests = 2000
; Nobody waits longer for a page, and no page may keep a child for ever.
request_terminate_timeout = 300s
clear_env = no
catch_workers_output = yes
php_admin_value[error_log] = $LOGS/php-errors.log
php_admin_flag[log_errors] = on
php_admin_flag[expose_php] = off
php_admin_value[memory_limit] = 512M
php_admin_value[post_max_size] = 72M
php_admin_value[upload_max_filesize] = 64M
php_admin_value[max_file_uploads] = 30
php_admin_value[upload_tmp_dir] = $VAR/tmp
php_admin_value[sys_temp_dir] = $VAR/tmp
CONF
}

start_php_fpm() {
    compile_settings
    if ! is_alive php-fpm; then
        cat > "$VAR/php-fpm.conf" <<CONF
[global]
error_log = $LOGS/php-fpm.log
daemonize = no
CONF
        # A flood of notices from outside takes its own children, and never those of somebody who opens a page.
        php_fpm_pool people 12 3 >> "$VAR/php-fpm.conf"
        php_fpm_pool intake 4 1 >> "$VAR/php-fpm.conf"
        mkdir -p "$VAR/tmp"
        local as_root=''
        [ "$(id -u)" = 0 ] && as_root=-R
        # A coverage extension, where there is one, would cost every page half its time.
        launch php-fpm php-fpm8.2 $as_root -d pcov.enabled=0 -F -y "$VAR/php-fpm.conf"
    fi
    wait_until php-fpm 20 test -S "$RUN/php-fpm-people.sock" -a -S "$RUN/php-fpm-intake.sock"
}

start_nginx() {
    if ! is_alive nginx; then
        refuse_foreign_port nginx "$WEB_PORT"
        mkdir -p "$VAR/nginx"
        cat > "$VAR/nginx.conf" <<CONF
$([ "$(id -u)" = 0 ] && echo 'user root;')
worker_processes 1;
pid $VAR/nginx/nginx.pid;
error_log $LOGS/nginx.log warn;
events { worker_connections 4096; }
http {
    include /etc/nginx/mime.types;
    default_type application/octet-stream;
    access_log off;
    server_tokens off;
    client_max_body_size 72m;
    client_body_temp_path $VAR/nginx/body;
    proxy_temp_path $VAR/nginx/proxy;
    fastcgi_temp_path $VAR/nginx/fastcgi;
    uwsgi_temp_path $VAR/nginx/uwsgi;
    scgi_temp_path $VAR/nginx/scgi;
    gzip on;
    gzip_types text/css application/javascript image/svg+xml;
    map \$request_uri \$pool { default people; ~^/intake/ intake; }
    server {
        listen 127.0.0.1:$WEB_PORT;
        root $ROOT/public;
        index index.php;
        location /build/ { expires 1y; add_header Cache-Control "public, immutable"; add_header X-Content-Type-Options nosniff; }
        location / { try_files \$uri /index.php?\$query_string; }
        # Only the one front controller is ever run.
        location = /index.php {
            include /etc/nginx/fastcgi_params;
            fastcgi_param SCRIPT_FILENAME \$document_root/index.php;
            # Checked by nginx, with the port that redirects need.
            fastcgi_param HTTP_HOST \$host:\$server_port;
            fastcgi_param HTTP_PROXY "";
            fastcgi_pass unix:$RUN/php-fpm-\$pool.sock;
            fastcgi_buffers 16 32k;
            fastcgi_buffer_size 64k;
        }
        location ~ \.php { return 404; }
        error_page 413 /too-large.html;
    }
}
CONF
        launch nginx nginx -c "$VAR/nginx.conf" -g 'daemon off;'
    fi
    wait_until nginx 30 curl -fsS -o /dev/null "http://127.0.0.1:$WEB_PORT/up"
}

# Dovecot works as users of its own, which may not be let into our folder.
is_open_to_dovecot() { [ "$(id -u)" != 0 ] || setpriv --reuid=mail --regid=mail --clear-groups test -x "$VAR"; }

# Where the stand-in keeps its mailboxes.
mailboxes() {
    if ! is_open_to_dovecot; then
        printf '/var/tmp/cairnfield-mail-%s' "$(printf '%s' "$VAR" | sha256sum | cut -c1-12)"
    else
        printf '%s/mail' "$VAR"
    fi
}

start_mail_standin() {
    local maildirs
    maildirs=$(mailboxes)
    mkdir -p "$maildirs"
    [ "$(id -u)" = 0 ] && chown mail:mail "$maildirs"
    if ! is_alive dovecot; then
        refuse_foreign_port dovecot "$IMAP_PORT"
        # The path of a socket has at most 108 characters.
        local base=$RUN/dovecot
        if [ ${#base} -gt 60 ] || ! is_open_to_dovecot; then
            base=/tmp/cairnfield-dovecot-$IMAP_PORT
        fi
        rm -rf "$base"
        mkdir -p "$base"
        sed -e "s#@BASE@#$base#g" -e "s#@LOG@#$LOGS/dovecot.log#g" -e "s#@PORT@#$IMAP_PORT#g" \
            -e "s#@MAILDIRS@#$maildirs#g" -e "s#@PASSWORD@#$(setting STANDIN_PASSWORD)#g" \
            "$ROOT/standins/mail/dovecot.conf" > "$VAR/dovecot.conf"
        launch dovecot dovecot -F -c "$VAR/dovecot.conf"
    fi
    wait_until dovecot 20 port_is_taken "$IMAP_PORT"
    if ! is_alive mail-standin; then
        refuse_foreign_port mail-standin "$SMTP_PORT"
        STANDIN_HTTP_PORT=$MAIL_PORT STANDIN_SMTP_PORT=$SMTP_PORT STANDIN_MAILDIRS=$maildirs STANDIN_LINKS=$(standin_links) \
            launch mail-standin node "$ROOT/standins/mail/server.js"
    fi
    wait_until mail-standin 20 curl -fsS -o /dev/null "http://127.0.0.1:$MAIL_PORT/"
}

standin_links() {
    local name port=$STANDINS_PORT
    printf 'Mail=http://127.0.0.1:%s' "$MAIL_PORT"
    for name in $STANDINS; do
        printf ' %s=http://127.0.0.1:%s' "$(standin_title "$name")" "$port"
        port=$((port + 1))
    done
}

standin_title() {
    case "$1" in shop) printf 'Shop' ;; wren-parcel) printf 'Wren_Parcel' ;; *) printf '%s' "$1" | sed 's/^./\u&/' ;; esac
}

# The networks, marketplaces, shop and carrier, each a process with data of its own.
start_standins() {
    local name port=$STANDINS_PORT links
    links=$(standin_links)
    for name in $STANDINS; do
        if ! is_alive "standin-$name"; then
            refuse_foreign_port "standin-$name" "$port"
            STANDIN_PORT=$port STANDIN_DATA=$VAR/standins/$name.json STANDIN_KEY=$(setting STANDIN_PASSWORD) STANDIN_LINKS=$links \
                launch "standin-$name" node "$ROOT/standins/$name/server.js"
        fi
        port=$((port + 1))
    done
    port=$STANDINS_PORT
    for name in $STANDINS; do
        wait_until "$name" 20 curl -fsS -o /dev/null "http://127.0.0.1:$port/"
        port=$((port + 1))
    done
}

# Workers hold the code that they were started with.
stop_outdated_workers() {
    local since=$RUN/workers.started
    [ -n "$(cd "$ROOT" && find app core config bootstrap routes -name '*.php' -newer "$since" -print -quit 2>&1)" ] || return 0
    stop_services $WORKERS
}

start_workers() {
    local queue last=
    stop_outdated_workers
    touch "$RUN/workers.started"
    # Answers leave before money is settled, and both before what nobody waits for.
    # Two that take in, so that what holds one up does not hold up the other ways in.
    for queue in intake intake outbox,settling,default rules; do
        local name=worker-${queue%%,*}
        [ "$name" != "$last" ] || name=$name-2
        last=$name
        is_alive "$name" || launch "$name" php "$ROOT/artisan" queue:work \
            --queue="$queue" --sleep=0.5 --max-time=3600 --memory=400 --timeout=300
    done
    # One run lasts to the end of the minute. Begun again and again it starts at once, where
    # schedule:work would wait for the next full minute.
    is_alive scheduler || launch scheduler php "$ROOT/artisan" schedule:run
}

# Each has said itself that it is at work.
wait_for_parts() {
    local part
    for part in intake outbox rules; do
        wait_until "worker-$part" 40 is_at_work "$part"
    done
    wait_until scheduler 40 is_at_work schedule
}

is_at_work() { curl -s "http://127.0.0.1:$WEB_PORT/health" | grep -q "\"$1\":\"ok\""; }

WORKERS="scheduler worker-intake worker-intake-2 worker-outbox worker-rules"

# All there is, those that use the database before the database.
every_part() { printf '%s ' $WORKERS nginx php-fpm mail-standin $(printf 'standin-%s ' $STANDINS) dovecot redis mariadb; }

stop_all() {
    stop_services $(every_part | sed 's/dovecot redis mariadb//')
    stop_services dovecot redis mariadb
    end_supervision
}

# Throws away what is stored.
forget_all() {
    stop_all
    rm -rf "$(mailboxes)" "${VAR:?}"/{mariadb,storage,cache,redis,standins,services,tmp,.env}
}
