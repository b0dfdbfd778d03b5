#!/usr/bin/env bash
# Makes files in turn, without end: a worker that ends by itself, for one because the database went away, is followed by another.
cd "$(dirname "${BASH_SOURCE[0]}")/../.." || exit 1
while true; do
    php -d memory_limit=512M -d opcache.enable_cli=0 artisan queue:work --queue=letters,files,more-files,tidying --sleep=0.2 --timeout=60 --memory=300 --quiet >>"$SERVER_HOME/logs/workers.notices" 2>&1
    sleep 1
done
