#!/usr/bin/env bash
# Takes the pictures in docs/screenshots from a fresh demo, which it starts and
# stops itself.
set -euo pipefail
state=$(mktemp -d /var/tmp/vineswap-shots-XXXXXX)
VINESWAP_STATE="$state" bin/vineswap demo --port 8460 >"$state.log" 2>&1 &
demo=$!
trap 'kill -INT "$demo" 2>/dev/null; wait "$demo" 2>/dev/null; rm -rf "$state" "$state.log"' EXIT
for _ in $(seq 100); do
  address=$(cat "$state/address" 2>/dev/null || true)
  [ -n "$address" ] && break
  sleep 0.2
done
go run ./e2e/shots "$address" docs/screenshots
