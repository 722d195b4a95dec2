#!/usr/bin/env bash
# ./jubb start: everything from nothing to an address.
set -euo pipefail
. "$ROOT/scripts/lib/common.sh"
. "$ROOT/scripts/lib/postgres.sh"
. "$ROOT/scripts/lib/processes.sh"
PORT=7800
DATA="$ROOT/.jubb"
DEMO=yes
# Nobody on the network, unless asked.
HOST=
HTTPS=no
while [ $# -gt 0 ]; do
  case "$1" in
    --port) PORT="${2:?--port takes a number}"; shift 2 ;;
    --data) DATA="${2:?--data takes a folder}"; shift 2 ;;
    --empty) DEMO=no; shift ;;
    --https) HTTPS=yes; shift ;;
    --host) HOST="${2:?--host takes an address}"; shift 2 ;;
    *) fail "start does not know $1" ;;
  esac
done
# With a closed line it is for the tablets of the shop.
[ -n "$HOST" ] || { [ "$HTTPS" = yes ] && HOST=0.0.0.0 || HOST=127.0.0.1; }
case "$PORT" in *[!0-9]* | '') fail "--port takes a number, not \"$PORT\"" ;; esac
cd "$HERE"
mkdir -p "$DATA" 2>/dev/null || fail "the data folder $DATA cannot be made; choose another with --data."
DATA="$(cd "$DATA" && pwd)"
[ -w "$DATA" ] || fail "the data folder $DATA cannot be written; choose another with --data."
if [ -f "$DATA/jubb.pid" ] && is_start "$(cat "$DATA/jubb.pid")"; then fail "Jubb is running already on $DATA. Stop it first: ./jubb stop"; fi
# What a start that was killed has left running is ended first: its server still holds the port.
stop_left "$DATA"
[ "$LEFT" = 0 ] || say "Ended $LEFT processes that an earlier start had left running."
if (exec 3<>"/dev/tcp/127.0.0.1/$PORT") 2>/dev/null; then fail "port $PORT is in use. Choose another with --port."; fi
GUIDE_PORT=$((PORT + 1))
if [ "$HTTPS" = yes ] && (exec 3<>"/dev/tcp/127.0.0.1/$GUIDE_PORT") 2>/dev/null; then fail "port $GUIDE_PORT is in use; the page for new tablets needs it. Choose another with --port."; fi
need_room "$DATA" 200
need_node
[ -n "${DATABASE_URL:-}" ] || need_packages postgresql
need_modules
need_build all
[ -z "${DATABASE_URL:-}" ] || node "$ROOT/scripts/lib/database-answers.mjs" || exit 1
OWN_DB=
STAND_IN_PORT=$((PORT + 11))
SUPPLIER_PORT=$((PORT + 13))
pids=()
finish() {
  trap - EXIT INT TERM
  for p in "${pids[@]:-}"; do [ -n "$p" ] && kill "$p" 2>/dev/null || true; done
  for p in "${pids[@]:-}"; do [ -n "$p" ] && wait "$p" 2>/dev/null || true; done
  [ -n "$OWN_DB" ] && stop_cluster "$DATA/postgres"
  rm -f "$DATA/jubb.pid" "$DATA/jubb.processes"
}
trap finish EXIT
trap 'finish; exit 0' INT TERM
if [ -z "${DATABASE_URL:-}" ]; then
  # A cluster left running by a start that was killed is taken down first.
  stop_cluster "$DATA/postgres"
  OWN_DB=yes
  start_cluster "$DATA/postgres" "${JUBB_PG_PORT:-$((PORT + 12))}"
fi
echo $$ >"$DATA/jubb.pid"
export JUBB_LOG_DIR="$DATA/log"
export JUBB_HTTPS="$HTTPS" JUBB_GUIDE_PORT="$GUIDE_PORT"
export PORT JUBB_HOST="$HOST" JUBB_DATA="$DATA" JUBB_DEMO="$DEMO" JUBB_WEB="$ROOT/apps/web/dist" JUBB_LIBRARY="$ROOT/library"
export JUBB_STAND_INS="127.0.0.1:$STAND_IN_PORT" JUBB_STAND_IN_PORT="$STAND_IN_PORT"
export JUBB_SUPPLIER="http://127.0.0.1:$SUPPLIER_PORT" JUBB_SUPPLIER_PORT="$SUPPLIER_PORT"
mkdir -p "$DATA/log"
node "$ROOT/apps/stand-ins/dist/main.js" >"$DATA/stand-ins.log" 2>&1 &
pids+=($!)
note_process "$DATA" "$!" "$ROOT/apps/stand-ins/dist/main.js"
# What the server says goes to files of bounded size in log/; here stands only that it is ready, or why it is not.
node "$ROOT/apps/server/dist/main.js" >"$DATA/server.out" 2>&1 &
pids+=($!)
SERVER=$!
note_process "$DATA" "$SERVER" "$ROOT/apps/server/dist/main.js"
for _ in $(seq 1 240); do
  kill -0 "$SERVER" 2>/dev/null || { tail -5 "$DATA/server.out" >&2; fail "the server stopped; it said $DATA/server.out, and its log is in $DATA/log"; }
  grep -q '^ready on ' "$DATA/server.out" && break
  sleep 0.25
done
say ""
SCHEME=http
[ "$HTTPS" = no ] || SCHEME=https
say "  Jubb is open:  $SCHEME://127.0.0.1:$PORT"
if [ "$HOST" = 0.0.0.0 ]; then
  for card in $(hostname -I 2>/dev/null); do
    case "$card" in *:*) continue ;; esac
    say "  From another device on this network:  $SCHEME://$card:$PORT"
    [ "$HTTPS" = no ] || say "    and before that, once on each, how it takes the shop's certificate:  http://$card:$GUIDE_PORT"
  done
fi
if [ "$HOST" = 127.0.0.1 ]; then
  [ "$HTTPS" = yes ] && ways="leave --host away" || ways="--https"
  say "  Only this machine reaches it. For tablets of the workshop: $ways (see docs/operations.md)"
fi
[ "$DEMO" = yes ] && say "  Press a name. Demo PINs: Una 1111, Magnus 2222, Ailsa 3333, Tam 4444" || { [ ! -f "$DATA/first-pin" ] || say "  The owner's first PIN: $(cat "$DATA/first-pin") (press the owner's name; change it: press your initials)"; }
say "  Ctrl-C stops everything that was started here."
say ""
wait "$SERVER"
