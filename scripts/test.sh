#!/usr/bin/env bash
# ./jubb test: format, lint, types, build, unit tests, browser tests. Starts its own PostgreSQL on loopback and takes it down.
set -euo pipefail
. "$ROOT/scripts/lib/common.sh"
. "$ROOT/scripts/lib/postgres.sh"
need_node
need_packages postgresql chromium
need_modules
cd "$ROOT"
WORK="$(mktemp -d /tmp/jubb-test.XXXXXX)"
chmod 755 "$WORK"
lint=
finish() {
  [ -z "$lint" ] || kill "$lint" 2>/dev/null || true
  stop_cluster "$WORK/postgres"
  rm -rf "$WORK"
}
trap finish EXIT
# Lint reads the sources alone and takes the longest: it has one processor while the rest of this has the other.
say "Lint, beside format, build, docs and types"
npm run --silent lint >"$WORK/lint" 2>&1 &
lint=$!
npm run --silent format:check
need_build all
node scripts/write-docs.mjs --check
npm run --silent typecheck
wait "$lint" || { cat "$WORK/lint" >&2; fail "lint found something"; }
lint=

start_cluster "$WORK/postgres" "$(node "$ROOT/scripts/lib/free-port.mjs")"
export JUBB_TEST_DATABASE="$DATABASE_URL" JUBB_TEST_DATA="$WORK"
unset DATABASE_URL
# Two at a time: each suite has a database, a server and a browser of its own.
say "Tests"
code=0
npx --no-install jest --selectProjects core contract server stand-ins web --ci --maxWorkers=2 --reporters=default --reporters="$ROOT/scripts/lib/suite-times.mjs" --json --outputFile="$WORK/unit.json" 2>&1 || code=$?
npx --no-install jest --selectProjects scripts e2e --ci --maxWorkers=2 --reporters=default --reporters="$ROOT/scripts/lib/suite-times.mjs" --json --outputFile="$WORK/whole.json" 2>&1 || code=$?
node "$ROOT/scripts/lib/count-tests.mjs" "$WORK/unit.json" "$WORK/whole.json"
exit "$code"
