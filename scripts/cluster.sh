# A PostgreSQL cluster of the project's own, on loopback. To be sourced after common.sh.
# cluster_start FOLDER makes the cluster on first use, starts it, and sets cluster_owner, cluster_app and cluster_super
# to connection strings. cluster_join uses one that runs. cluster_stop stops it. Three roles with random passwords: superuser, owner (migrations), app (rows).

cluster_bin() {
  need_package /usr/lib/postgresql postgresql
  pgbin=$(ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -1)
  [ -x "$pgbin/initdb" ] || fail "PostgreSQL's server programs were not found under /usr/lib/postgresql."
}

# As root, PostgreSQL's programs run as the user postgres; otherwise as the caller.
as_postgres() {
  if [ "$(id -u)" = 0 ]; then (cd / && runuser -u postgres -- "$@"); else "$@"; fi
}

secret() { head -c 24 /dev/urandom | od -An -tx1 | tr -d ' \n'; }

cluster_make() {
  local data=$1
  [ -z "$(ls -A "$data/pg" 2>/dev/null)" ] || fail "$data/pg holds something that is not a complete cluster. Move it away and start again."
  say "Making a PostgreSQL cluster in $data ..."
  local super owner app pwfile
  super=$(secret) owner=$(secret) app=$(secret)
  pwfile=$(mktemp)
  printf '%s' "$super" > "$pwfile"
  if [ "$(id -u)" = 0 ]; then chown postgres "$pwfile"; fi
  as_postgres "$pgbin/initdb" -D "$data/pg" -U blueslate_super --auth=scram-sha-256 --pwfile="$pwfile" --data-checksums -E UTF8 --locale=C.UTF-8 >"$data/initdb.log" 2>&1 \
    || { rm -f "$pwfile"; fail "The cluster could not be made; see $data/initdb.log (is the disk full?)"; }
  rm -f "$pwfile"
  as_postgres tee -a "$data/pg/postgresql.conf" >/dev/null <<CONF
listen_addresses = '127.0.0.1'
unix_socket_directories = '$data/run'
fsync = on
full_page_writes = on
synchronous_commit = on
password_encryption = 'scram-sha-256'
max_connections = 100
CONF
  as_postgres tee "$data/pg/pg_hba.conf" >/dev/null <<CONF
local all blueslate_super scram-sha-256
host all blueslate_super 127.0.0.1/32 scram-sha-256
host all blueslate_owner 127.0.0.1/32 scram-sha-256
host all blueslate_app 127.0.0.1/32 scram-sha-256
CONF
  (umask 077; printf 'super=%s\nowner=%s\napp=%s\n' "$super" "$owner" "$app" > "$data/passwords")
  : > "$data/needs-roles"
}

# cluster_connections FOLDER: sets the connection strings of a cluster that has been made.
cluster_connections() {
  local data=$1 port; port=$(cat "$data/db-port")
  # shellcheck disable=SC1091
  . <(sed 's/^/cluster_pw_/' "$data/passwords")
  local base="Host=127.0.0.1;Port=$port;Include Error Detail=false"
  cluster_super="$base;Database=postgres;Username=blueslate_super;Password=$cluster_pw_super"
  cluster_owner="$base;Database=blueslate;Username=blueslate_owner;Password=$cluster_pw_owner"
  cluster_app="$base;Database=blueslate;Username=blueslate_app;Password=$cluster_pw_app"
}

# cluster_runs FOLDER: whether its server runs. One that was killed, and whose end nobody has noted yet, does not: it holds nothing any more,
# and PostgreSQL itself makes sure of that when the next one starts.
cluster_runs() {
  as_postgres "$pgbin/pg_ctl" -D "$1/pg" status >/dev/null 2>&1 || return 1
  grep -q '^State:[[:space:]]*Z' "/proc/$(head -1 "$1/pg/postmaster.pid" 2>/dev/null)/status" 2>/dev/null || return 0
  rm -f "$1/pg/postmaster.pid" "$1"/run/.s.PGSQL.*
  return 1
}

# cluster_join FOLDER: uses a cluster that runs; starts one that does not, to be stopped by cluster_stop.
cluster_join() {
  local data=$1
  cluster_bin
  [ -s "$data/pg/PG_VERSION" ] && cluster_runs "$data" && [ ! -e "$data/needs-roles" ] || { cluster_start "$data"; return; }
  cluster_connections "$data"
}

cluster_start() {
  local data=$1
  cluster_bin
  mkdir -p "$data" || fail "$data cannot be made."
  chmod 0700 "$data"
  mkdir -p "$data/pg" "$data/run"
  if [ "$(id -u)" = 0 ]; then chown postgres "$data" "$data/pg" "$data/run"; fi
  chmod 0700 "$data/pg"
  [ -s "$data/pg/PG_VERSION" ] || cluster_make "$data"
  [ -s "$data/db-port" ] || free_port > "$data/db-port"
  local port; port=$(cat "$data/db-port")
  if port_is_taken "$port" && ! cluster_runs "$data"; then
    free_port > "$data/db-port"; port=$(cat "$data/db-port")
  fi
  if cluster_runs "$data"; then
    say "Ending a cluster that was left running ..."
    as_postgres "$pgbin/pg_ctl" -D "$data/pg" -m fast -w stop >/dev/null 2>&1 || fail "The cluster in $data/pg runs and cannot be stopped; see $data/pg/server.log"
  fi
  # In a process group of its own, so that Ctrl-C reaches only the script, which then stops things in order.
  setsid bash -c "$(declare -f as_postgres); as_postgres '$pgbin/pg_ctl' -D '$data/pg' -o '-p $port' -l '$data/pg/server.log' -w -t 60 start" >/dev/null 2>&1 \
    || { tail -3 "$data/pg/server.log" >&2; fail "The cluster in $data/pg does not start; the last lines of its log are above. If it is damaged, move $data away and start again, or put back a copy."; }
  cluster_data=$data
  cluster_connections "$data"
  if [ -e "$data/needs-roles" ]; then
    PGPASSWORD=$cluster_pw_super "$pgbin/psql" -q -h 127.0.0.1 -p "$port" -U blueslate_super -d postgres -v ON_ERROR_STOP=1 <<SQL || fail "The roles could not be made."
CREATE ROLE blueslate_owner LOGIN CREATEDB PASSWORD '$cluster_pw_owner';
CREATE ROLE blueslate_app LOGIN PASSWORD '$cluster_pw_app';
CREATE DATABASE blueslate OWNER blueslate_owner;
REVOKE CONNECT ON DATABASE blueslate FROM PUBLIC;
GRANT CONNECT ON DATABASE blueslate TO blueslate_app;
SQL
    rm -f "$data/needs-roles"
  fi
}

cluster_stop() {
  [ -n "${cluster_data:-}" ] || return 0
  as_postgres "$pgbin/pg_ctl" -D "$cluster_data/pg" -m fast -w stop >/dev/null 2>&1
  cluster_data=
}
