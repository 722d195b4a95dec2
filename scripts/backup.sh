#!/usr/bin/env bash
# ./jubb backup FILE [--data DIR]: the database and the signing key as one file, while it runs or not.
set -euo pipefail
. "$ROOT/scripts/lib/common.sh"
. "$ROOT/scripts/lib/postgres.sh"
FILE="${1:-}"
[ -n "$FILE" ] || fail "backup takes a file: ./jubb backup jubb-2026-03-09.tar"
shift
DATA="$ROOT/.jubb"
[ "${1:-}" = --data ] && DATA="$(cd "$HERE" && cd "${2:?--data takes a folder}" && pwd)"
cd "$HERE"
[ ! -e "$FILE" ] || fail "$FILE is there already; nothing was written. Choose another name."
: 2>/dev/null >"$FILE" || fail "$FILE cannot be written"
rm -f "$FILE"
[ -d "$DATA/keys" ] || fail "there is no workshop in $DATA"
WORK="$(mktemp -d "${TMPDIR:-/tmp}/jubb-backup.XXXXXX")"
STARTED=
finish() {
  [ -z "$STARTED" ] || stop_cluster "$DATA/postgres"
  rm -rf "$WORK"
}
trap finish EXIT
reach_database "$DATA"
# One moment of all tables, in PostgreSQL's own form; the queue of work is made anew by itself.
"$PGBIN/pg_dump" -d "$DATABASE_URL" -Fc --exclude-schema=pgboss -f "$WORK/database.dump" || fail "the database could not be read; nothing was written"
cp -r "$DATA/keys" "$WORK/keys"
printf 'jubb-backup/1\n' >"$WORK/form"
(cd "$WORK" && sha256sum form database.dump keys/* >sums)
tar -cf "$WORK/whole.tar" -C "$WORK" form sums database.dump keys
mv "$WORK/whole.tar" "$FILE" || { rm -f "$FILE"; fail "$FILE could not be written; is the disk full?"; }
chmod 600 "$FILE"
say "Written: $FILE, $(du -h "$FILE" | cut -f1). It holds the signing key and everybody's work: keep it where nobody else reads it."
