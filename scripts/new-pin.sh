#!/usr/bin/env bash
# ./jubb new-pin [NAME] [--data DIR]: a new PIN for an owner who forgot theirs, from the machine that the workshop runs on.
set -euo pipefail
. "$ROOT/scripts/lib/common.sh"
. "$ROOT/scripts/lib/postgres.sh"
NAME=
DATA="$ROOT/.jubb"
while [ $# -gt 0 ]; do
  case "$1" in
    --data) DATA="$(cd "$HERE" && cd "${2:?--data takes a folder}" && pwd)"; shift 2 ;;
    -*) fail "new-pin does not know $1" ;;
    *) [ -z "$NAME" ] || fail "new-pin takes one name; put it in quotes: ./jubb new-pin \"$NAME $1\""; NAME="$1"; shift ;;
  esac
done
[ -d "$DATA/keys" ] || fail "there is no workshop in $DATA"
need_node
need_modules
need_build all
STARTED=
finish() { [ -z "$STARTED" ] || stop_cluster "$DATA/postgres"; }
trap finish EXIT
reach_database "$DATA"
export DATABASE_URL
node "$ROOT/scripts/new-pin.mjs" "$NAME"
# The PIN that was made for an empty workshop opens nothing any more.
rm -f "$DATA/first-pin"
