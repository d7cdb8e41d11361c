#!/usr/bin/env bash
# Node.js and npm, for the readers that only tests use and for what the page of the live hand-over draws with: what is
# there already, else Debian's.
set -euo pipefail
if ! command -v node > /dev/null || ! command -v npm > /dev/null; then
    echo "Installing: nodejs npm"
    as_root=()
    [ "$(id -u)" -eq 0 ] || as_root=(sudo)
    "${as_root[@]}" apt-get update -qq
    DEBIAN_FRONTEND=noninteractive "${as_root[@]}" apt-get install -y -qq --no-install-recommends nodejs npm > /dev/null
fi
# The page goes into the program where this has come; without it all else is built.
page=$(cd "$(dirname "$0")/../listeners/web" && pwd)
if [ ! -f "$page/node_modules/three/build/three.module.js" ]; then
    (cd "$page" && npm ci --silent) || echo "The page of the live hand-over is left out: npm could not fetch three." >&2
fi
