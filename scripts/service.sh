#!/usr/bin/env bash
# ./jubb service [what start takes]: prints a systemd unit that keeps this workshop running, whoever is signed in on the machine.
set -euo pipefail
. "$ROOT/scripts/lib/common.sh"
DATA="$ROOT/.jubb"
ARGS=()
while [ $# -gt 0 ]; do
  case "$1" in
    --data) DATA="$(cd "$HERE" && cd "${2:?--data takes a folder that is there}" && pwd)" || fail "--data takes a folder that is there, not \"$2\""; shift 2 ;;
    --port)
      case "${2:-}" in *[!0-9]* | '') fail "--port takes a number, not \"${2:-}\"" ;; esac
      ARGS+=("$1" "$2"); shift 2 ;;
    --host)
      case "${2:-}" in *[!0-9a-zA-Z.:-]* | '') fail "--host takes an address, not \"${2:-}\"" ;; esac
      ARGS+=("$1" "$2"); shift 2 ;;
    --https | --empty) ARGS+=("$1"); shift ;;
    *) fail "service does not know $1" ;;
  esac
done
need_node
# A percent sign means something in a unit; a quoted word may hold blanks.
quoted() { printf '"%s"' "$(printf '%s' "$1" | sed 's/%/%%/g; s/\\/\\\\/g; s/"/\\"/g; s/\$/$$/g')"; }
line="$(quoted "$ROOT/jubb") start --data $(quoted "$DATA")"
for a in "${ARGS[@]:-}"; do [ -z "$a" ] || line="$line $a"; done
cat <<UNIT
# Jubb, kept running. Written by: ./jubb service
#   ./jubb service > jubb.service && sudo install -m 644 jubb.service /etc/systemd/system/
#   sudo systemctl daemon-reload && sudo systemctl enable --now jubb
#   journalctl -u jubb -f
[Unit]
Description=Jubb workshop in $(printf '%s' "$DATA" | sed 's/%/%%/g')
After=network-online.target
Wants=network-online.target

[Service]
Type=simple
User=$(id -un)
WorkingDirectory=$(printf '%s' "$ROOT" | sed 's/%/%%/g')
Environment=PATH=$(dirname "$(command -v node)" | sed 's/%/%%/g'):/usr/local/bin:/usr/bin:/bin
ExecStart=/usr/bin/env bash $line
# It stops its own database; a machine that goes down waits for that.
KillMode=mixed
TimeoutStopSec=60
Restart=on-failure
RestartSec=5
PrivateTmp=no

[Install]
WantedBy=multi-user.target
UNIT
