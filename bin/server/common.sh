# What bin/start, bin/test and bin/bench share: installing, building, and the servers on loopback. Sourced, not run.

ROOT=$(cd "$(dirname "${BASH_SOURCE[0]}")/../.." && pwd)
cd "$ROOT"

say() { printf '%s\n' "$*" >&2; }
fail() { say "$*"; exit 1; }

# PostgreSQL refuses to run as root, and the others need not: started by root, servers run as www-data.
# A prefix, not a function, so that what is started in the background has the number that $! says.
AS_SERVER=()
if [ "$(id -u)" -eq 0 ]; then
    AS_SERVER=(setpriv --reuid=www-data --regid=www-data --clear-groups)
    if ! "${AS_SERVER[@]}" test -x "$ROOT"; then
        # A folder above lets only root through. Rather than open it, everything runs in a namespace of its own,
        # where the project also stands at a place that can be reached.
        PLACE=/tmp/sternbild-$(printf '%s' "$ROOT" | sha256sum | cut -c1-12)
        mkdir -p "$PLACE"
        chmod 755 "$PLACE"
        [ -z "${STERNBILD_PLACED:-}" ] || fail "The servers run as www-data, who cannot reach $ROOT. Move the project, or let others pass."
        export STERNBILD_PLACED=1
        exec unshare --mount -- bash -c 'mount --bind "$0" "$1" && cd "$1" && shift && exec "$@"' "$ROOT" "$PLACE" "bin/$(basename "$0")" "$@"
    fi
fi

# Debian's packages the application runs on, and those its tests add.
PACKAGES_RUN=(procps util-linux php8.2-cli php8.2-fpm php8.2-pgsql php8.2-mbstring php8.2-xml php8.2-curl php8.2-zip php8.2-gd php8.2-imagick php-apcu postgresql-15 nginx-light librsvg2-bin)
PACKAGES_TEST=(openssl chromium-headless-shell python3-pil python3-shapely python3-svgelements)

PG_BIN=/usr/lib/postgresql/15/bin
PHP_FPM=/usr/sbin/php-fpm8.2

