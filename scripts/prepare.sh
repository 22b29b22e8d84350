#!/usr/bin/env bash
# What bin/start and bin/test need on the machine, installed once: Debian packages, gems, the web client.
# Sourced, not run. Each step says what it does and does nothing when nothing is missing.

ROOT="$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)"
export BUNDLE_GEMFILE="$ROOT/Gemfile"
STAMPS="$ROOT/var/stamps"

say() { printf 'fujin: %s\n' "$*"; }
fail() { printf 'fujin: %s\n' "$*" >&2; exit 1; }

PACKAGES=(postgresql build-essential ruby-dev libpq-dev libyaml-dev libffi-dev libssl-dev zlib1g-dev libxml2-dev libxslt1-dev pkg-config)
TEST_PACKAGES=(chromium chromium-headless-shell chromium-driver)

check_languages() {
  command -v ruby >/dev/null || fail "Ruby is missing. Install it with 'apt-get install ruby-full', then run this again."
  command -v node >/dev/null || fail "Node.js is missing. Install Node 20 or newer, then run this again."
  ruby -e 'exit(RUBY_VERSION >= "3.1" ? 0 : 1)' || fail "Ruby 3.1 or newer is needed; this is $(ruby -v)."
  [ "$(node -p 'process.versions.node.split(".")[0]')" -ge 20 ] || fail "Node 20 or newer is needed; this is $(node --version)."
  mkdir -p "$STAMPS"
}

install_packages() {
  local missing=() package
  for package in "$@"; do
    dpkg-query -W -f='${Status}' "$package" 2>/dev/null | grep -q 'install ok installed' || missing+=("$package")
  done
  [ ${#missing[@]} -eq 0 ] && return
  command -v apt-get >/dev/null || fail "these packages are missing and apt-get is not here to install them: ${missing[*]}"
  local as_root=()
  if [ "$(id -u)" -ne 0 ]; then
    command -v sudo >/dev/null || fail "these packages are missing: ${missing[*]}. Run 'apt-get install ${missing[*]}' as root, then run this again."
    as_root=(sudo)
  fi
  say "installing ${missing[*]} (once)"
  # The system's own cluster is not wanted: Fujin starts one of its own.
  "${as_root[@]}" mkdir -p /etc/postgresql-common
  [ -e /etc/postgresql-common/createcluster.conf ] || echo 'create_main_cluster = false' | "${as_root[@]}" tee /etc/postgresql-common/createcluster.conf >/dev/null
  "${as_root[@]}" apt-get update -qq || fail "the package lists could not be read. Is there a network? Then run this again."
  DEBIAN_FRONTEND=noninteractive "${as_root[@]}" apt-get install -y -qq "${missing[@]}" >"$ROOT/var/apt.log" 2>&1 ||
    fail "apt-get could not install ${missing[*]}. The reason is in var/apt.log."
}

gems_install() {
  if ! command -v bundle >/dev/null; then fail "Bundler is missing. Install it with 'apt-get install bundler', then run this again."; fi
  bundle config set --local path vendor/bundle >/dev/null
  bundle config set --local jobs 2 >/dev/null
  bundle config set --local build.nokogiri --use-system-libraries >/dev/null
  bundle check >/dev/null 2>&1 && return
  say 'installing gems (once, a few minutes)'
  bundle install >"$ROOT/var/bundle.log" 2>&1 || fail "the gems could not be installed. The reason is in var/bundle.log."
}

# Runs a step again only when the files it depends on have changed.
unless_done() {
  local name="$1" sum
  sum="$(shift 2; find "$@" -type f -not -name '*.generated.*' -print0 2>/dev/null | sort -z | xargs -0 sha256sum | sha256sum)"
  [ "$(cat "$STAMPS/$name" 2>/dev/null)" = "$sum" ] && return
  "$2" && printf '%s' "$sum" >"$STAMPS/$name"
}

# Bundler's own check takes over a second: it is asked again only when the gems that are wanted have changed.
install_gems() {
  cd "$ROOT"
  [ -d vendor/bundle ] && [ -e .bundle/config ] || rm -f "$STAMPS/gems"
  unless_done gems gems_install Gemfile Gemfile.lock
}

npm_install() {
  say 'installing the web client'"'"'s packages (once)'
  npm --prefix "$ROOT/web" ci --no-fund --no-audit >"$ROOT/var/npm.log" 2>&1 || fail "npm could not install the packages. The reason is in var/npm.log."
}

web_build() {
  say 'building the web client'
  (cd "$ROOT/web" && npm run --silent generate && npm run --silent build) >"$ROOT/var/build.log" 2>&1 || fail "the web client could not be built. The reason is in var/build.log."
}

install_web_packages() {
  cd "$ROOT"
  [ -d web/node_modules ] || rm -f "$STAMPS/npm"
  unless_done npm npm_install web/package.json web/package-lock.json
  [ -e web/src/api/schema.generated.ts ] && [ -e web/src/api/ranges.generated.ts ] || npm --prefix web run --silent generate >"$ROOT/var/build.log" 2>&1
}

# What is made from the contract is left out of the sum: it is not there at the first build.
install_web() {
  install_web_packages
  [ -e web/dist/index.html ] || rm -f "$STAMPS/build"
  unless_done build web_build web/src web/public web/index.html web/vite.config.ts web/texts.js web/ranges.js web/package-lock.json api/openapi.yaml core/data/*.json
}

# A linter of the web client, by its name in package.json. A run that draws lots (test/by_lot.rb) asks it again only when
# what it reads has changed since it passed: one that knows types takes a minute and a half to say what it said before.
check_web() {
  cd "$ROOT"
  local check="$1"
  [ -n "${FUJIN_LOT:-}" ] || rm -f "$STAMPS/$check"
  ask_it() { npm --prefix web run --silent "$check"; }
  unless_done "$check" ask_it web/src web/public web/*.* web/.prettier* api/openapi.yaml core/data/*.json
}
