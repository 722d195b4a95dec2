#!/usr/bin/env bash
# ./jubb stop [--data DIR]: ends a start that runs elsewhere, what one that was killed has left, and its database.
set -euo pipefail
. "$ROOT/scripts/lib/common.sh"
. "$ROOT/scripts/lib/postgres.sh"
. "$ROOT/scripts/lib/processes.sh"
DATA="$ROOT/.jubb"
[ "${1:-}" = --data ] && DATA="$(cd "$HERE" && cd "${2:?--data takes a folder}" && pwd)"
if [ -f "$DATA/jubb.pid" ]; then
  pid="$(cat "$DATA/jubb.pid")"
  # Only a process that is still our start script is ended.
  if is_start "$pid"; then
    kill "$pid"
    for _ in $(seq 1 60); do kill -0 "$pid" 2>/dev/null || break; sleep 0.25; done
    say "Stopped."
  fi
fi
stop_left "$DATA"
[ "$LEFT" = 0 ] || say "Ended $LEFT processes that an earlier start had left running."
stop_cluster "$DATA/postgres"
rm -f "$DATA/jubb.pid"
