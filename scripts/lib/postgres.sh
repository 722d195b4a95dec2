# A private PostgreSQL cluster under the data folder, on loopback, on its own port. Sourced, never run.
# Works as root (the server then runs as the postgres user) and as an ordinary user.

pg_bin() {
  local d
  for d in $(ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V -r); do
    [ -x "$d/initdb" ] && { printf '%s' "$d"; return 0; }
  done
  return 1
}

as_pg() {
  if [ "$(id -u)" = 0 ]; then
    (cd / && setpriv --reuid=postgres --regid=postgres --init-groups env -i PATH="$PGBIN:/usr/bin:/bin" HOME="$PGROOT" LANG=C.UTF-8 "$@")
  else
    (cd / && env PATH="$PGBIN:/usr/bin:/bin" LANG=C.UTF-8 "$@")
  fi
}

# start_cluster FOLDER PORT : makes it the first time. Sets DATABASE_URL.
start_cluster() {
  PGROOT="$1"
  local port="$2"
  PGBIN="$(pg_bin)" || fail "PostgreSQL's server programs are not here. Run: apt-get install postgresql"
  export PGROOT PGBIN
  if (exec 3<>"/dev/tcp/127.0.0.1/$port") 2>/dev/null; then
    fail "port $port is in use; the database needs it. Choose another with JUBB_PG_PORT."
  fi
  mkdir -p "$PGROOT"
  if [ "$(id -u)" = 0 ]; then
    chown postgres:postgres "$PGROOT"
    local up="$PGROOT"
    while [ "$up" != / ]; do
      up="$(dirname "$up")"
      setpriv --reuid=postgres --regid=postgres --init-groups test -x "$up" || fail "$up is closed to the postgres user; choose another folder with --data."
    done
  fi
  chmod 700 "$PGROOT"
  if [ ! -f "$PGROOT/data/PG_VERSION" ]; then
    as_pg "$PGBIN/initdb" -D "$PGROOT/data" -U jubb -A trust -E UTF8 --locale=C.UTF-8 -N >"/tmp/jubb-initdb.$$" 2>&1 || {
      why="$(grep -m1 -iE 'error|fatal|could not' "/tmp/jubb-initdb.$$" || tail -1 "/tmp/jubb-initdb.$$")"
      rm -rf "$PGROOT/data" "/tmp/jubb-initdb.$$"
      fail "the database could not be made in $PGROOT: $why. Nothing was kept."
    }
    rm -f "/tmp/jubb-initdb.$$"
  fi
  local have want
  have="$(cat "$PGROOT/data/PG_VERSION")"
  want="$("$PGBIN/postgres" --version | sed -E 's/.* ([0-9]+)\..*/\1/')"
  [ "$have" = "$want" ] || fail "this data was made by PostgreSQL $have and $want is installed. Nothing was touched: install postgresql-$have, or start with another --data."
  as_pg "$PGBIN/pg_ctl" -D "$PGROOT/data" -l "$PGROOT/server.log" -w -t 30 -s \
    -o "-p $port -c listen_addresses=127.0.0.1 -c unix_socket_directories=''" start >/dev/null ||
    { tail -3 "$PGROOT/server.log" >&2; fail "the database did not start; its log is $PGROOT/server.log"; }
  export DATABASE_URL="postgres://jubb@127.0.0.1:$port/jubb"
  as_pg "$PGBIN/psql" -h 127.0.0.1 -p "$port" -U jubb -d postgres -tAc "SELECT 1 FROM pg_database WHERE datname='jubb'" | grep -q 1 ||
    as_pg "$PGBIN/createdb" -h 127.0.0.1 -p "$port" -U jubb jubb
}

stop_cluster() {
  PGROOT="$1"
  PGBIN="$(pg_bin)" || return 0
  export PGROOT PGBIN
  [ -f "$PGROOT/data/postmaster.pid" ] || return 0
  as_pg "$PGBIN/pg_ctl" -D "$PGROOT/data" -m fast -w -s stop >/dev/null 2>&1 || true
}
