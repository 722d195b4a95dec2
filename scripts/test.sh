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
say "Lint";    npm run --silent lint
say "Types";   npm run --silent typecheck
free_port() { node -e 'const s=require("net").createServer().listen(0,"127.0.0.1",()=>{console.log(s.address().port);s.close()})'; }
start_cluster "$WORK/postgres" "$(free_port)"
export JUBB_TEST_DATABASE="$DATABASE_URL" JUBB_TEST_DATA="$WORK"
unset DATABASE_URL
say "Tests"
npx --no-install jest --selectProjects core server stand-ins web e2e --ci --runInBand --json --outputFile="$WORK/result.json" 2>&1
node -e 'const r=require(process.argv[1]);console.log(`${r.numPassedTests} passed, ${r.numFailedTests} failed`)' "$WORK/result.json"
