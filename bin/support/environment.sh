# Where everything is, and on which ports. Sourced by the commands in bin/.
# CAIRNFIELD_VAR and CAIRNFIELD_PORT make a second installation beside the first, as the tests do.

ROOT=$(cd "$(dirname "${BASH_SOURCE[0]}")/../.." && pwd)
export CAIRNFIELD_VAR=${CAIRNFIELD_VAR:-$ROOT/var}
export CAIRNFIELD_PORT=${CAIRNFIELD_PORT:-8460}
mkdir -p "$CAIRNFIELD_VAR"
VAR=$(cd "$CAIRNFIELD_VAR" && pwd)
CAIRNFIELD_VAR=$VAR

WEB_PORT=$CAIRNFIELD_PORT
MAIL_PORT=$((CAIRNFIELD_PORT + 1))
SMTP_PORT=$((CAIRNFIELD_PORT + 2))
IMAP_PORT=$((CAIRNFIELD_PORT + 3))
DB_PORT=$((CAIRNFIELD_PORT + 4))
REDIS_PORT=$((CAIRNFIELD_PORT + 5))
# The simulated services, each on a port of its own from here on, in this order.
STANDINS="pennon snapline marrowby quaymart shop wren-parcel tollgate"
STANDINS_PORT=$((CAIRNFIELD_PORT + 6))

RUN=$VAR/run
LOGS=$VAR/logs
DB_SOCKET=$RUN/mariadb.sock

export COMPOSER_ALLOW_SUPERUSER=1 COMPOSER_NO_INTERACTION=1
export PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD=1

say() { printf '%s\n' "$*"; }

fail() {
    printf '\n%s\n' "$1" >&2
    if [ -n "${2:-}" ] && [ -f "$2" ]; then
        printf 'The last lines of %s:\n' "$2" >&2
        tail -n 15 "$2" >&2
    fi
    exit 1
}
