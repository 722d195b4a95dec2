#!/usr/bin/env bash
# ./jubb sheet: build sheets checked and worked through, without server or database.
set -euo pipefail
. "$ROOT/scripts/lib/common.sh"
need_node
need_modules >&2
need_build core
cd "$HERE"
exec node "$ROOT/scripts/sheet.mjs" "$@"
