# How long a full card takes through the real interface, on a server and a database of its own. JSON on standard output.

den_bench_import() {
  need_packages >&2
  need_build >&2
  export DEN_DATA="$DEN_HOME/bench"
  rm -rf "$DEN_DATA"
  mkdir -p "$DEN_DATA"
  # Set anew for this data folder.
  . "$DEN_ROOT/scripts/den/database.sh"
  need_database >&2
  need_browser >&2
  trap den_cleanup EXIT
  trap 'exit 0' INT TERM
  db_start >&2
  db_migrate >&2
  local port
  port=$(free_port 3400)
  app_start "$port" >&2
  node "$DEN_ROOT/scripts/bench-import.mjs" "http://127.0.0.1:$port" "$APP_PID"
}
