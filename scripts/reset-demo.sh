#!/usr/bin/env bash
# ./jubb reset-demo [--data DIR]: the demo's database is thrown away; the next start loads it afresh. The key is kept.
set -euo pipefail
. "$ROOT/scripts/lib/common.sh"
DATA="$ROOT/.jubb"
[ "${1:-}" = --data ] && DATA="$(cd "$HERE" && cd "${2:?--data takes a folder}" && pwd)"
[ -f "$DATA/jubb.pid" ] && is_start "$(cat "$DATA/jubb.pid")" && fail "Jubb is running. Stop it first: ./jubb stop"
[ -d "$DATA/postgres/data" ] || { say "There is nothing to reset in $DATA."; exit 0; }
rm -rf "$DATA/postgres"
say "The demo is reset: ./jubb start loads it afresh."
