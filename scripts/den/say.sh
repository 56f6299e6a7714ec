# What ./den says to people, and small things that every part needs.

say() { printf '%s\n' "$*"; }

fail() {
  printf '%s\n' "$*" >&2
  exit 1
}

# Whether a process is alive; a signal that cannot be sent for lack of rights still says yes.
alive() { [ -n "${1:-}" ] && [ -e "/proc/$1" ]; }

free_port() {
  local port=$1
  while (exec 3<>"/dev/tcp/127.0.0.1/$port") 2>/dev/null; do port=$((port + 1)); done
  printf '%s' "$port"
}

# Ends a process that we started and waits until it is gone.
end_process() {
  local pid=$1 waited=0
  alive "$pid" || return 0
  kill -TERM "$pid" 2>/dev/null || return 0
  while alive "$pid" && [ "$waited" -lt 300 ]; do
    sleep 0.1
    waited=$((waited + 1))
  done
  ! alive "$pid" || kill -KILL "$pid" 2>/dev/null || true
}
