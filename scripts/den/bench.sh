# How long a full card takes through the real interface, on a server and a database of its own. JSON on standard output.

den_bench_import() {
  { need_packages && need_database && need_build && need_browser; } >&2
  export DEN_DATA="$DEN_HOME/bench"
  rm -rf "$DEN_DATA"
  mkdir -p "$DEN_DATA"
  node "$DEN_ROOT/scripts/bench-import.mjs"
}
