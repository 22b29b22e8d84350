#!/bin/sh
# Run once by the database's container: the role that owns the tables and the application's, which owns nothing.
set -eu
psql -v ON_ERROR_STOP=1 -U fujin -d fujin -v owner="$(cat /run/secrets/owner)" -v app="$(cat /run/secrets/app)" <<'SQL'
CREATE ROLE fujin_owner LOGIN PASSWORD :'owner';
CREATE ROLE fujin_app LOGIN PASSWORD :'app';
ALTER DATABASE fujin OWNER TO fujin_owner;
ALTER SCHEMA public OWNER TO fujin_owner;
SQL
