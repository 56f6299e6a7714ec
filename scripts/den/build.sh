# Bundles and the production build, made again only when their sources changed.

sources_hash() {
  (
    cd "$DEN_ROOT"
    { find "$@" -type f ! -name '*.test.ts' ! -name '*.test.tsx' -print0 2>/dev/null | LC_ALL=C sort -z | xargs -0 cat; cat package-lock.json tsconfig*.json; } | sha256sum
  )
}

# once NAME HASH COMMAND…: runs the command unless it succeeded for this hash before; two calls at once do it once.
once() {
  local stamp="$DEN_HOME/$1.stamp" hash=$2
  shift 2
  if [ -f "$stamp" ] && [ "$(cat "$stamp")" = "$hash" ]; then return; fi
  exec 9>"$stamp.lock"
  flock 9
  if [ ! -f "$stamp" ] || [ "$(cat "$stamp")" != "$hash" ]; then
    (cd "$DEN_ROOT" && "$@")
    printf '%s' "$hash" >"$stamp"
  fi
  flock -u 9
}

need_bundle() {
  once bundle "$(sources_hash core cli data server scripts/bundle.mjs scripts/attack scripts/large scripts/trials e2e/support)" node scripts/bundle.mjs
}

build_site() {
  slowly "Building the application, about a minute" how_far_unknown "$DEN_HOME/build.log" npx next build || {
    cat "$DEN_HOME/build.log" >&2
    fail "The build failed."
  }
}

need_build() {
  need_bundle
  [ -d "$DEN_ROOT/.next" ] || rm -f "$DEN_HOME/build.stamp"
  once build "$(sources_hash core data server app ui workers proxy.ts next.config.ts instrumentation.ts)" build_site
}
