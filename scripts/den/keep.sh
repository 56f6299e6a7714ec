# What is done with the data (start, stop, reset, backup, restore) is done by server/keep, once its needs are met.

den_keep() {
  need_packages
  need_database
  if [ "$1" = start ]; then need_build; else need_bundle; fi
  exec node "$DEN_HOME/bundle/den.mjs" "$@" 8>&- 9>&-
}
