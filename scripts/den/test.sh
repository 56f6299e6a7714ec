# Everything that must hold. Tests have a database of their own on another port, and leave the user's data alone.

den_test() {
  need_packages
  export DEN_DATA="$DEN_HOME/test"
  rm -rf "$DEN_DATA"
  mkdir -p "$DEN_DATA"
  need_database
  need_browser
  exec node "$DEN_ROOT/scripts/test.mjs"
}
