#!/usr/bin/env bash
# npm run bench: every benchmark (npm run bench:data: a workshop of 50,000 jobs), on a database of its own for the append. Ratios against a baseline of the same run.
set -euo pipefail
ROOT="$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)"
. "$ROOT/scripts/lib/common.sh"
. "$ROOT/scripts/lib/postgres.sh"
need_node
need_packages postgresql chromium
need_modules
need_build all
WORK="$(mktemp -d /tmp/jubb-bench.XXXXXX)"
chmod 755 "$WORK"
finish() {
  stop_cluster "$WORK/postgres"
  rm -rf "$WORK"
}
trap finish EXIT
if [ "${1:-}" = data ]; then
  start_cluster "$WORK/postgres" "$(node "$ROOT/scripts/lib/free-port.mjs")"
  JUBB_DATA="$WORK" JUBB_LIBRARY="$ROOT/library" node "$ROOT/bench/data.mjs"
  exit 0
fi
if [ "${1:-}" = faults ]; then
  start_cluster "$WORK/postgres" "$(node "$ROOT/scripts/lib/free-port.mjs")"
  JUBB_DATA="$WORK" JUBB_LIBRARY="$ROOT/library" node "$ROOT/bench/faults.mjs"
  exit 0
fi
node "$ROOT/bench/run.mjs"
node "$ROOT/bench/parts.mjs"
node "$ROOT/bench/prove.mjs"
node "$ROOT/bench/plan.mjs"
start_cluster "$WORK/postgres" "$(node "$ROOT/scripts/lib/free-port.mjs")"
JUBB_DATA="$WORK" JUBB_LIBRARY="$ROOT/library" node "$ROOT/bench/append.mjs"
JUBB_DATA="$WORK" JUBB_LIBRARY="$ROOT/library" JUBB_WEB="$ROOT/apps/web/dist" node "$ROOT/bench/browser.mjs"
stop_cluster "$WORK/postgres"
rm -rf "$WORK/postgres"
start_cluster "$WORK/postgres" "$(node "$ROOT/scripts/lib/free-port.mjs")"
JUBB_DATA="$WORK" JUBB_LIBRARY="$ROOT/library" JUBB_WEB="$ROOT/apps/web/dist" node "$ROOT/bench/hands.mjs"
stop_cluster "$WORK/postgres"
rm -rf "$WORK/postgres"
start_cluster "$WORK/postgres" "$(node "$ROOT/scripts/lib/free-port.mjs")"
JUBB_DATA="$WORK" JUBB_LIBRARY="$ROOT/library" node "$ROOT/bench/servers.mjs"
stop_cluster "$WORK/postgres"
rm -rf "$WORK/postgres"
start_cluster "$WORK/postgres" "$(node "$ROOT/scripts/lib/free-port.mjs")"
JUBB_DATA="$WORK" JUBB_LIBRARY="$ROOT/library" node "$ROOT/bench/faults.mjs"
