#!/usr/bin/env bash
# ./jubb restore FILE [--data DIR]: puts a backup into a data folder that has no workshop yet.
set -euo pipefail
. "$ROOT/scripts/lib/common.sh"
. "$ROOT/scripts/lib/postgres.sh"
FILE="${1:-}"
[ -n "$FILE" ] || fail "restore takes a file that ./jubb backup wrote"
shift
cd "$HERE"
[ -r "$FILE" ] || fail "$FILE is not there, or cannot be read"
FILE="$(cd "$(dirname "$FILE")" && pwd)/$(basename "$FILE")"
DATA="$ROOT/.jubb"
[ "${1:-}" = --data ] && DATA="${2:?--data takes a folder}"
mkdir -p "$DATA" || fail "the data folder $DATA cannot be made"
DATA="$(cd "$DATA" && pwd)"
# Two workshops are never mixed: a backup goes into an empty place.
if [ -z "${DATABASE_URL:-}" ]; then
  [ ! -e "$DATA/postgres" ] || fail "there is a workshop in $DATA already. Nothing was touched: choose another --data, or move that folder away."
fi
[ ! -e "$DATA/keys" ] || fail "there is a signing key in $DATA already. Nothing was touched: choose another --data."
need_node
need_modules
need_build all
[ -n "${DATABASE_URL:-}" ] || need_packages postgresql
PGBIN="$(pg_bin)" || fail "PostgreSQL's programs are not here. Run: apt-get install postgresql"
WORK="$(mktemp -d "${TMPDIR:-/tmp}/jubb-restore.XXXXXX")"
OWN=
DONE=
finish() {
  [ -z "$OWN" ] || stop_cluster "$DATA/postgres"
  rm -rf "$WORK"
  # Half a workshop is none.
  [ -n "$DONE" ] || { [ -z "$OWN" ] || rm -rf "$DATA/postgres"; rm -rf "$DATA/keys"; }
}
trap finish EXIT
# Looked at before anything is made: names, sums, form, whether a newer release made it.
node "$ROOT/scripts/read-backup.mjs" "$FILE" "$WORK" >"$WORK/held" || exit 1
if [ -z "${DATABASE_URL:-}" ]; then
  OWN=yes
  start_cluster "$DATA/postgres" "$(node "$ROOT/scripts/lib/free-port.mjs")"
else
  tables="$("$PGBIN/psql" -d "$DATABASE_URL" -tAc "SELECT count(*) FROM information_schema.tables WHERE table_schema = 'public'")" || fail "the database does not answer"
  [ "$tables" = 0 ] || fail "the database has $tables tables already. Nothing was touched: restore goes into an empty one."
fi
"$PGBIN/pg_restore" -d "$DATABASE_URL" --no-owner --exit-on-error --single-transaction "$WORK/database.dump" 2>"$WORK/why" ||
  { tail -2 "$WORK/why" >&2; fail "the database could not be restored. Nothing was kept."; }
# What came back is what the manifest says, or something was lost on the way.
jobs="$("$PGBIN/psql" -d "$DATABASE_URL" -tAc 'SELECT count(*) FROM job')"
events="$("$PGBIN/psql" -d "$DATABASE_URL" -tAc 'SELECT count(*) FROM job_event')"
[ ! -s "$WORK/held" ] || grep -qF ": $jobs jobs, $events events" "$WORK/held" ||
  fail "$jobs jobs and $events events came back, and the backup was $(cat "$WORK/held"). Do not work with this one."
(umask 077 && cp -r "$WORK/keys" "$DATA/keys")
DONE=yes
say "Restored into $DATA: $jobs jobs, $events events, and the key that signed them. Now: ./jubb start --data $DATA"
