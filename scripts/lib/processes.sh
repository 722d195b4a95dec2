# Processes that a start left behind, by the list in its data folder. Sourced, never run.
# The list has lines "PID START PATH": when the process began tells it from another that was given its number since.

# began PID : when a process began, in ticks since the machine did.
began() {
  local stat
  stat="$(cat "/proc/$1/stat" 2>/dev/null)" || return 1
  # The name in brackets may hold spaces: what counts comes after the last of them.
  set -- ${stat##*) }
  printf '%s' "${20}"
}

# note_process DATA PID PATH : writes a process down as ours.
note_process() { printf '%s %s %s\n' "$2" "$(began "$2")" "$3" >>"$1/jubb.processes"; }

# is_ours PID START PATH : is it still the process that was written down?
is_ours() {
  [ "$(began "$1" 2>/dev/null)" = "$2" ] || return 1
  tr '\0' ' ' 2>/dev/null <"/proc/$1/cmdline" | grep -qF "$3"
}

# stop_left DATA : ends what is left of an earlier start, and nothing else. Says how many there were.
stop_left() {
  local file="$1/jubb.processes" pid start path left=() p
  LEFT=0
  [ -f "$file" ] || return 0
  while read -r pid start path; do
    if is_ours "$pid" "$start" "$path"; then left+=("$pid"); kill "$pid" 2>/dev/null || true; fi
  done <"$file"
  LEFT=${#left[@]}
  for _ in $(seq 1 40); do
    local alive=0
    for p in "${left[@]:-}"; do [ -n "$p" ] && kill -0 "$p" 2>/dev/null && alive=1; done
    [ "$alive" = 0 ] && break
    sleep 0.25
  done
  for p in "${left[@]:-}"; do [ -n "$p" ] && kill -9 "$p" 2>/dev/null || true; done
  rm -f "$file"
}
