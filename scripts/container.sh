#!/bin/sh
# One process of Fujin in a container: prepare (tables up to date, then it ends), web or worker.
set -eu
secret() { cat "/run/secrets/$1"; }
FUJIN_SECRET=$(secret secret)
FUJIN_DATABASE_URL="postgresql://fujin_app:$(secret app)@$FUJIN_DATABASE"
export FUJIN_SECRET FUJIN_DATABASE_URL
case "$1" in
  prepare)
    FUJIN_OWNER_URL="postgresql://fujin_owner:$(secret owner)@$FUJIN_DATABASE"
    export FUJIN_OWNER_URL FUJIN_DEMO=none
    exec bundle exec ruby server/prepare_database.rb ;;
  web) exec bundle exec puma -q -C server/puma.rb -b tcp://0.0.0.0:4810 server/config.ru ;;
  worker) exec bundle exec ruby server/work.rb ;;
  *) echo "fujin: prepare, web or worker, not '$1'" >&2; exit 2 ;;
esac
