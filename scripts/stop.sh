#!/usr/bin/env bash
# ./jubb stop [--data DIR]: ends a start that runs elsewhere, and its database.
set -euo pipefail
. "$ROOT/scripts/lib/common.sh"
. "$ROOT/scripts/lib/postgres.sh"
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
stop_cluster "$DATA/postgres"
