# Sourced by ./start and ./check: what both need before Node can take over.

say() { printf '%s\n' "$*"; }

need_node() {
  if ! command -v node >/dev/null || ! node -e 'const [a,b]=process.versions.node.split(".").map(Number);process.exit(a>20||(a===20&&b>=19)?0:1)'; then
    say "Pear Bench needs Node.js 20.19 or later and npm (24 or later is recommended). Install them and start again."
    exit 1
  fi
}

# get_lists: fetches the lists of packages; their lock has no waiting of its own.
get_lists() {
  local tries=0 said
  until said=$($as apt-get update 2>&1); do
    printf '%s\n' "$said"
    tries=$((tries + 1))
    case "$said" in *"Could not get lock"*|*"Unable to lock"*) [ "$tries" -lt 24 ] || return 1 ;; *) return 1 ;; esac
    sleep 5
  done
}

# need_debian COMMAND PACKAGE: installs PACKAGE without recommends when COMMAND is missing.
need_debian() {
  command -v "$1" >/dev/null && return 0
  local as=""
  if [ "$(id -u)" != 0 ]; then
    # Without a terminal nobody could type the password sudo may ask for.
    if command -v sudo >/dev/null && { sudo -n true 2>/dev/null || [ -t 0 ]; }; then as="sudo"
    else
      say "Missing: install the Debian package $2 (apt-get install --no-install-recommends $2) and start again."
      exit 1
    fi
  fi
  say "Installing $2 from Debian."
  local log; log=$(mktemp)
  # Another installation may hold the package manager's lock: it is waited for, two minutes at most.
  if command -v fuser >/dev/null && $as fuser /var/lib/dpkg/lock-frontend /var/lib/apt/lists/lock >/dev/null 2>&1; then
    say "The package manager is busy with something else; waiting for it, two minutes at most."
  fi
  local wait="-o DPkg::Lock::Timeout=120"
  if ! { get_lists && DEBIAN_FRONTEND=noninteractive $as apt-get $wait install -y --no-install-recommends "$2"; } >"$log" 2>&1; then
    tail -n 15 "$log"
    say "Installing $2 failed. Install it by hand (apt-get install --no-install-recommends $2) and start again."
    exit 1
  fi
  # Debian starts its own server after installing; ours has a data folder of its own.
  if [ "$2" = mariadb-server ]; then $as service mariadb stop >/dev/null 2>&1 || true; fi
  rm -f "$log"
}

# need_modules run|check: packages of the lock file; what only the checks need is left out of a start.
need_modules() {
  local now has; now=$(sha256sum package-lock.json | cut -d' ' -f1)
  has=$(cat node_modules/.pear-bench-lock 2>/dev/null || true)
  [ "$has" = "$now check" ] && return 0
  [ "$1" = run ] && [ "$has" = "$now run" ] && return 0
  say "Installing the packages of package-lock.json."
  local log which="--omit=dev" how=ci; log=$(mktemp)
  [ "$1" = run ] || which="--include=dev"
  # What a start has installed stays; only the rest is fetched.
  [ "$has" = "$now run" ] && how="install --no-save"
  if ! npm $how $which --no-audit --no-fund --loglevel=error >"$log" 2>&1; then
    tail -n 20 "$log"
    say "npm ci failed. A first start needs the network; see above."
    exit 1
  fi
  rm -f "$log"
  printf '%s' "$now $1" >node_modules/.pear-bench-lock
}

# need_build FOLDER: builds into FOLDER when a source is newer than its last build.
need_build() {
  local now; now=$(find app assets public core db demo exchange ops server stand-ins ui workers instrumentation.ts proxy.ts next.config.ts postcss.config.mjs package-lock.json tsconfig.json -type f ! -name '*.test.ts' ! -name '*.test.tsx' -print0 | sort -z | xargs -0 sha256sum | sha256sum | cut -d' ' -f1)
  [ -f "$1/pear-bench-sources" ] && [ "$(cat "$1/pear-bench-sources")" = "$now" ] && return 0
  say "Building the application, a minute or two."
  rm -rf "$1"
  local log; log=$(mktemp)
  if ! PEAR_BENCH_BUILD="$1" NEXT_TELEMETRY_DISABLED=1 node node_modules/next/dist/bin/next build >"$log" 2>&1; then
    cat "$log"
    say "The build failed; see above."
    exit 1
  fi
  rm -f "$log"
  node ops/build-programs.mjs "$1" && node ops/compress-static.mjs "$1" || exit 1
  printf '%s' "$now" >"$1/pear-bench-sources"
}
