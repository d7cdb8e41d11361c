#!/usr/bin/env bash
# Installs what is missing, builds, and runs every test. A preset can be named: ./test.sh ci
set -euo pipefail
cd "$(dirname "$0")"
preset=${1:-dev}
setup/install.sh build test
setup/node.sh
cmake --preset "$preset"
cmake --build --preset "$preset"
ctest --preset "$preset"
# The core's tests once more, under the address and undefined-behaviour sanitizers.
cmake --preset asan
cmake --build --preset asan --target wembrix-core-tests
WEMBRIX_SEEDS=12 build/asan/tests/wembrix-core-tests --gtest_brief=1
