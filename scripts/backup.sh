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
need_node
need_modules
need_build all
STARTED=
finish() {
  [ -z "$STARTED" ] || stop_cluster "$DATA/postgres"
}
trap finish EXIT
reach_database "$DATA"
# One moment of all tables, in PostgreSQL's own form, with a manifest and the key.
held="$(DATABASE_URL="$DATABASE_URL" JUBB_DATA="$DATA" node "$ROOT/scripts/backup.mjs" "$FILE")" || exit 1
say "Written: $FILE, $(du -h "$FILE" | cut -f1), $held. It holds the signing key and everybody's work: keep it where nobody else reads it."
