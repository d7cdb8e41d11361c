#!/usr/bin/env bash
# Installs what is missing, builds, and starts the window on the demo job.
# With --headless, or where there is no display: runs the whole example and prints what arrived.
# Programs that are there already are used: those of an installed package, or of one that setup/package.sh made of this
# very commit. --build builds all the same.
set -euo pipefail
cd "$(dirname "$0")"
headless=no
build=no
for option in "$@"; do
    case $option in
    --headless) headless=yes ;;
    --build) build=yes ;;
    *) echo "usage: ./demo.sh [--headless] [--build]" >&2; exit 2 ;;
    esac
done
[ -n "${DISPLAY:-}${WAYLAND_DISPLAY:-}" ] || headless=yes

# What stands between a person and the demo, told before it is done.
built() { # prints what of how much is done, over itself on a terminal
    local total='' line
    while IFS= read -r line; do
        echo "$line" >> build-log.txt
        if [ -t 1 ] && [[ $line =~ ^\[([0-9]+)/([0-9]+)\] ]]; then
            printf '\r   %s of %s files' "${BASH_REMATCH[1]}" "${BASH_REMATCH[2]}"
            total=${BASH_REMATCH[2]}
        fi
    done
    [ -z "$total" ] || printf '\r\033[K'
}

package=$(ls build/package/wembrix_*.deb 2> /dev/null | head -1 || true)
commit=$(git rev-parse HEAD 2> /dev/null || true)
if [ "$build" = no ] && command -v wembrix > /dev/null && [ -x /usr/libexec/wembrix/wembrix-demo-maker ]; then
    echo "Using the installed package, $(wembrix-cli --version)."
    window=wembrix cli=wembrix-cli maker=/usr/libexec/wembrix/wembrix-demo-maker
elif [ "$build" = no ] && [ -n "$package" ] && [ -n "$commit" ] && [ "$(cat build/package/commit 2> /dev/null)" = "$commit" ] &&
    git diff --quiet HEAD; then
    echo "Using the package that was made of this commit, $package."
    setup/install.sh build
    rm -rf build/package/files
    dpkg-deb -x "$package" build/package/files
    window=build/package/files/usr/bin/wembrix cli=build/package/files/usr/bin/wembrix-cli
    maker=build/package/files/usr/libexec/wembrix/wembrix-demo-maker
else
    if [ -x build/release/src/app/wembrix ]; then
        echo "1 of 3: what changed is built, with $(nproc) cores."
    else
        echo "1 of 3: all of it is built, with $(nproc) cores. A first time takes about $((11 / $(nproc) + 1)) minutes of building,"
        echo "        and some for what Debian's packages and npm bring."
    fi
    setup/install.sh build
    setup/node.sh || true # for the page of the live hand-over; all else is built without it
    export CMAKE_BUILD_PARALLEL_LEVEL=${CMAKE_BUILD_PARALLEL_LEVEL:-$(nproc)} # a large batch takes 2.5 GB of memory
    setup/configure.sh release > build-log.txt 2>&1 || { cat build-log.txt; exit 1; }
    cmake --build --preset release 2>&1 | built || { tail -40 build-log.txt; exit 1; }
    rm -f build-log.txt
    window=build/release/src/app/wembrix cli=build/release/src/cli/wembrix-cli maker=build/release/demo/wembrix-demo-maker
fi
echo "2 of 3: the demo job is written to demo-job."
"$maker" demo-job
if [ "$headless" = yes ]; then
    echo "3 of 3: it is run, without a window."
    echo
    echo "What came in:"
    "$cli" inspect demo-job/tansy_model.glb
    echo
    echo "After the route card:"
    "$cli" inspect demo-job/tansy.wembrix
    echo
    echo "What arrived:"
    "$cli" deliver demo-job/tansy.wembrix
else
    echo "3 of 3: the window opens on it."
    exec "$window" demo-job/tansy.wembrix
fi