# Installs the given Debian packages where they are missing. Their services are not started.
need_packages() {
    local missing=() package
    for package in "$@"; do
        dpkg-query -W -f='${Status}' "$package" 2>/dev/null | grep -q 'ok installed' || missing+=("$package")
    done
    [ ${#missing[@]} -eq 0 ] && return 0
    local line="apt-get install -y --no-install-recommends ${missing[*]}"
    if [ "$(id -u)" -ne 0 ]; then
        say "Some Debian packages are missing. Run this as root, then start again:"
        say "  apt-get update && $line"
        exit 1
    fi
    say "Installing ${missing[*]}"
    local log policy=/usr/sbin/policy-rc.d ours= status=0
    log=$(mktemp)
    # Debian asks this file before it starts a service of what it installs.
    if [ ! -e "$policy" ]; then
        printf '#!/bin/sh\nexit 101\n' >"$policy"
        chmod 755 "$policy"
        ours=1
    fi
    { apt-get update -qq && DEBIAN_FRONTEND=noninteractive $line; } >"$log" 2>&1 || status=$?
    [ -z "$ours" ] || rm -f "$policy"
    if [ "$status" -ne 0 ]; then
        tail -n 30 "$log" >&2
        fail "The packages could not be installed."
    fi
    rm -f "$log"
}

# Runs a command unless it ran on the same files before. $1: name, $2: hash of what it hangs on, then the command.
once_for() {
    local stamp="$ROOT/storage/stamps/$1" hash=$2 log
    shift 2
    [ -f "$stamp" ] && [ "$(cat "$stamp")" = "$hash" ] && return 0
    log=$(mktemp)
    if ! "$@" >"$log" 2>&1; then
        tail -n 40 "$log" >&2
        rm -f "$log"
        fail "Failed: $*"
    fi
    rm -f "$log"
    mkdir -p "$ROOT/storage/stamps"
    printf '%s' "$hash" >"$stamp"
}

hash_of() { cat "$@" 2>/dev/null | sha256sum | cut -d' ' -f1; }
hash_of_tree() { find "$@" -type f -print0 | sort -z | xargs -0 sha256sum | sha256sum | cut -d' ' -f1; }

install_dependencies() {
    mkdir -p bootstrap/cache storage
    [ -f vendor/autoload.php ] || rm -f storage/stamps/composer
    [ -d node_modules/vite ] || rm -f storage/stamps/npm
    say "Checking Composer packages"
    COMPOSER_ALLOW_SUPERUSER=1 once_for composer "$(hash_of composer.json core/composer.json)" composer install --no-interaction --no-progress
    # Some archives, and some checkouts, have files that only their owner may read; started by root, the server is another user.
    [ "$(id -u)" -ne 0 ] || chmod -R a+rX app artisan bin bootstrap compat composer.json config core database desk public resources routes scanner vendor
    # Which classes there are hangs on the tree, not only on composer.json.
    COMPOSER_ALLOW_SUPERUSER=1 once_for autoload "$(find app core/src core/tests desk scanner tests compat database -name '*.php' | sort | sha256sum | cut -d' ' -f1)" composer dump-autoload --optimize --no-interaction
    say "Checking npm packages"
    # Not "npm ci": the package source lacks some binaries for other systems, which the lock file then lacks, too.
    PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD=1 once_for npm "$(hash_of package-lock.json)" npm install --no-save --no-audit --no-fund
}

build_front_end() {
    [ -f public/build/manifest.json ] || rm -f storage/stamps/front-end
    say "Building the front end"
    once_for front-end "$(hash_of_tree resources/js resources/css resources/api vite.config.ts package-lock.json)" npm run --silent build
}

# A TCP port on loopback that nothing listens on: the wanted one, else the next free one.
free_port() {
    php -r 'for ($port = (int) $argv[1]; $port < 65535; $port++) { $s = @stream_socket_server("tcp://127.0.0.1:$port"); if ($s) { echo $port; exit(0); } } exit(1);' "$1"
}

# Makes the folder that a server keeps everything in, and a short-lived one for sockets and configuration.
prepare_home() {
    SERVER_HOME=$1
    mkdir -p "$SERVER_HOME"/framework/{cache/data,sessions,views} "$SERVER_HOME"/{logs,app}
    RUN=$(mktemp -d /tmp/sternbild.XXXXXX)
    if [ ! -f "$SERVER_HOME/app.key" ]; then
        (umask 077; printf 'base64:%s' "$(head -c 32 /dev/urandom | base64 -w0)" >"$SERVER_HOME/app.key")
    fi
    local name
    for name in database keeper; do
        [ -f "$SERVER_HOME/$name.password" ] || (umask 077; head -c 24 /dev/urandom | base64 -w0 | tr '+/' '-_' >"$SERVER_HOME/$name.password")
    done
    if [ "$(id -u)" -eq 0 ]; then
        chown -R www-data:www-data "$SERVER_HOME/framework" "$SERVER_HOME/logs" "$SERVER_HOME/app" "$SERVER_HOME"/{database,keeper}.password "$RUN"
        chown www-data:www-data "$SERVER_HOME"
    fi
    APP_KEY=$(cat "$SERVER_HOME/app.key")
    DB_PASSWORD=$(cat "$SERVER_HOME/database.password")
    export APP_KEY DB_PASSWORD DB_HOST=127.0.0.1 DB_USERNAME=sternbild DB_DATABASE=sternbild
    export LARAVEL_STORAGE_PATH=$SERVER_HOME APP_ENV=${APP_ENV:-production}
    # What the framework writes down about itself, at a place that the server may write to.
    export APP_PACKAGES_CACHE=$SERVER_HOME/framework/packages.php APP_SERVICES_CACHE=$SERVER_HOME/framework/services.php
    export APP_CONFIG_CACHE=$SERVER_HOME/framework/config.php APP_ROUTES_CACHE=$SERVER_HOME/framework/routes.php APP_EVENTS_CACHE=$SERVER_HOME/framework/events.php
}

# The same for whoever is about to serve from it: what an earlier start put together, with other passwords and ports perhaps, goes. Beside a server that runs it is what that serves by.
begin_home() {
    prepare_home "$1"
    rm -f "$SERVER_HOME"/framework/{config,routes,events,packages,services}.php
}

# As the superuser of the cluster, which the application is not.
as_keeper() { PGOPTIONS='-c client_min_messages=warning' PGPASSWORD=$(cat "$SERVER_HOME/keeper.password") psql -X -q -h 127.0.0.1 -p "$DB_PORT" -U keeper -d postgres "$@"; }

# A cluster whose pages carry checksums. One from before there was a keeper is brought up to that.
prepare_cluster() {
    local data="$SERVER_HOME/postgres"
    if [ ! -f "$data/PG_VERSION" ]; then
        rm -rf "$data"
        "${AS_SERVER[@]}" "$PG_BIN/initdb" -D "$data" -U keeper -A scram-sha-256 --pwfile="$SERVER_HOME/keeper.password" --data-checksums -E UTF8 --locale=C.UTF-8 >"$RUN/initdb.log" 2>&1 \
            || { cat "$RUN/initdb.log" >&2; fail "The database cluster could not be created."; }
    elif "${AS_SERVER[@]}" "$PG_BIN/pg_controldata" "$data" | grep -q 'checksum version: *0$'; then
        "${AS_SERVER[@]}" "$PG_BIN/pg_checksums" --enable -D "$data" >/dev/null 2>&1 || say "Checksums are put on at a start after the database was stopped in peace."
    fi
}

# $@: further settings for postgres, as -c name=value
start_postgres() {
    local data="$SERVER_HOME/postgres"
    DB_PORT=$(free_port 54320)
    export DB_PORT
    prepare_cluster
    # What went wrong is logged, not the words and values of people.
    POSTGRES_OPTIONS="-c log_error_verbosity=terse -c log_min_error_statement=panic -c listen_addresses=127.0.0.1 -c port=$DB_PORT -c unix_socket_directories='' $*"
    "${AS_SERVER[@]}" "$PG_BIN/pg_ctl" -D "$data" -w -t 60 -l "$SERVER_HOME/logs/postgres.log" -o "$POSTGRES_OPTIONS" start >/dev/null \
        || { tail -n 20 "$SERVER_HOME/logs/postgres.log" >&2; fail "PostgreSQL did not start."; }
    STARTED_POSTGRES=$data
    if ! as_keeper -c '' 2>/dev/null; then
        PGPASSWORD=$DB_PASSWORD psql -X -q -h 127.0.0.1 -p "$DB_PORT" -U sternbild -d postgres <<SQL || fail "The database's keeper could not be made."
CREATE ROLE keeper SUPERUSER LOGIN PASSWORD '$(cat "$SERVER_HOME/keeper.password")';
SQL
    fi
    as_keeper -f "$ROOT/database/role.sql" || fail "The database could not be prepared."
}

stop_postgres() {
    if [ -n "${STARTED_POSTGRES:-}" ]; then
        "${AS_SERVER[@]}" "$PG_BIN/pg_ctl" -D "$STARTED_POSTGRES" -m fast -w -t 10 stop >/dev/null 2>&1 || true
    fi
    STARTED_POSTGRES=
}

artisan() { "${AS_SERVER[@]}" env HOME="$RUN" php artisan "$@"; }

# The configuration of a php-fpm. $1: its name, $2: its workers. It shares with others what the database keeps, and nothing else.
write_fpm() {
    cat >"$RUN/$1.conf" <<FPM
[global]
pid = $RUN/$1.pid
error_log = $SERVER_HOME/logs/fpm.log
daemonize = no
process_control_timeout = ${GRACE}s
[sternbild]
listen = $RUN/$1.sock
pm = static
pm.max_children = $2
pm.max_requests = 2000
clear_env = no
catch_workers_output = yes
request_terminate_timeout = 10s
php_admin_value[memory_limit] = 256M
php_admin_value[post_max_size] = 64M
php_admin_value[upload_max_filesize] = 62M
php_admin_value[max_execution_time] = 8
php_admin_value[expose_php] = 0
php_admin_value[display_errors] = 0
${STERNBILD_PREPEND:+php_admin_value[auto_prepend_file] = $STERNBILD_PREPEND}
FPM
}

# Seconds within which what is under way may end when servers are stopped.
GRACE=3

# So many requests of one address are taken in at once; behind a proxy that is trusted all come from one.
held_to_few() { [ -n "${STERNBILD_PROXIES:-}" ] || printf 'limit_conn_zone $binary_remote_addr zone=addresses:2m; limit_conn addresses 200; limit_conn_status 429;'; }

# How many application servers stand behind nginx.
APP_SERVERS=${APP_SERVERS:-1}

# nginx's list of them. $1: which of their pools, $2: what else is said of each. One that is away is asked again each time: it says so at once.
servers_of() { local n; for n in $(seq "$APP_SERVERS"); do printf 'server unix:%s/%s.%s.sock max_fails=0 %s; ' "$RUN" "$1" "$n" "${2:-}"; done; }

# $1: wanted port. Writes the configuration of php-fpm and nginx, starts both, waits until they answer.
start_web() {
    local n
    WEB_PORT=$(free_port "$1")
    # Where it listens, and where people find it, which may be a proxy before it.
    SERVED="http://127.0.0.1:$WEB_PORT"
    export SERVED APP_URL=${APP_URL:-$SERVED}
    for n in $(seq "$APP_SERVERS"); do
        write_fpm "php.$n" 6
        write_fpm "line.$n" 2
    done
    cat >"$RUN/fastcgi.conf" <<FASTCGI
include /etc/nginx/fastcgi_params;
fastcgi_param SCRIPT_FILENAME $ROOT/public/index.php;
fastcgi_param SCRIPT_NAME /index.php;
fastcgi_param LARAVEL_STORAGE_PATH $SERVER_HOME;
fastcgi_buffers 64 32k;
fastcgi_buffer_size 32k;
FASTCGI
    # From here the application sends whoever had much of the machine of late to a line of their own; it sees how long a request waited.
    cat >"$RUN/shared.conf" <<SHARED
include $RUN/fastcgi.conf;
fastcgi_param STERNBILD_LINE none;
fastcgi_param REQUEST_ARRIVED \$msec;
fastcgi_pass app;
SHARED
    # What nginx itself has to say to programs, as the application says such things.
    cat >"$RUN/said.conf" <<SAID
error_page 413 @too-large;
error_page 408 @too-slow;
error_page 429 @too-many;
error_page 500 502 503 504 @no-answer;
SAID
    cat >"$RUN/nginx.conf" <<NGINX
worker_processes 2;
worker_rlimit_nofile $(ulimit -Hn);
worker_shutdown_timeout ${GRACE}s;
pid $RUN/nginx.pid;
error_log $SERVER_HOME/logs/nginx.log error;
daemon off;
# Connections that say nothing are many before they stand in anybody's way, and are let go after a few seconds.
events { worker_connections 4096; }
http {
    include /etc/nginx/mime.types;
    default_type application/octet-stream;
    access_log off;
    server_tokens off;
    client_header_timeout 8s;
    client_body_timeout 10s;
    send_timeout 20s;
    keepalive_timeout 30s;
    reset_timedout_connection on;
    $(held_to_few)
    client_max_body_size 12m;
    client_body_buffer_size 256k;
    client_body_temp_path $RUN/body;
    proxy_temp_path $RUN/proxy;
    fastcgi_temp_path $RUN/fastcgi;
    uwsgi_temp_path $RUN/uwsgi;
    scgi_temp_path $RUN/scgi;
    gzip on;
    gzip_comp_level 2;
    gzip_min_length 1024;
    gzip_types application/json application/javascript text/css image/svg+xml;
    upstream app { $(servers_of php)}
    # Where the line is away, the others serve it as well.
    upstream line { $(servers_of line) $(servers_of php backup)}
    server {
        listen 127.0.0.1:$WEB_PORT;
        root $ROOT/public;
        add_header X-Content-Type-Options nosniff always;
        add_header Referrer-Policy same-origin always;
        add_header Content-Security-Policy "default-src 'self'; img-src 'self' data: blob:; style-src 'self' 'unsafe-inline'; frame-ancestors 'none'; base-uri 'self'; form-action 'self'" always;
        add_header Permissions-Policy "camera=(), geolocation=(), microphone=(), payment=(), usb=()" always;
        # Scripts of the server are run, never sent.
        location ~ \.php\$ { return 404; }
        location /build/ {
            expires 1y;
            try_files \$uri =404;
        }
        # Pictures, drawings and plans with their pictures are larger than plans.
        location ~ ^/api/(pictures|bundles|drawings|sheets/[0-9a-f-]+/drawings)\$ {
            include $RUN/said.conf;
            client_max_body_size 64m;
            try_files \$uri @api;
        }
        location /api/ {
            include $RUN/said.conf;
            try_files \$uri @api;
        }
        location / { try_files \$uri @app; }
        location @app { include $RUN/shared.conf; }
        location @api {
            include $RUN/said.conf;
            include $RUN/shared.conf;
        }
        location @line {
            include $RUN/said.conf;
            include $RUN/fastcgi.conf;
            fastcgi_param STERNBILD_LINE moves;
            fastcgi_pass line;
        }
        location @too-large { default_type application/json; return 413 '{"problem":"too-large","message":"What was sent is larger than can be taken in."}'; }
        location @too-slow { default_type application/json; return 408 '{"problem":"waiting","message":"What was sent did not come in time. Please try again."}'; }
        location @too-many { default_type application/json; return 429 '{"problem":"waiting","message":"Too much is asked for from your address at once. Please wait a moment."}'; }
        location @no-answer { default_type application/json; return 503 '{"problem":"away","message":"The server does not answer."}'; }
        location @stands-back {
            include $RUN/said.conf;
            include $RUN/fastcgi.conf;
            fastcgi_param STERNBILD_LINE "stands back";
            fastcgi_pass line;
        }
    }
}
NGINX
    # Before the configuration is put together: it says where the scanner is.
    start_scanner
    # So that a request need not put them together anew.
    artisan optimize --quiet
    start_fpm
    start_nginx
    start_workers
    wait_for "$SERVED/up"
}

# nginx, php-fpm, the scanner and each worker lead a group of processes, by which all of one are found, also after its master died.
# By their names, too: a number that was noted down may belong to somebody else by now. Says whether there were any.
end_group() { pkill -KILL -g "$1" -f '^(nginx: |php-fpm: |[^ ]*rsvg-convert |timeout .*rsvg-convert |bash .*server/work\.sh|php .*queue:work|php .*scanner/(index|lamp)\.php)' 2>/dev/null; }

end_groups() {
    local leader
    for leader in "$@"; do end_group "$leader" || true; done
}

# So many files are made at once on this machine; who asks for more waits in turn.
FILE_WORKERS=2

start_workers() {
    local n
    WORKER_PIDS=
    for n in $(seq "$FILE_WORKERS"); do
        SERVER_HOME="$SERVER_HOME" HOME="$RUN" setsid "${AS_SERVER[@]}" bash "$ROOT/bin/server/work.sh" &
        WORKER_PIDS="$WORKER_PIDS $!"
        disown
    done
}

# The simulated scanner: a device of its own, on loopback, that the application asks over HTTP. It keeps its port when it is started again.
start_scanner() {
    SCANNER_PORT=${SCANNER_PORT:-$(free_port 8470)}
    export SCANNER_URL="http://127.0.0.1:$SCANNER_PORT"
    SCANNER_HOME="$RUN/scanner" PHP_CLI_SERVER_WORKERS=3 setsid "${AS_SERVER[@]}" php -S "127.0.0.1:$SCANNER_PORT" "$ROOT/scanner/index.php" >/dev/null 2>>"$SERVER_HOME/logs/scanner.log" &
    SCANNER_PID=$!
    disown
    wait_for "$SCANNER_URL/up"
}

stop_scanner() {
    [ -z "${SCANNER_PID:-}" ] || end_groups "$SCANNER_PID"
    SCANNER_PID=
}

start_nginx() {
    setsid "${AS_SERVER[@]}" /usr/sbin/nginx -c "$RUN/nginx.conf" -e "$SERVER_HOME/logs/nginx.log" -p "$RUN" &
    NGINX_PID=$!
}

# By itself, so that a test can take php-fpm away and bring it back. Their masters' numbers are noted in fpm.started.
start_fpm() {
    local n
    FPM_PID=
    for n in $(seq "$APP_SERVERS"); do
        start_one_fpm "php.$n"
        # For those who had much of the machine of late.
        start_one_fpm "line.$n"
    done
    printf '%s' "$FPM_PID" >"$RUN/fpm.started"
}

start_one_fpm() {
    "${AS_SERVER[@]}" "$PHP_FPM" --fpm-config "$RUN/$1.conf" -d apc.shm_size=96M -d opcache.enable=1 -d opcache.memory_consumption=96 -d opcache.validate_timestamps=1 -d opcache.jit_buffer_size=32M -d opcache.jit=tracing 2>>"$SERVER_HOME/logs/fpm.notices" &
    FPM_PID="$FPM_PID $!"
}

wait_for() {
    php -r '
        $until = microtime(true) + 30;
        $quiet = stream_context_create(["http" => ["timeout" => 5, "ignore_errors" => false]]);
        while (microtime(true) < $until) { if (@file_get_contents($argv[1], false, $quiet) !== false) exit(0); usleep(50000); }
        exit(1);' "$1" || { tail -n 20 "$SERVER_HOME"/logs/*.log >&2; fail "The server does not answer at $1."; }
}

stop_web() {
    local started=
    # One that is gone already must not keep the others up. No new request is taken in; those under way may end.
    if [ -n "${NGINX_PID:-}" ]; then
        kill -QUIT "$NGINX_PID" 2>/dev/null || true
        wait "$NGINX_PID" 2>/dev/null || true
    fi
    if [ -n "${FPM_PID:-}" ]; then
        started=$(cat "$RUN/fpm.started" 2>/dev/null || echo "$FPM_PID")
        # What nginx gave up on is not waited for any longer.
        kill $started 2>/dev/null || true
        wait $FPM_PID 2>/dev/null || true
        # What they had started, pictures for one, ends with them.
        end_groups $started
    fi
    # A file that was being made is made again by the next worker.
    end_groups ${WORKER_PIDS:-}
    stop_scanner
    NGINX_PID= FPM_PID= WORKER_PIDS=
}

stop_all() {
    stop_web
    stop_postgres
    [ -n "${RUN:-}" ] && rm -rf "$RUN"
    return 0
}
