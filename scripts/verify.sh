#!/usr/bin/env bash
# ./jubb verify FILE [--data DIR]: is an exported record whole, and signed by a key that this workshop knows?
set -euo pipefail
. "$ROOT/scripts/lib/common.sh"
need_node
need_modules >&2
need_build core
cd "$HERE"
exec node "$ROOT/scripts/verify.mjs" "$@"
