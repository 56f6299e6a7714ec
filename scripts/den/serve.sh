# The application in front of the database.

app_pid() {
  local pid
  pid=$(cat "$DEN_DATA/app.pid" 2>/dev/null) || return 1
  alive "$pid" && tr '\0' ' ' <"/proc/$pid/cmdline" 2>/dev/null | grep -q next && printf '%s' "$pid"
}

den_start() {
  local demo=yes
  case "${1:-}" in
    "") ;;
    --empty) demo=no ;;
    *) fail "start knows only --empty." ;;
  esac
  local port=${PORT:-3000}
  app_pid >/dev/null && fail "Glow Den is running already (process $(app_pid)). Stop it with ./den stop."
  [ "$(free_port "$port")" = "$port" ] || fail "Port $port is taken. Choose another: PORT=$((port + 1)) ./den start"
  need_packages
  need_database
  need_build
  printf '%s' "$$" >"$DEN_DATA/start.pid"
  trap den_cleanup EXIT
  trap 'exit 0' INT TERM
  db_start
  db_migrate
  if [ -f "$DEN_DATA/new" ]; then
    if [ "$demo" = yes ]; then node "$DEN_HOME/bundle/manage.mjs" demo; fi
    rm -f "$DEN_DATA/new"
  fi
  app_start "$port"
  say "Glow Den: http://127.0.0.1:$port   (Ctrl-C stops it)"
  wait "$APP_PID" || fail "The application ended by itself; see $DEN_DATA/app.log."
}

# Starts the application on a port and waits until it answers.
app_start() {
  local port=$1 waited=0
  cd "$DEN_ROOT"
  # Uploads that a crash left behind.
  rm -rf "$DEN_DATA/uploads"
  setsid node node_modules/next/dist/bin/next start -H 127.0.0.1 -p "$port" </dev/null >"$DEN_DATA/app.log" 2>&1 8>&- 9>&- &
  APP_PID=$!
  printf '%s' "$APP_PID" >"$DEN_DATA/app.pid"
  until (exec 3<>"/dev/tcp/127.0.0.1/$port") 2>/dev/null; do
    sleep 0.1
    waited=$((waited + 1))
    alive "$APP_PID" || fail "The application did not start; see $DEN_DATA/app.log."
    [ "$waited" -lt 600 ] || fail "The application does not answer; see $DEN_DATA/app.log."
  done
}

# What `start` leaves behind when it ends, however it ends: nothing.
den_cleanup() {
  trap - EXIT INT TERM
  end_process "${APP_PID:-}"
  db_stop
  rm -f "$DEN_DATA/app.pid" "$DEN_DATA/start.pid"
}

# Asks the `start` that is running to end; clears up after one that died.
den_stop() {
  local pid
  pid=$(cat "$DEN_DATA/start.pid" 2>/dev/null) || pid=""
  if alive "$pid" && tr '\0' ' ' <"/proc/$pid/cmdline" | grep -q 'den start'; then end_process "$pid"; fi
  if pid=$(app_pid); then end_process "$pid"; fi
  db_stop
  rm -f "$DEN_DATA/app.pid" "$DEN_DATA/start.pid"
  say "Glow Den is stopped."
}
