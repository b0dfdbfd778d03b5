# How bin/start keeps its servers up. Sourced, not run.

# Within a minute servers are started again so often; then something is wrong that starting again does not mend.
MOST_RESTARTS=3

# A log is begun anew beyond this size, in bytes; the one before is kept.
LARGEST_LOG=10000000

# Emptied where it lies: all who write to it append.
rotate_logs() {
    local log
    for log in "$SERVER_HOME"/logs/*.log "$SERVER_HOME"/logs/*.notices; do
        if [ -f "$log" ] && [ "$(stat -c %s "$log")" -gt "$LARGEST_LOG" ]; then
            cp -p "$log" "$log.before"
            : >"$log"
        fi
    done
}

# Masters of the servers, so that a later start finds what an earlier one that was killed left behind.
note_servers() { printf '%s\n' "$NGINX_PID" $FPM_PID $WORKER_PIDS "$SCANNER_PID" >"$SERVER_HOME/servers"; }

# Stops what an earlier start of this folder left: it holds the lock, so nobody else uses it.
stop_leftovers() {
    local pid data="$SERVER_HOME/postgres"
    for pid in $(cat "$SERVER_HOME/servers" 2>/dev/null); do
        end_group "$pid" && say "Stopped a server that was left running"
    done
    rm -f "$SERVER_HOME/servers"
    if [ -f "$data/postmaster.pid" ] && kill -0 "$(head -n 1 "$data/postmaster.pid")" 2>/dev/null; then
        say "Stopping a PostgreSQL that was left running"
        "${AS_SERVER[@]}" "$PG_BIN/pg_ctl" -D "$data" -m fast -w -t 20 stop >/dev/null 2>&1 || true
    fi
}

is_up() {
    local pid
    case $1 in
        nginx) kill -0 "$NGINX_PID" 2>/dev/null ;;
        scanner) kill -0 "$SCANNER_PID" 2>/dev/null ;;
        php-fpm) for pid in $FPM_PID; do kill -0 "$pid" 2>/dev/null || return 1; done ;;
        "makers of files") for pid in $WORKER_PIDS; do kill -0 "$pid" 2>/dev/null || return 1; done ;;
        PostgreSQL) kill -0 "$(head -n 1 "$SERVER_HOME/postgres/postmaster.pid" 2>/dev/null || echo none)" 2>/dev/null ;;
    esac
}

start_again() {
    case $1 in
        nginx)
            end_groups "$NGINX_PID"
            start_nginx
            ;;
        php-fpm)
            end_groups $FPM_PID
            start_fpm
            ;;
        "makers of files")
            end_groups $WORKER_PIDS
            start_workers
            ;;
        scanner)
            end_groups "$SCANNER_PID"
            start_scanner
            ;;
        PostgreSQL)
            # Backends that outlived it end by themselves; until then their memory is in use.
            local attempt
            for attempt in 1 2 3 4 5; do
                "${AS_SERVER[@]}" "$PG_BIN/pg_ctl" -D "$SERVER_HOME/postgres" -w -t 10 -l "$SERVER_HOME/logs/postgres.log" -o "$POSTGRES_OPTIONS" start >/dev/null 2>&1 && return 0
                pause
            done
            ;;
    esac
}

# A second that a signal ends.
pause() {
    sleep 1 9>&- &
    wait $! || true
}

# Starts again what ends by itself, a few times; then ends and takes everything with it.
watch_servers() {
    local server death kept deaths=() seconds=0
    while true; do
        [ $((seconds++ % 60)) -ne 0 ] || rotate_logs
        pause
        for server in PostgreSQL php-fpm nginx "makers of files" scanner; do
            is_up "$server" && continue
            kept=()
            for death in "${deaths[@]:-}"; do
                [ -n "$death" ] && [ $((SECONDS - death)) -lt 60 ] && kept+=("$death")
            done
            deaths=("${kept[@]:-}" "$SECONDS")
            [ ${#kept[@]} -lt $MOST_RESTARTS ] || fail "$server ended again, for the fourth time within a minute; $SERVER_HOME/logs says why."
            say "$server ended by itself and is started again."
            start_again "$server" 9>&- || say "$server did not start."
            note_servers
        done
    done
}
