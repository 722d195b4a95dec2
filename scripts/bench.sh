#!/usr/bin/env bash
# npm run bench: every benchmark (npm run bench:data: a workshop of 50,000 jobs; bench:backup: one with 1 GB of pictures), on a database of its own for the append. Ratios against a baseline of the same run.
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
  JUBB_DATA="$WORK" JUBB_LIBRARY="$ROOT/library" node "$ROOT/benchmarks/data.mjs"
  exit 0
fi
if [ "${1:-}" = faults ] || [ "${1:-}" = backup ]; then
  start_cluster "$WORK/postgres" "$(node "$ROOT/scripts/lib/free-port.mjs")"
  JUBB_DATA="$WORK" JUBB_LIBRARY="$ROOT/library" node "$ROOT/benchmarks/$1.mjs"
  exit 0
fi
# Every part runs, whatever the ones before it missed; what was missed is summed up at the end.
missed=()
part() { # part NAME : one part, on the cluster that is up
  say "$1"
  JUBB_DATA="$WORK" JUBB_LIBRARY="$ROOT/library" JUBB_WEB="$ROOT/apps/web/dist" node "$ROOT/benchmarks/$1.mjs" || missed+=("$1")
}
fresh_cluster() {
  stop_cluster "$WORK/postgres"
  rm -rf "$WORK/postgres"
  start_cluster "$WORK/postgres" "$(node "$ROOT/scripts/lib/free-port.mjs")"
}
for name in run parts prove plan sheet; do part "$name"; done
fresh_cluster
for name in append browser; do part "$name"; done
for name in hands servers faults backup; do
  fresh_cluster
  part "$name"
done
if [ "${#missed[@]}" -gt 0 ]; then
  echo "goals missed in: ${missed[*]}" >&2
  exit 1
fi
say "Every goal is kept"
