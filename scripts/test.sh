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
finish() {
  stop_cluster "$WORK/postgres"
  rm -rf "$WORK"
}
trap finish EXIT
say "Format";  npm run --silent format:check
need_build all
say "Docs";    node scripts/write-docs.mjs --check
say "Lint";    npm run --silent lint
say "Types";   npm run --silent typecheck

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
