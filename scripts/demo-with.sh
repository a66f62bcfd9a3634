#!/usr/bin/env bash
# Runs a command with the address of a fresh demo, which it starts and stops itself:
# demo-with.sh go run ./e2e/smooth
set -euo pipefail
state=$(mktemp -d /var/tmp/vineswap-with-XXXXXX)
VINESWAP_STATE="$state" bin/vineswap demo --port 8460 >"$state.log" 2>&1 &
demo=$!
trap 'kill -INT "$demo" 2>/dev/null; wait "$demo" 2>/dev/null; rm -rf "$state" "$state.log"' EXIT
address=
for _ in $(seq 150); do
  address=$(cat "$state/address" 2>/dev/null || true)
  [ -n "$address" ] && break
  sleep 0.2
done
"${1:?a command}" "${@:2}" "$address"
