# Shared by the commands. Sourced, never run.
say() { printf '%s\n' "$*"; }
fail() { printf 'jubb: %s\n' "$*" >&2; exit 1; }

# is_start PID : is that process a ./jubb start?
is_start() { tr '\0' ' ' 2>/dev/null <"/proc/$1/cmdline" | grep -q 'scripts/start.sh'; }

# need_room FOLDER MB : enough free space for a database and its log.
need_room() {
  local free
  free="$(df -Pm "$1" | awk 'NR==2 {print $4}')"
  [ "$free" -ge "$2" ] || fail "the disk of $1 is nearly full: $free MB free, $2 MB needed. Nothing was started."
}

need_node() {
  command -v node >/dev/null || fail "Node.js is not here. Install Node 20.19 or newer, with npm."
  node -e 'const [a,b]=process.versions.node.split(".").map(Number); process.exit(a>20||(a===20&&b>=19)?0:1)' ||
    fail "Node $(node -v) is too old; 20.19 or newer is needed."
}

# need_packages PACKAGE... : installs Debian packages when it may, else says the command.
need_packages() {
  local missing=()
  for p in "$@"; do dpkg-query -W -f '${Status}' "$p" 2>/dev/null | grep -q 'ok installed' || missing+=("$p"); done
  [ ${#missing[@]} -eq 0 ] && return 0
  if [ "$(id -u)" = 0 ] && command -v apt-get >/dev/null; then
    say "Installing ${missing[*]} …"
    apt-get update -qq >/dev/null 2>&1 || true
    DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "${missing[@]}" >/dev/null 2>&1 ||
      fail "could not install ${missing[*]}. Try: apt-get update && apt-get install ${missing[*]}"
  else
    fail "missing: ${missing[*]}. Run: sudo apt-get install ${missing[*]}"
  fi
}

# npm ci only when the lock file has changed since the last time.
need_modules() {
  local stamp="$ROOT/node_modules/.jubb-lock" now
  now="$(sha256sum "$ROOT/package-lock.json" | cut -d' ' -f1)"
  [ -f "$stamp" ] && [ "$(cat "$stamp")" = "$now" ] && return 0
  say "Installing packages …"
  (cd "$ROOT" && npm ci --no-audit --no-fund --loglevel=error) || fail "npm ci failed; nothing was started."
  printf '%s' "$now" >"$stamp"
}

# build WHAT : `core` for the command line, `all` for the workshop; only when a source is newer than the last build.
need_build() {
  local what="$1" stamp="$ROOT/.cache/built-$1"
  mkdir -p "$ROOT/.cache"
  if [ -f "$stamp" ] && [ -d "$ROOT/packages/core/dist" ] && { [ "$what" = core ] || [ -d "$ROOT/apps/web/dist" ]; }; then
    local newer
    newer="$(find "$ROOT/packages" "$ROOT/apps" "$ROOT/tsconfig.base.json" -newer "$stamp" -type f \( -name '*.ts' -o -name '*.tsx' -o -name '*.scss' -o -name '*.html' -o -name '*.json' -o -name '*.webmanifest' -o -name '*.svg' -o -name '*.png' \) -not -path '*/node_modules/*' -not -path '*/dist/*' -not -path '*/dist-types/*' -print -quit)"
    [ -z "$newer" ] && return 0
  fi
  say "Building …" >&2
  local log="$ROOT/.cache/build-$what.log" with=(npm run --silent build)
  [ "$what" = core ] && with=(npx --no-install tsc -b packages/core)
  (cd "$ROOT" && "${with[@]}") >"$log" 2>&1 || { tail -40 "$log" >&2; fail "the build failed; all it said is in $log"; }
  grep '^first load' "$log" >&2 || true
  touch "$stamp"
}
