# What has to be on the machine: Node's packages, Debian's database and browser.

need_node() {
  command -v node >/dev/null || fail "Node.js 20 or newer is missing. On Debian: install it from nodejs.org or your usual source, then try again."
  local version
  version=$(node --version)
  version=${version#v}
  [ "${version%%.*}" -ge 20 ] || fail "Node.js 20 or newer is needed; this is v$version."
  node_version=v$version
}

packages_so_far() { printf ', %s of some %s' "$(ls -d "$DEN_ROOT"/node_modules/* "$DEN_ROOT"/node_modules/@*/* 2>/dev/null | wc -l)" "$packages_total"; }

# Installs Node's packages when the lock file is not the one that they were installed from.
need_packages() {
  need_node
  local want stamp="$DEN_HOME/packages.stamp"
  want=$(cat "$DEN_ROOT/package-lock.json" "$DEN_ROOT/package.json" | sha256sum; echo "$node_version")
  if [ -d "$DEN_ROOT/node_modules" ] && [ -f "$stamp" ] && [ "$(cat "$stamp")" = "$want" ]; then return; fi
  exec 8>"$DEN_HOME/packages.lock"
  flock 8
  if [ ! -d "$DEN_ROOT/node_modules" ] || [ ! -f "$stamp" ] || [ "$(cat "$stamp")" != "$want" ]; then
    packages_total=$(grep -c '^    "node_modules/' "$DEN_ROOT/package-lock.json")
    (cd "$DEN_ROOT" && slowly "Installing Node's packages, one to three minutes" packages_so_far "$DEN_HOME/packages.log" npm ci --no-audit --no-fund --loglevel=error) || {
      cat "$DEN_HOME/packages.log" >&2
      fail "Node's packages could not be installed."
    }
    printf '%s' "$want" >"$stamp"
  fi
  flock -u 8
}

# need_debian COMMAND PACKAGE…: installs Debian packages when a command is missing.
need_debian() {
  local command=$1
  shift
  PATH="$PATH:/usr/sbin" command -v "$command" >/dev/null && return
  local do_it=""
  if [ "$(id -u)" = 0 ]; then do_it=""; elif sudo -n true 2>/dev/null; then do_it="sudo"; else
    fail "Debian's $* is missing. Install it with:
  sudo apt-get install -y $*
and start again."
  fi
  $do_it apt-get update -qq >&2
  slowly "Installing Debian's $*" how_far_unknown "$DEN_HOME/apt.log" \
    $do_it env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "$@" ||
    fail "Debian's $* could not be installed; see $DEN_HOME/apt.log."
}

need_database() { need_debian mariadbd mariadb-server; }
need_browser() { need_debian chromium chromium; }
