# A private MariaDB under $DEN_DATA/db, on loopback, with generated passwords in a file that only its owner reads.

DB_DIR="$DEN_DATA/db"
DB_SECRET="$DEN_DATA/database.env"
PATH="$PATH:/usr/sbin"

as_root_flag() { [ "$(id -u)" = 0 ] && printf -- '--user=root' || true; }

db_pid() {
  local pid
  pid=$(cat "$DB_DIR/den.pid" 2>/dev/null) || return 1
  # The number may have gone to another process since: ours names its data folder.
  alive "$pid" && tr '\0' ' ' <"/proc/$pid/cmdline" 2>/dev/null | grep -qF -- "--datadir=$DB_DIR" && printf '%s' "$pid"
}

random_secret() { head -c 24 /dev/urandom | base64 | tr -dc 'A-Za-z0-9'; }

db_create() {
  say "Creating the database …"
  rm -rf "$DB_DIR" "$DB_DIR.new"
  (
    umask 077
    printf 'DEN_DB_USER=den\nDEN_DB_PASSWORD=%s\nDEN_DB_ROOT_PASSWORD=%s\n' "$(random_secret)" "$(random_secret)" >"$DB_SECRET"
  )
  . "$DB_SECRET"
  # shellcheck disable=SC2046
  mariadb-install-db --no-defaults --datadir="$DB_DIR.new" --auth-root-authentication-method=normal --skip-test-db $(as_root_flag) >"$DEN_DATA/database.log" 2>&1 ||
    fail "The database could not be created; see $DEN_DATA/database.log."
  # Passwords are set before anything listens.
  # shellcheck disable=SC2046
  mariadbd --no-defaults --datadir="$DB_DIR.new" $(as_root_flag) --bootstrap >>"$DEN_DATA/database.log" 2>&1 <<SQL || fail "The database could not be secured; see $DEN_DATA/database.log."
FLUSH PRIVILEGES;
ALTER USER root@localhost IDENTIFIED BY '$DEN_DB_ROOT_PASSWORD';
ALTER USER root@127.0.0.1 IDENTIFIED BY '$DEN_DB_ROOT_PASSWORD';
CREATE DATABASE glowden CHARACTER SET utf8mb4 COLLATE utf8mb4_uca1400_ai_ci;
CREATE USER den@127.0.0.1 IDENTIFIED BY '$DEN_DB_PASSWORD';
GRANT ALL ON glowden.* TO den@127.0.0.1;
DELETE FROM mysql.global_priv WHERE User NOT IN ('root', 'den', 'mariadb.sys') OR (User = 'root' AND Host NOT IN ('localhost', '127.0.0.1'));
FLUSH PRIVILEGES;
SQL
  mv "$DB_DIR.new" "$DB_DIR"
  : >"$DEN_DATA/new"
}

# Starts the database unless it runs; sets DEN_DB_PORT and what else the application needs to reach it.
db_start() {
  need_database
  [ -d "$DB_DIR/mysql" ] || db_create
  if ! db_pid >/dev/null; then
    rm -f "$DB_DIR/den.pid"
    DEN_DB_PORT=$(free_port 33070)
    printf '%s' "$DEN_DB_PORT" >"$DEN_DATA/database.port"
    # The socket's path is relative to the data folder: a long one would not fit into a socket's address.
    # Own session: Ctrl-C reaches ./den, which then stops the database in order.
    # shellcheck disable=SC2046
    setsid mariadbd --no-defaults --datadir="$DB_DIR" --socket=den.sock --pid-file=den.pid $(as_root_flag) \
      --bind-address=127.0.0.1 --port="$DEN_DB_PORT" --max-allowed-packet=64M --default-time-zone=+00:00 \
      --skip-name-resolve --log-error="$DEN_DATA/database.err" </dev/null >/dev/null 2>&1 8>&- 9>&- &
  fi
  db_settings
  local waited=0
  until db_admin ping >/dev/null 2>&1; do
    sleep 0.1
    waited=$((waited + 1))
    [ "$waited" -lt 600 ] || fail "The database does not answer; see $DEN_DATA/database.err."
  done
}

db_settings() {
  set -a
  . "$DB_SECRET"
  DEN_DB_PORT=$(cat "$DEN_DATA/database.port")
  set +a
}

# Client options with the password in a file, so that no process list shows it.
db_client_options() {
  printf '[client]\nhost=127.0.0.1\nport=%s\nuser=root\npassword=%s\n' "$DEN_DB_PORT" "$DEN_DB_ROOT_PASSWORD"
}
db_admin() { mariadb-admin --defaults-extra-file=<(db_client_options) "$@"; }
db_client() { mariadb --defaults-extra-file=<(db_client_options) --default-character-set=utf8mb4 "$@"; }
db_dump() { mariadb-dump --defaults-extra-file=<(db_client_options) --default-character-set=utf8mb4 "$@"; }

db_stop() {
  local pid
  pid=$(db_pid) || return 0
  end_process "$pid"
}

db_migrate() {
  node "$DEN_HOME/bundle/manage.mjs" migrate
}
