# What bin/backup and bin/restore share. Sourced, not run.

# Where pictures are kept, where that is a folder of this machine.
pictures_of() { printf '%s/pictures' "${STERNBILD_FILES:-$SERVER_HOME/app}"; }

# The PostgreSQL of this folder: the one that serves, else one that is started for now, while nothing else may start here.
use_postgres() {
    need_packages "${PACKAGES_RUN[@]}"
    local home=${STERNBILD_HOME:-$ROOT/storage/server}
    trap stop_all EXIT
    trap 'exit 130' INT TERM
    prepare_home "$home"
    local note="$home/postgres/postmaster.pid"
    if [ -f "$note" ] && kill -0 "$(head -n 1 "$note")" 2>/dev/null; then
        DB_PORT=$(sed -n 4p "$note")
        export DB_PORT
    else
        exec 9>"$home/start.lock"
        flock -n 9 || fail "Sternbild is just being started, or stopped. Try again in a moment."
        start_postgres 9>&-
    fi
}
