#!/usr/bin/env bash
# Node.js and npm, for the readers that only tests use: what is there already, else Debian's.
set -euo pipefail
if ! command -v node > /dev/null || ! command -v npm > /dev/null; then
    echo "Installing: nodejs npm"
    as_root=()
    [ "$(id -u)" -eq 0 ] || as_root=(sudo)
    "${as_root[@]}" apt-get update -qq
    DEBIAN_FRONTEND=noninteractive "${as_root[@]}" apt-get install -y -qq --no-install-recommends nodejs npm > /dev/null
fi
