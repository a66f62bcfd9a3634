#!/usr/bin/env bash
# Checks for what the demo or the tests need and installs what is missing from
# Debian's packages, as root or through sudo. Go and Node are only checked:
# Debian's own are too old. Says exactly what to install where it cannot.
set -euo pipefail
for_what=${1:-demo}
missing=()

at_least() { # at_least WANTED FOUND
  [ "$(printf '%s\n%s\n' "$1" "$2" | sort -V | head -n 1)" = "$1" ]
}

go_version=$(go env GOVERSION 2>/dev/null | sed -E 's/^go([0-9.]+).*/\1/' || true)
if [ -z "$go_version" ] || ! at_least 1.26 "$go_version"; then
  missing+=("Go 1.26 or newer (found: ${go_version:-none}), from https://go.dev/dl/")
fi
node_version=$(node --version 2>/dev/null | tr -d v || true)
if [ -z "$node_version" ] || ! at_least 20.19 "$node_version"; then
  missing+=("Node.js 20.19 or newer (found: ${node_version:-none}), from https://nodejs.org/")
elif ! command -v npm >/dev/null; then
  missing+=("npm, which comes with Node.js from https://nodejs.org/")
fi
if [ ${#missing[@]} -gt 0 ]; then
  printf 'Vine Swap needs, and cannot install by itself:\n' >&2
  printf '  %s\n' "${missing[@]}" >&2
  exit 1
fi

packages=()
compgen -G '/usr/lib/postgresql/*/bin/postgres' >/dev/null || command -v postgres >/dev/null || packages+=(postgresql)
if [ "$for_what" = test ]; then
  command -v pdftotext >/dev/null || packages+=(poppler-utils) # reads printed sheets back
  # Any Chromium will do; the one without windows is the fastest.
  browser=$(command -v chromium-headless-shell || command -v chromium || command -v chromium-browser || command -v google-chrome || true)
  if [ -z "$browser" ] || { [[ "$browser" != *-headless-shell ]] && [ "$(id -u)" -eq 0 ] && apt-cache show chromium-headless-shell >/dev/null 2>&1; }; then
    packages+=(chromium-headless-shell)
  fi
fi
[ ${#packages[@]} -gt 0 ] || exit 0

as_root=()
if [ "$(id -u)" -ne 0 ]; then
  if command -v sudo >/dev/null && sudo -n true 2>/dev/null; then
    as_root=(sudo)
  elif command -v sudo >/dev/null && [ -t 0 ]; then
    as_root=(sudo)
  else
    printf 'Vine Swap needs these packages and may not install them here: %s\n' "${packages[*]}" >&2
    printf 'As root: apt-get update && apt-get install -y %s\n' "${packages[*]}" >&2
    exit 1
  fi
fi
if ! command -v apt-get >/dev/null; then
  printf 'Vine Swap needs, by the names of Debian: %s. Install them with the package manager of this system.\n' "${packages[*]}" >&2
  exit 1
fi
printf 'Installing %s …\n' "${packages[*]}"
# Without this Debian's package would start a cluster of its own.
conf=/etc/postgresql-common/createcluster.conf
if [[ " ${packages[*]} " == *" postgresql "* ]] && [ ! -e "$conf" ]; then
  "${as_root[@]}" mkdir -p "$(dirname "$conf")"
  printf 'create_main_cluster = false\n' | "${as_root[@]}" tee "$conf" >/dev/null
fi
"${as_root[@]}" apt-get update -q
"${as_root[@]}" env DEBIAN_FRONTEND=noninteractive apt-get install -y -q --no-install-recommends -o Dpkg::Options::=--force-confold "${packages[@]}"
