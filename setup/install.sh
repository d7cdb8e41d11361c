#!/usr/bin/env bash
# Installs the Debian packages of the named groups that are not there yet, and says which.
# usage: install.sh build [test] [check]
set -euo pipefail
here=$(cd "$(dirname "$0")" && pwd)
wanted=()
for group in "$@"; do
    while read -r package; do wanted+=("$package"); done < <(
        awk -v group="[$group]" '/^#/ || /^$/ {next} /^\[/ {on = ($0 == group); next} on {print}' "$here/packages.txt")
done
missing=()
for package in "${wanted[@]}"; do
    dpkg-query -W -f='${Status}' "$package" 2> /dev/null | grep -q "install ok installed" || missing+=("$package")
done
if [ "${#missing[@]}" -eq 0 ]; then
    exit 0
fi
echo "Installing: ${missing[*]}"
as_root=()
[ "$(id -u)" -eq 0 ] || as_root=(sudo)
export DEBIAN_FRONTEND=noninteractive
"${as_root[@]}" apt-get update -qq
"${as_root[@]}" apt-get install -y -qq --no-install-recommends "${missing[@]}" > /dev/null
