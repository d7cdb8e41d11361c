#!/usr/bin/env bash
# Installs what is missing, builds, and starts the window on the demo job.
# With --headless, or where there is no display: runs the whole example and prints what arrived.
set -euo pipefail
cd "$(dirname "$0")"
headless=no
[ "${1:-}" = "--headless" ] && headless=yes
[ -n "${DISPLAY:-}${WAYLAND_DISPLAY:-}" ] || headless=yes
setup/install.sh build
setup/node.sh || true # for the page of the live hand-over; all else is built without it
export CMAKE_BUILD_PARALLEL_LEVEL=${CMAKE_BUILD_PARALLEL_LEVEL:-$(nproc)} # a large batch takes 2.5 GB of memory
echo "Building (a first build takes some minutes)"
setup/configure.sh release > build-log.txt 2>&1 || { cat build-log.txt; exit 1; }
cmake --build --preset release >> build-log.txt 2>&1 || { tail -40 build-log.txt; exit 1; }
rm -f build-log.txt
build/release/demo/wembrix-demo-maker demo-job
if [ "$headless" = yes ]; then
    echo
    echo "What came in:"
    build/release/src/cli/wembrix-cli inspect demo-job/tansy_model.glb
    echo
    echo "After the route card:"
    build/release/src/cli/wembrix-cli inspect demo-job/tansy.wembrix
    echo
    echo "What arrived:"
    build/release/src/cli/wembrix-cli deliver demo-job/tansy.wembrix
else
    exec build/release/src/app/wembrix demo-job/tansy.wembrix
fi
