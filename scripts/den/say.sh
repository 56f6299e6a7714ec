# What ./den says to people.

say() { printf '%s\n' "$*"; }

fail() {
  printf '%s\n' "$*" >&2
  exit 1
}

# slowly WHAT HOW-FAR LOG COMMAND…: runs something that takes long, its words into a log; says that it goes on, and how far it is.
slowly() {
  local what=$1 how_far=$2 log=$3 began=$SECONDS pid
  shift 3
  say "$what …"
  "$@" >"$log" 2>&1 &
  pid=$!
  trap 'kill "$pid" 2>/dev/null; exit 130' INT TERM
  while kill -0 "$pid" 2>/dev/null; do
    sleep 1
    [ $(((SECONDS - began) % 15)) -ne 0 ] || [ "$SECONDS" = "$began" ] || say "$what … $((SECONDS - began)) s$("$how_far")"
  done
  trap - INT TERM
  wait "$pid"
}
how_far_unknown() { :; }

