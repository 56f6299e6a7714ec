# Bundles and the production build, made again only when their sources changed.

sources_hash() {
  (
    cd "$DEN_ROOT"
    { find "$@" -type f ! -name '*.test.ts' ! -name '*.test.tsx' -print0 2>/dev/null | LC_ALL=C sort -z | xargs -0 cat; cat package-lock.json tsconfig*.json; } | sha256sum
  )
}

# once NAME COMMAND -- PATH…: runs the command when what lies at the paths is not what it last succeeded for; two calls at
# once do it once. Times are asked first, being ten times quicker than reading all: a file that is changed, copied or
# moved to its place, and the folder of one that is removed, is younger than the stamp, which bears the moment before.
once() {
  local stamp="$DEN_HOME/$1.stamp" command=$2 began
  shift 3
  if [ -f "$stamp" ] && [ -z "$(cd "$DEN_ROOT" && find "$@" package-lock.json tsconfig*.json -cnewer "$stamp" -print -quit)" ]; then return; fi
  began=$(date +%s.%N)
  local hash
  hash=$(sources_hash "$@")
  exec 9>"$stamp.lock"
  flock 9
  if [ ! -f "$stamp" ] || [ "$(cat "$stamp")" != "$hash" ]; then
    (cd "$DEN_ROOT" && "$command")
    printf '%s' "$hash" >"$stamp"
  fi
  touch -d "@$began" "$stamp"
  flock -u 9
}

make_bundle() { node scripts/bundle.mjs; }

need_bundle() { once bundle make_bundle -- core cli data server scripts/bundle.mjs scripts/attack scripts/large scripts/trials e2e/support; }

build_site() {
  slowly "Building the application, about a minute" how_far_unknown "$DEN_HOME/build.log" npx next build || {
    cat "$DEN_HOME/build.log" >&2
    fail "The build failed."
  }
}

need_build() {
  need_bundle
  [ -d "$DEN_ROOT/.next" ] || rm -f "$DEN_HOME/build.stamp"
  once build build_site -- core data server app ui workers proxy.ts next.config.ts instrumentation.ts
}
